import type { DumpMessage } from '../../rig/table/dump'
import { hearDump, type StandInDevice } from '../simulatedBox'

/** A message of data between F0 and F7. */
export const makeMessage = (data: readonly number[], ms: number | null = 0): DumpMessage => ({
  hex: [0xf0, ...data, 0xf7].map((byte) => byte.toString(16).toUpperCase().padStart(2, '0')).join(''),
  ms,
})

/** A simulated device that holds these presets, with unit number 3. */
export const makeStandIn = (presets: readonly (readonly number[])[]): StandInDevice => ({
  unit: 3,
  presets,
  loses: null,
  count: 0,
  busyUntil: Number.NEGATIVE_INFINITY,
})

/** A bank of presets drawn by lot. */
export const makeBank = (random: () => number, count: number, length: number): number[][] =>
  Array.from({ length: count }, () => Array.from({ length }, () => Math.floor(random() * 128)))

/** All it sends when asked for everything, as pieces with their times. */
export function dumpOf(device: StandInDevice) {
  const ask = Uint8Array.from([0xf0, 0x7d, device.unit, 0x11, 0x7f, 0xf7])
  return hearDump(device, ask, 0).answers.map(({ bytes, ms }) => ({ bytes, at: 1000 + ms }))
}
