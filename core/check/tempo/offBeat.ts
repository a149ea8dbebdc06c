import { own } from '#core/base'
import { shownText, type Rig, highestValue, type Division } from '#core/rig'
import { isOffBeat, timeInSounds, timesInSounds } from '#core/sound'
import type { FindingOf } from '../finding'

export type OffBeat = FindingOf<
  'offBeat',
  {
    readonly sound: string
    readonly device: string
    readonly control: string
    readonly bpm: number
    readonly division: Division
    /** As the device shows it, now and at the nearest value. */
    readonly shown: string
    readonly nearest: string
    readonly value: number
    /** Longer than the note value is more than 0, in ms. */
    readonly offMs: number
    readonly errorMs: number
  }
>

/** A sound with a tempo that sets a time which is not the note value the control is kept at. */
export const offBeat = (rig: Rig): OffBeat[] =>
  timesInSounds(rig)
    .filter(isOffBeat)
    .map((one): OffBeat => {
      const { sound, control, bpm, division, value, offMs, nearest } = one
      const text = (at: number) => shownText(control.reading, at, highestValue(control.address))
      const fix = timeInSounds(rig, [one])
      return {
        code: 'offBeat',
        severity: 'warning',
        about: { table: 'sounds', id: sound.id, field: `cells.${control.deviceId}` },
        facts: {
          sound: sound.name,
          device: own(rig.devices, control.deviceId)?.name ?? '',
          control: control.name,
          bpm,
          division,
          shown: text(value!),
          nearest: text(nearest!.value),
          value: nearest!.value,
          offMs: offMs!,
          errorMs: nearest!.errorMs,
        },
        ...(fix && { fix }),
      }
    })
