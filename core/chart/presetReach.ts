import { addressOf, findPreset, perTables, inOrder, type Rig, type PresetId, type Device } from '#core/rig'
import { actionRecalls, switchRecalls, COMPILE_KEYS, reasonAgainst } from '#core/switching'

/** A run of a device's presets, both ends included, counted from 0, that the controller cannot send. */
export interface Unreachable {
  readonly from: number
  readonly to: number
  readonly why: 'listStops' | 'noBankSelect'
}

/** Which presets of a device the first controller cannot send, and why. */
export function unreachablePresets(rig: Rig, { numbering }: Device): Unreachable[] {
  const [controller] = inOrder(rig.controllers)
  if (!controller) return []
  const runs: { from: number; to: number; why: Unreachable['why'] }[] = []
  for (let index = 0; index < numbering.count; index++) {
    const { bank, program } = addressOf(numbering, index)
    const why = reasonAgainst(controller, bank, program)
    const last = runs.at(-1)
    if (why && last?.why === why && last.to === index - 1) last.to = index
    else if (why) runs.push({ from: index, to: index, why })
  }
  return runs
}

/** The lowest preset of a device nobody has named or used, from `after` + 1 on, then from 0; null when all are. */
export function nextFreePreset(rig: Rig, device: Device, after = -1): number | null {
  const used = new Set(
    Object.values(rig.presets).flatMap(({ deviceId, index }) => (deviceId === device.id ? [index] : [])),
  )
  const { count } = device.numbering
  for (let n = 0; n < count; n++) {
    const index = (after + 1 + n) % count
    if (!used.has(index)) return index
  }
  return null
}

/** The presets that some switch or sound recalls. */
export const usedPresets = perTables(
  [...COMPILE_KEYS, 'switches'],
  (rig: Rig): ReadonlySet<PresetId> =>
    new Set(
      [
        ...Object.values(rig.switches).flatMap((one) => switchRecalls(rig, one)),
        ...Object.values(rig.sounds).flatMap(({ id }) =>
          actionRecalls(rig, { kind: 'recallSound', soundId: id }),
        ),
      ].flatMap(({ deviceId, index }) => findPreset(rig, deviceId, index)?.id ?? []),
    ),
)
