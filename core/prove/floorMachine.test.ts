import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { made } from '../explore/machine'
import { seeded } from '../base/seeded'
import { floorMachine } from './floorMachine'
import { lampRigs } from './makeLampRigs'
import { makeMove, movesAt, restingStart } from './moves'
import { partOf, placeOf } from './parts'

describe('a floor as a machine', () => {
  it('goes where the simulated floor goes, move for move: 40 moves on each of 150 rigs', () => {
    let [made_, open] = [0, 0]
    fc.assert(
      fc.property(lampRigs, fc.integer({ min: 1, max: 2 ** 31 - 1 }), (rig, seed) => {
        const floor = floorMachine(rig)
        const { machine, places, partAt, values, labels, beyond } = floor
        if (beyond.size > 0) open++
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
          if (moves.length === 0) return
          const at = Math.floor(random() * moves.length)
          state = makeMove(rig, state, moves[at]!.move, moves[at]!.footswitch).state
          // Of the banks before, one is told apart: what is further back is forgotten here.
          ours = made(machine, ours, machine.moves[ours.place]![at]!)
          if (places[ours.place] !== placeOf(rig, state)) return
          expect(told()).toEqual(true_())
          made_++
        }
      }),
      { numRuns: 150, seed: 16_2026 },
    )
    expect(made_).toBeGreaterThan(3000)
    expect(open).toBeLessThan(10)
  }, 300_000)
})
