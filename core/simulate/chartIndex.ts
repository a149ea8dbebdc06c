import { addressKey } from '../chart/addressKey'
import { allControls } from '../chart/takeChart'
import { perTables } from '../rig/perTables'
import type { Rig } from '../rig/rig'
import type { Control } from '../rig/table/control'
import type { Preset } from '../rig/table/preset'

/** What a simulated device knows of itself beyond its numbering. */
export interface DeviceChart {
  /** Its controls by what is sent for them: "cc/21", "nrpn/12588". */
  readonly controls: ReadonlyMap<string, Control>
  /** Its known presets by index. */
  readonly presets: ReadonlyMap<number, Preset>
}

const EMPTY: DeviceChart = { controls: new Map(), presets: new Map() }

const charts = perTables(['controls', 'presets'], (rig: Rig): ReadonlyMap<string, DeviceChart> => {
  const all = new Map<string, { controls: Map<string, Control>; presets: Map<number, Preset> }>()
  const of = (deviceId: string) => {
    const chart = all.get(deviceId) ?? { controls: new Map(), presets: new Map() }
    all.set(deviceId, chart)
    return chart
  }
  for (const control of allControls(rig)) {
    const { controls } = of(control.deviceId)
    const key = addressKey(control.address)
    if (!controls.has(key)) controls.set(key, control)
  }
  for (const preset of Object.values(rig.presets)) of(preset.deviceId).presets.set(preset.index, preset)
  return all
})

/** The control of a device that a controller number is for. */
export const chartControl = (rig: Rig, deviceId: string, controller: number): Control | undefined =>
  chartOf(rig, deviceId).controls.get(`cc/${controller}`)

export const chartOf = (rig: Rig, deviceId: string): DeviceChart => charts(rig).get(deviceId) ?? EMPTY
