import { inOrder, type Rig, type SoundId } from '#core/rig'
import { outlineBetween, roughOf, weightOf, type Outline } from './between'
import { soundDevices } from './cells'
import { seen, type Seen } from './leftover'
import { sendingOf } from './sending'
import { wantsOf, type Want } from './want'

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
  const count = sounds.length
  const matrix = {
    ids: sounds.map(({ id }) => id),
    rough: new Float32Array(count ** 2),
    hole: new Float32Array(count ** 2),
    jump: new Float32Array(count ** 2).fill(Number.NaN),
    left: new Uint16Array(count ** 2),
  }
  const wants = sounds.map((sound) => [...wantsOf(rig, sound).values()])
  const lost = sounds.map((sound) => sendingOf(rig, sound, controller).lost.length)
  const tables = soundDevices(rig).map((device, d) =>
    tableOf(
      wants.map((row) => row[d]!),
      (want) => seen(rig, device, want),
      (from, to, into) => outlineBetween(device, from, to, into),
    ),
  )
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++)
      if (row !== column) fill(matrix, row * count + column, tables, row, column, lost[column]!)
  return matrix
}

/** What lies between the wants of one device, in numbers: each pair of different wants once. */
interface DeviceTable {
  /** Which of the different wants a sound has. */
  readonly at: Uint16Array
  readonly size: number
  readonly weight: Float64Array
  readonly ms: Float64Array
  readonly jump: Float64Array
  readonly left: Uint16Array
  readonly unknown: Uint16Array
}

/** Equal wants of a device are one object. */
function tableOf(
  wants: readonly Want[],
  look: (want: Want) => Seen,
  compare: (from: Seen, to: Seen, into: Outline) => void,
): DeviceTable {
  const kinds = [...new Set(wants)]
  const number = new Map(kinds.map((want, n) => [want, n]))
  const all = kinds.map(look)
  const [size, squared] = [kinds.length, kinds.length ** 2]
  const table: DeviceTable = {
    at: Uint16Array.from(wants, (want) => number.get(want)!),
    size,
    weight: new Float64Array(squared),
    ms: new Float64Array(squared),
    jump: new Float64Array(squared),
    left: new Uint16Array(squared),
    unknown: new Uint16Array(squared),
  }
  const into: Outline = { leftovers: 0, unknown: 0, gap: null, jump: null }
  all.forEach((from, a) =>
    all.forEach((to, b) => {
      compare(from, to, into)
      const { gap, jump, leftovers, unknown } = into
      const n = a * size + b
      table.weight[n] = weightOf(gap)
      table.ms[n] = gap?.ms ?? 0
      table.jump[n] = jump ?? Number.NaN
      table.left[n] = leftovers
      table.unknown[n] = unknown
    }),
  )
  return table
}

/** The same as `tally`, on numbers: this is done for every pair of sounds. */
function fill(
  matrix: Matrix,
  n: number,
  tables: readonly DeviceTable[],
  row: number,
  column: number,
  lost: number,
): void {
  let weight = 0
  let ms = 0
  let jump = Number.NaN
  let left = 0
  let unknown = 0
  for (const table of tables) {
    const at = table.at[row]! * table.size + table.at[column]!
    if (table.weight[at]! > weight) {
      weight = table.weight[at]!
      ms = table.ms[at]!
    }
    const by = table.jump[at]!
    if (by === by && !(Math.abs(by) <= Math.abs(jump))) jump = by
    left += table.left[at]!
    unknown += table.unknown[at]!
  }
  matrix.hole[n] = ms
  matrix.jump[n] = jump
  matrix.left[n] = left + lost
  matrix.rough[n] = roughOf(weight, Number.isNaN(jump) ? 0 : jump, left + lost, unknown)
}
