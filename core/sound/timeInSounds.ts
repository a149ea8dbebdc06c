import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  inOrder,
  type Rig,
  highestValue,
  type Control,
  type Division,
  type Cell,
  type Sound,
} from '#core/rig'
import { keptAt, offBeatMs, timeUnit, divisionMs } from '#core/tempo'
import { spokenCells } from './cells'

/** A value a sound sets for a control that is to keep the beat, and the one that would be nearest. */
export interface TimeInSound {
  readonly sound: Sound
  readonly control: Control
  readonly division: Division
  readonly bpm: number
  /** What the sound sets; null where it says nothing of the control. */
  readonly value: number | null
  /** How far that is from the beat, in ms; null where it says nothing. */
  readonly offMs: number | null
  /** The nearest there is, and how far that is; null where the control cannot. */
  readonly nearest: { readonly value: number; readonly errorMs: number } | null
}

const valuesOf = (cell: Cell) => ('values' in cell ? cell.values : null)

/** What sounds with a tempo of their own set for controls that keep a note value. */
export function timesInSounds(rig: Rig): TimeInSound[] {
  const kept = Object.values(rig.controls).filter(
    (control) => control.division !== null && timeUnit(control) !== null && timeUnit(control) !== 'notes',
  )
  return inOrder(rig.sounds).flatMap((sound) => {
    const bpm = sound.tempo
    if (bpm === null || kept.length === 0) return []
    const cells = spokenCells(rig, sound)
    return kept.flatMap((control): TimeInSound[] => {
      const cell = cells.get(control.deviceId)?.cell
      const values = cell && valuesOf(cell)
      if (!values) return []
      const value = values.find(({ controlId }) => controlId === control.id)?.value ?? null
      const near = keptAt(control, bpm, control.division!)
      return [
        {
          sound,
          control,
          division: control.division!,
          bpm,
          value,
          offMs:
            value === null || value > highestValue(control.address)
              ? null
              : offBeatMs(control, bpm, control.division!, value),
          nearest: near?.kind === 'near' ? { value: near.value, errorMs: near.errorMs } : null,
        },
      ]
    })
  })
}

/** Off the beat: further than 2 % of the note value or 5 ms, whichever is more, and further than need be. */
export const isOffBeat = ({ offMs, nearest, bpm, division }: TimeInSound): boolean =>
  offMs !== null &&
  nearest !== null &&
  Math.abs(offMs) > Math.max(5, 0.02 * divisionMs(bpm, division)) &&
  Math.abs(offMs) > Math.abs(nearest.errorMs) + 1e-9

/** The nearest value set in the sound itself, in place of what it says now. */
export function timeInSounds(rig: Rig, times: readonly TimeInSound[]): Edit | null {
  const after = new Map<string, Sound>()
  for (const { sound, control, nearest } of times) {
    if (!nearest) continue
    const before = after.get(sound.id) ?? sound
    const cell = spokenCells(rig, before).get(control.deviceId)?.cell
    const values = cell && valuesOf(cell)
    if (!cell || !values) continue
    const set = { controlId: control.id, value: nearest.value }
    const isThere = values.some(({ controlId }) => controlId === control.id)
    const now = isThere ? values.map((one) => (one.controlId === control.id ? set : one)) : [...values, set]
    const said = { deviceId: control.deviceId, cell: { ...cell, values: now } as Cell }
    const others = before.cells.filter(({ deviceId }) => deviceId !== control.deviceId)
    const at = before.cells.findIndex(({ deviceId }) => deviceId === control.deviceId)
    after.set(sound.id, { ...before, cells: at < 0 ? [...others, said] : before.cells.with(at, said) })
  }
  const changes = [...after].flatMap(([id, sound]): Change[] => {
    const before = own(rig.sounds, id)!
    return dequal(before, sound) ? [] : [change('sounds', id, before, sound)]
  })
  return changes.length === 0 ? null : { label: 'timeInSounds', changes }
}
