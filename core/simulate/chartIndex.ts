import { own } from '#core/base'
import { addressKey, allControls } from '#core/chart'
import { pedalController, arrivesAt } from '#core/pedal'
import { perTables, type Rig, type Control, type Preset, type ControlId } from '#core/rig'

/** What a simulated device knows of itself beyond its numbering. */
export interface DeviceChart {
  /** Its controls by what is sent for them: "cc/21", "nrpn/12588". */
  readonly controls: ReadonlyMap<string, Control>
  /** Its known presets by index. */
  readonly presets: ReadonlyMap<number, Preset>
  /** Controls that some preset puts at a value. */
  readonly recalled: readonly ControlId[]
  /** Controls it has been told to let a controller number lead, and what each makes of a value: for pedals. */
  readonly followers: ReadonlyMap<number, readonly Follower[]>
}

export interface Follower {
  readonly control: Control
  readonly takes: (value: number) => number
}

export const EMPTY_CHART: DeviceChart = {
  controls: new Map(),
  presets: new Map(),
  recalled: [],
  followers: new Map(),
}

const charts = perTables(['controls', 'presets', 'pedals'], (rig: Rig): ReadonlyMap<string, DeviceChart> => {
  interface Made {
    controls: Map<string, Control>
    presets: Map<number, Preset>
    recalled: ControlId[]
    followers: Map<number, Follower[]>
  }
  const all = new Map<string, Made>()
  const of = (deviceId: string): Made => {
    const chart: Made = all.get(deviceId) ?? {
      controls: new Map(),
      presets: new Map(),
      recalled: [],
      followers: new Map(),
    }
    all.set(deviceId, chart)
    return chart
  }
  for (const control of allControls(rig)) {
    const { controls } = of(control.deviceId)
    const key = addressKey(control.address)
    if (!controls.has(key)) controls.set(key, control)
  }
  for (const preset of Object.values(rig.presets)) {
    const { presets, recalled } = of(preset.deviceId)
    presets.set(preset.index, preset)
    for (const { controlId } of preset.recalls) if (!recalled.includes(controlId)) recalled.push(controlId)
  }
  for (const pedal of Object.values(rig.pedals)) {
    // In the device's own jack a pedal leads no number: what it does is no matter of messages.
    if (pedalController(pedal) === null) continue
    for (const target of pedal.roles.flatMap(({ targets }) => targets)) {
      const control = own(rig.controls, target.controlId)
      const number = target.number ?? (control?.address.kind === 'cc' ? control.address.number : null)
      if (!control || number === null || (target.number === null && target.device === null)) continue
      const { followers } = of(control.deviceId)
      const there: readonly Follower[] = followers.get(number) ?? []
      if (there.some((one) => one.control.id === control.id)) continue
      const takes = (value: number) => arrivesAt(target, control, value)
      followers.set(number, [...there, { control, takes }])
    }
  }
  return all
})

/** A control that a message is for, with the value the device makes of what it is sent. */
export interface Read {
  readonly control: Control
  readonly value: number
}

/** What a device does at a value of a controller number: its own control, or those it was told to let that number lead. */
export function readBy(chart: DeviceChart, controller: number, value: number): readonly Read[] {
  const control = chart.controls.get(`cc/${controller}`)
  const followers = chart.followers.get(controller) ?? []
  // One told to keep to part of its range makes that of whatever comes on its number.
  const isLed = control === undefined || followers.some((one) => one.control.id === control.id)
  const led = followers.map((one): Read => ({ control: one.control, value: one.takes(value) }))
  return isLed ? led : [{ control, value }, ...led]
}

/** The same by the device's id. */
export const readAt = (rig: Rig, deviceId: string, controller: number, value: number): readonly Read[] =>
  readBy(chartOf(rig, deviceId), controller, value)

/** What a device knows of itself; empty for one without a chart. */
export const chartOf = (rig: Rig, deviceId: string): DeviceChart => charts(rig).get(deviceId) ?? EMPTY_CHART
