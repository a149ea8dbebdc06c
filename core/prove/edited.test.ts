import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import type { Rig } from '../rig/rig'
import type { Footswitch } from '../rig/table/switch'
import { floorMachine } from './floorMachine'
import { lampRigs } from './testing/makeLampRigs'
import { proofOf } from './proof'

/** All that is told, but for which of several runs of one length shows it. */
const told = (rig: Rig): string[] =>
  [...proofOf(rig)].map(({ line, about, verdict }) =>
    [
      line,
      about.id,
      verdict.kind,
      ...(verdict.kind === 'fails' ? [verdict.fault.kind, verdict.moves.length] : []),
      ...(verdict.kind === 'holds' ? [verdict.presses] : []),
    ].join(' '),
  )

/** The same of a rig that nothing was worked out of before. */
const afresh = (rig: Rig): string[] => told(structuredClone(rig))

describe('after an edit', () => {
  it('as much is proven as of a rig that was never looked at before: generated chains of six edits', () => {
    let isOther = 0
    fc.assert(
      fc.property(
        lampRigs,
        lampRigs,
        fc.array(fc.nat(), { minLength: 6, maxLength: 6 }),
        (first, other, picks) => {
          let rig = first
          let before = told(rig)
          for (const pick of picks) {
            const ids = Object.keys(rig.switches)
            const id = ids[pick % ids.length]!
            const from = Object.values(other.switches)[(pick >> 4) % Object.keys(other.switches).length]!
            const own = rig.switches[id] as Footswitch
            // Something else on the switch, its group or its place taken from another, or nothing on it.
            const { positions, release, doublePress, group, lamps } = from
            const changed: Partial<Footswitch> =
              pick % 5 === 0
                ? { group }
                : pick % 5 === 1
                  ? { positions: [[]] }
                  : pick % 5 === 2
                    ? { positions, lamps }
                    : { positions, release, doublePress, group, lamps }
            rig = { ...rig, switches: { ...rig.switches, [id]: { ...own, ...changed } } }
            const now = told(rig)
            expect(now).toEqual(afresh(rig))
            if (now.join() !== before.join()) isOther++
            before = now
          }
        },
      ),
      { ...generated(60, 27_2026), endOnFailure: true },
    )
    expect(isOther).toBeGreaterThan(runs(80))
  })

  it('the tables are those of a rig that was never looked at before, also after a bank is edited', () => {
    fc.assert(
      fc.property(lampRigs, lampRigs, (first, other) => {
        const tables = (rig: Rig) => {
          const { machine, places, partAt, values } = floorMachine(rig)
          return JSON.stringify([
            machine.moves,
            machine.start,
            places,
            partAt,
            values.map((all) => all.length),
          ])
        }
        tables(first)
        const edited: Rig = { ...first, banks: other.banks }
        expect(tables(edited)).toBe(tables(structuredClone(edited)))
        const back: Rig = { ...first }
        expect(tables(back)).toBe(tables(structuredClone(back)))
      }),
      generated(60, 28_2026),
    )
  })
})
