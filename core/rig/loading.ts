import { bankHalf, type MidiMessage } from '#core/midi'
import type { Device } from './table/device'

/** How long a device takes to load what it recalls, in µs from the end of the program change. */
export const loadsFor = ({ deafMs }: Pick<Device, 'deafMs'>): number => deafMs * 1000

/** How long of that it loses controls, in µs: 0 for one that keeps what comes meanwhile. */
export const deafFor = (device: Pick<Device, 'deafMs' | 'whileDeaf'>): number =>
  device.whileDeaf === 'loses' ? loadsFor(device) : 0

/**
 * Whether a device that is deaf loses a message: controls are lost, the next recall (bank select and program change) is
 * still heard (common practice).
 */
export const isLostWhileLoading = (message: MidiMessage): boolean =>
  message.kind === 'control' && bankHalf(message) === null
