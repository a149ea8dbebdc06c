import { own } from '#core/base'
import { shownText, highestValue, type DeviceId, type Rig } from '#core/rig'

/** One line of what an action does: who does what. */
export interface ActionLine {
  /** The device, or which it is among the lines of its action. */
  readonly key: string
  readonly device: string
  /** As the device shows it, with its name: "B4 Dotted eighth". */
  readonly state: string
  /** The foot does it: nothing is sent, and nothing is meant to be. */
  readonly isByFoot: boolean
}

/** How an action of one kind is said. */
export interface ActionText<Action> {
  /** What it is called in lists to choose from. */
  readonly name: string
  /** What it does in whole, a line for each device. */
  readonly lines: (rig: Rig, action: Action) => readonly ActionLine[]
  /** It is about one thing, whose name says it in a list: its kind and `short`. */
  readonly isOneThing?: true
  /** The same in two or three words; empty for one that is nothing to a player. */
  readonly short: (rig: Rig, action: Action) => string
}

export const controlName = (rig: Rig, id: string): string => own(rig.controls, id)?.name || 'a control'
export const deviceName = (rig: Rig, id: string): string => own(rig.devices, id)?.name || 'a device'

/** A line about a device. */
export function deviceLine(rig: Rig, deviceId: DeviceId | undefined, state: string): readonly ActionLine[] {
  const device = own(rig.devices, deviceId ?? '')
  return device ? [{ key: device.id, device: device.name, state, isByFoot: false }] : []
}

/** A line about what the controller does by itself. */
export const ownLine = (device: string, state: string): readonly ActionLine[] => [
  { key: device, device, state, isByFoot: false },
]

/** A line about a control: what it is called, and what becomes of it. */
export function controlLine(
  rig: Rig,
  controlId: string,
  say: (shown: (value: number) => string) => string,
): readonly ActionLine[] {
  const control = own(rig.controls, controlId)
  if (!control) return []
  const highest = highestValue(control.address)
  const shown = (value: number) => shownText(control.reading, Math.min(value, highest), highest)
  return deviceLine(rig, control.deviceId, `${control.name} ${say(shown)}`.trim())
}
