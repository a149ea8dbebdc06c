import type { Channel } from '#core/base'
import type { MidiMessage } from '#core/midi'
import { arrivals, receivers, CABLING, perTables, type Rig, type Device } from '#core/rig'

/** A device that a controller's messages reach, as the cables and settings are now. */
export interface Listener {
  readonly device: Device
  /** The output it hears; the same for all unless the controller keeps its outputs apart. */
  readonly lane: string
  /** The channels that come through to it. */
  readonly channels: readonly Channel[]
  /** Whether clock, start, continue and stop come through. */
  readonly clock: boolean
}

const byController = perTables(CABLING, (rig: Rig) => {
  const known = new Map<string, readonly Listener[]>()
  for (const { id, separateOutputs } of Object.values(rig.controllers)) {
    const reached = arrivals(rig, id)
    known.set(
      id,
      receivers(rig).flatMap((device) => {
        const arrival = reached.get(device.id)
        return arrival
          ? [
              {
                device,
                lane: separateOutputs ? arrival.out : '',
                channels: arrival.channels,
                clock: arrival.clock,
              },
            ]
          : []
      }),
    )
  }
  return known
})

/** Who hears a controller, in the order of the devices. */
export const listeners = (rig: Rig, controllerId: string): readonly Listener[] =>
  byController(rig).get(controllerId) ?? []

/** Whether a device answers to a message that comes to it: on its channel, and program changes only when it obeys them. */
export const answers = ({ device, channels, clock }: Listener, message: MidiMessage): boolean =>
  (!('channel' in message) && (clock || !CLOCKED.has(message.kind))) ||
  ('channel' in message &&
    (device.channel === 'omni' || device.channel === message.channel) &&
    channels.includes(message.channel) &&
    (message.kind !== 'program' || device.receivesPrograms))

const CLOCKED: ReadonlySet<MidiMessage['kind']> = new Set(['clock', 'start', 'continue', 'stop'])
