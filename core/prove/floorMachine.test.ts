import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { held } from '#testing/held'
import { generated, runs } from '#testing/runs'
import { made } from '../explore/machine'
import { own } from '../base/own'
import { seeded } from '../base/seeded'
import type { Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import { floorMachine } from './floorMachine'
import { lampRigs } from './testing/makeLampRigs'
import { makeMove, movesAt, restingStart } from './moves'
import { partOf, placeOf } from './parts'

/** Moves made at random on the simulated floor and on its machine, as long as both are told apart; how many. */
function walked(rig: Rig, seed: number): number {
  const { machine, places, partAt, values, labels, beyond } = floorMachine(rig)
  // Too much may decide what becomes of a part where messages are lost: that is said, and nothing of it claimed.
  const known = partAt.flatMap((part, n) => (beyond.has(part) ? [] : [[part, n] as const]))
  const random = seeded(seed)
  let state = restingStart(rig)
  let ours = machine.start
  const told = () => Object.fromEntries(known.map(([part, n]) => [part, values[n]![ours.values[n]!]]))
  const true_ = () => Object.fromEntries(known.map(([part]) => [part, partOf(state, part)]))
  for (let n = 0; n < 40; n++) {
    const moves = movesAt(rig, state)
    expect(machine.moves[ours.place]!.map((move) => labels.get(move)!.move)).toEqual(
      moves.map(({ move }) => move),
    )
    if (moves.length === 0) return n
    const at = Math.floor(random() * moves.length)
    state = makeMove(rig, state, moves[at]!.move, moves[at]!.footswitch).state
    // Of the banks before, one is told apart: what is further back is forgotten here.
    ours = made(machine, ours, machine.moves[ours.place]![at]!)
    if (places[ours.place] !== placeOf(rig, state)) return n
    expect(told()).toEqual(true_())
  }
  return 40
}

const anySeed = fc.integer({ min: 1, max: 2 ** 31 - 1 })

describe('a floor as a machine', () => {
  it('goes where the simulated floor goes, move for move: 40 moves on each generated rig', () => {
    let [moves, open] = [0, 0]
    held(
      fc.property(lampRigs, anySeed, (rig, seed) => {
        if (floorMachine(rig).beyond.size > 0) open++
        moves += walked(rig, seed)
      }),
      generated(150, 16_2026),
      [
        { seed: 16_2026, path: '81' },
        { seed: 16_2026, path: '59' },
      ],
    )
    expect(moves).toBeGreaterThan(runs(3000))
    expect(open).toBeLessThan(runs(10))
  })

  it.each<readonly [string, Action]>([
    ['hangs on the show', { kind: 'showStep', to: 'nextPart', songId: null }],
    ['it set itself', { kind: 'setControl', controlId: 'a-x' as never, value: 127 }],
  ])('does the same where a list goes by what it made of something that %s: generated rigs', (_, before) => {
    const positions = [
      [before, { kind: 'alternateControl' as const, controlId: 'a-x' as never, a: 127, b: 0 }],
    ]
    let moves = 0
    fc.assert(
      fc.property(lampRigs, anySeed, (rig, seed) => {
        const first = own(rig.switches, 'one-1')!
        moves += walked({ ...rig, switches: { ...rig.switches, 'one-1': { ...first, positions } } }, seed)
      }),
      generated(60, 23_2026),
    )
    expect(moves).toBeGreaterThan(runs(1000))
  })
})
