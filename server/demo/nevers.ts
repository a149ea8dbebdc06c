import { own } from '#core/base'
import { addRow, type Edit, type NeverId, type Preset, type Rig, type Thing } from '#core/rig'

/** What must never come together in this pit, by device and preset: a hollow body in a boosted amp, plucked notes in the long hall. */
const TOGETHER = [
  [
    ['preamp', 'Upright'],
    ['relay', 'Drive, boost'],
  ],
  [
    ['preamp', 'Pizzicato'],
    ['reverb', 'Drowned hall'],
  ],
] as const

const presetOf = (rig: Rig, deviceId: string, name: string): Preset | undefined =>
  Object.values(rig.presets).find((one) => one.deviceId === deviceId && one.name === name)

export const neverSteps: readonly ((rig: Rig) => Edit | null)[] = TOGETHER.map((pair, n) => (rig: Rig) => {
  const things = pair.flatMap(([deviceId, name]): Thing[] => {
    const preset = own(rig.devices, deviceId) && presetOf(rig, deviceId, name)
    return preset ? [{ kind: 'preset', presetId: preset.id }] : []
  })
  return things.length === pair.length
    ? addRow('addNever', 'nevers', { id: `never-${n + 1}` as NeverId, order: n + 1, things })
    : null
})
