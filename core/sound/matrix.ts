import { inOrder, type Rig } from '../rig/rig'
import type { SoundId } from '../rig/table/sound'
import type { DeviceId } from '../rig/table/device'
import { deviceBetween, tally, type DeviceBetween } from './between'
import { soundDevices } from './cells'
import { sendingOf } from './sending'
import { wantsOf } from './want'

/** How rough it is from every sound to every other; row by row, the sound come from first. */
export interface Matrix {
  readonly ids: readonly SoundId[]
  /** 0-1, {@link Matrix.ids}.length squared; the diagonal is 0. */
  readonly rough: Float32Array
  /** Longest silence or dip in ms, largest change of level (NaN when none is known), things left over or lost. */
  readonly hole: Float32Array
  readonly jump: Float32Array
  readonly left: Uint16Array
}

/** All pairs of sounds, in the order of the sounds. */
export function soundMatrix(rig: Rig): Matrix {
  const sounds = inOrder(rig.sounds)
  const [controller] = inOrder(rig.controllers)
  const size = sounds.length ** 2
  const matrix = {
    ids: sounds.map(({ id }) => id),
    rough: new Float32Array(size),
    hole: new Float32Array(size),
    jump: new Float32Array(size).fill(Number.NaN),
    left: new Uint16Array(size),
  }
  const devices = soundDevices(rig)
  const wants = sounds.map((sound) => [...wantsOf(rig, sound).values()])
  const lost = sounds.map((sound) => sendingOf(rig, sound, controller).lost.length)
  const pair = devices.map(({ id }) => [id, null as never] as [DeviceId, DeviceBetween])
  sounds.forEach((from, row) =>
    sounds.forEach((to, column) => {
      if (from === to) return
      const at = row * sounds.length + column
      devices.forEach((device, d) => {
        pair[d]![1] = deviceBetween(rig, device, wants[row]![d]!, wants[column]![d]!)
      })
      const { rough, hole, jump, leftovers } = tally(pair, lost[column]!)
      matrix.rough[at] = rough
      matrix.hole[at] = hole?.gap.ms ?? 0
      matrix.jump[at] = jump?.by ?? Number.NaN
      matrix.left[at] = leftovers + lost[column]!
    }),
  )
  return matrix
}
