import { own } from '#core/base'
import { inOrder, type Rig, ABOUT_ID, type Device, isOffPreset } from '#core/rig'
import { presetText, setText, mayStay, presetOrParameter, type Be, type Want } from '#core/sound'
import { withCell } from './withCell'
import { soundCells, type SoundCell } from './soundCells'
import type { FindingOf } from '../finding'

export type AvoidableHole = FindingOf<
  'avoidableHole',
  {
    readonly device: string
    readonly from: string
    readonly to: string
    readonly presets: readonly [string, string]
    readonly settings: number
    readonly ms: number
    /** What would be sent instead: "Mix 35 %". */
    readonly stay: string
    /** Sent alone, so that it is only right in that preset; else behind its recall. */
    readonly isAlone: boolean
  }
>

/** Two presets that differ in a few settings, on a device that is silent while it changes them. */
export function avoidableHole(rig: Rig): AvoidableHole[] {
  const school = own(rig.about, ABOUT_ID)?.school ?? 'absolute'
  const [controller] = inOrder(rig.controllers)
  const byDevice = new Map<Device, SoundCell[]>()
  for (const cell of soundCells(rig))
    // An empty preset is there to be silent.
    if (cell.want.kind === 'be' && cell.want.preset !== null && !isOffPreset(cell.device, cell.want.preset))
      byDevice.set(cell.device, [...(byDevice.get(cell.device) ?? []), cell])
  return [...byDevice].flatMap(([device, cells]): AvoidableHole[] => {
    const isAudible = device.gap.heard === 'clear' || (school === 'songPreset' && device.gap.heard !== 'none')
    if (!isAudible) return []
    const told = new Set<string>()
    const seenWants = new Set<Want>()
    const firsts: SoundCell[] = []
    return cells.flatMap((to): AvoidableHole[] => {
      // Equal wants say the same: each is looked at once, in the first sound that says it itself.
      if (!to.isOwn || seenWants.has(to.want)) return []
      seenWants.add(to.want)
      const from = firsts.find(
        ({ want }) =>
          mayStay(want as Be, to.want as Be) &&
          presetOrParameter(rig, device, want, to.want, school, controller)?.verdict === 'stay',
      )
      firsts.push(to)
      if (!from) return []
      const [before, after] = [(from.want as Be).preset!, (to.want as Be).preset!]
      // There and back is one thing to say.
      const key = [before, after].sort((a, b) => a - b).join('/')
      if (told.has(key)) return []
      told.add(key)
      const { stay, settings } = presetOrParameter(rig, device, from.want, to.want, school, controller)!
      const presetId = from.sound.cells.find(({ deviceId }) => deviceId === device.id)?.cell
      const cell =
        stay?.kind === 'values'
          ? stay
          : presetId?.kind === 'preset' && stay?.kind === 'preset'
            ? { kind: 'preset' as const, presetId: presetId.presetId, values: [...stay.values] }
            : null
      return [
        {
          code: 'avoidableHole',
          severity: 'hint',
          about: { table: 'sounds', id: to.sound.id, field: `cells.${device.id}` },
          facts: {
            device: device.name,
            from: from.sound.name,
            to: to.sound.name,
            presets: [presetText(rig, device, before), presetText(rig, device, after)],
            settings: settings!,
            ms: device.gap.ms,
            stay:
              stay && 'values' in stay ? stay.values.map((one) => setText(rig, device, one)).join(', ') : '',
            isAlone: stay?.kind === 'values',
          },
          ...(cell && { fix: withCell(rig, to.sound, device.id, cell) }),
        },
      ]
    })
  })
}
