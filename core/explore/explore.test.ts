import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { held } from '#testing/held'
import { generated, runs } from '#testing/runs'
import { LEFT, made, type Machine, type State } from './machine'
import { machines } from './testing/makeMachines'
import { isAlways, type Need } from './need'
import { project, wayTo } from './project'
import { refinedRun } from './refine'
import { exploreWhole } from './wholeStates'

/** Every state, with the fewest moves to it: the plainest search there is, on text. It reads tables by itself. */
function byHand(machine: Machine): ReadonlyMap<string, number> {
  const key = ({ place, values }: State) => `${place}:${values.join()}`
  const row = (reads: readonly number[], values: readonly number[]) => {
    let n = 0
    for (const read of reads) n = n * machine.sizes[read]! + values[read]!
    return n
  }
  const depths = new Map([[key(machine.start), 0]])
  let states: State[] = [machine.start]
  for (let depth = 1; states.length > 0; depth++) {
    const next: State[] = []
    for (const { place, values } of states)
      for (const { effects, jump } of machine.moves[place]!) {
        const after = values.slice()
        for (const { component, reads, table } of effects) {
          const value = table[row(reads, values)]!
          if (value !== LEFT) after[component] = value
        }
        const to = jump ? jump.table[row(jump.reads, values)]! : LEFT
        const state = { place: to === LEFT ? place : to, values: after }
        if (depths.has(key(state))) continue
        depths.set(key(state), depth)
        next.push(state)
      }
    states = next
  }
  return depths
}

const stateOf = (key: string): State => {
  const [place, values] = key.split(':') as [string, string]
  return { place: Number(place), values: values.split(',').map(Number) }
}

describe('the states a machine can come to', () => {
  it('are those a plain search comes to, each with as few moves: generated machines', () => {
    let states = 0
    fc.assert(
      fc.property(machines, (machine) => {
        const plain = byHand(machine)
        const wanted = [...plain].map(([key]) => {
          const text = JSON.stringify(stateOf(key))
          return (state: State) => JSON.stringify(state) === text
        })
        const whole = exploreWhole(machine, wanted)!
        expect(whole.states).toBe(plain.size)
        expect(whole.runs.map((run) => run!.length)).toEqual([...plain.values()])
        // Each run, made move by move, ends where it should.
        const ends = whole.runs.map((run) =>
          run!.reduce((state, move) => made(machine, state, move), machine.start),
        )
        expect(ends).toEqual([...plain.keys()].map(stateOf))
        states += plain.size
      }),
      generated(1000, 16_2026),
    )
    expect(states).toBeGreaterThan(runs(10_000))
  })

  it('are too many to be numbered for a machine of 2^40', () => {
    const machine: Machine = {
      sizes: Array.from({ length: 40 }, () => 2),
      moves: [[]],
      start: { place: 0, values: Array.from({ length: 40 }, () => 0) },
    }
    expect(exploreWhole(machine)).toBeNull()
  })
})

describe('a machine seen through some of its components', () => {
  it('comes to all that the machine comes to, and no later: generated machines', () => {
    let exact = 0
    fc.assert(
      fc.property(machines, fc.nat(), (machine, seed) => {
        const kept = machine.sizes.map((_, n) => n).filter((n) => ((seed >> n) & 1) === 1)
        const projection = project(machine, kept)!
        const seen = new Map(projection.met.map((state, n) => [state, projection.distance[n]!]))
        const nearest = new Map<number, number>()
        for (const [key, depth] of byHand(machine)) {
          const { place, values } = stateOf(key)
          const row = kept.reduce((sum, one) => sum * machine.sizes[one]! + values[one]!, 0)
          const state = place * projection.width + row
          nearest.set(state, Math.min(depth, nearest.get(state) ?? depth))
        }
        for (const [state, depth] of nearest) {
          expect(seen.has(state)).toBe(true)
          expect(seen.get(state)!).toBeLessThanOrEqual(depth)
        }
        // Through all of them it is the machine itself.
        if (kept.length !== machine.sizes.length) return
        exact++
        expect(new Map([...seen])).toEqual(nearest)
      }),
      generated(2000, 17_2026),
    )
    expect(exact).toBeGreaterThan(runs(50))
  })
})

describe('the fewest moves to something', () => {
  it('are as few as a plain search needs, or none where it never comes about: generated questions', () => {
    const count = { run: 0, never: 0, unknown: 0, straight: 0 }
    held(
      fc.property(machines, fc.nat(), fc.nat(), (machine, seed, wish) => {
        const kept = machine.sizes.map((_, n) => n).filter((n) => ((seed >> n) & 1) === 1)
        const all = machine.sizes.map((_, n) => n)
        // A place and the value of one or two components.
        const [a, b] = [wish % all.length, (wish >> 3) % all.length]
        const place = (wish >> 6) % machine.moves.length
        const want = (component: number) => (wish >> (8 + component)) % machine.sizes[component]!
        const isWanted = (state: State) =>
          state.place === place && state.values[a] === want(a) && state.values[b] === want(b)
        const projection = project(machine, kept)!
        const goals = projection.met.flatMap((state, n) => {
          if (Math.floor(state / projection.width) !== place) return []
          let rest = state % projection.width
          for (const component of [...kept].reverse()) {
            const value = rest % machine.sizes[component]!
            rest = Math.floor(rest / machine.sizes[component]!)
            if ((component === a || component === b) && value !== want(component)) return []
          }
          return [n]
        })
        const found = refinedRun(machine, projection, goals, [], [a, b], isWanted, { states: 100_000 })
        const depths = [...byHand(machine)].filter(([key]) => isWanted(stateOf(key)))
        const fewest = depths.length === 0 ? null : Math.min(...depths.map(([, depth]) => depth))
        count[found.kind]++
        expect(found.kind).toBe(fewest === null ? 'never' : 'run')
        if (found.kind !== 'run') return
        expect(found.moves.length).toBe(fewest)
        expect(isWanted(found.moves.reduce((state, move) => made(machine, state, move), machine.start))).toBe(
          true,
        )
        if (JSON.stringify(wayTo(projection, goals[0]!)) === JSON.stringify(found.moves)) count.straight++
      }),
      generated(2000, 18_2026),
      [{ seed: 18_2026, path: '447' }],
    )
    expect(count.run).toBeGreaterThan(runs(500))
    expect(count.never).toBeGreaterThan(runs(300))
    // Some do not come out as the projection has them, and must be searched for.
    expect(count.run - count.straight).toBeGreaterThan(runs(50))
  })
})

describe('the fewest moves to something of which more is known', () => {
  it('are as few as a plain search needs, where needs are looked at one by one: generated questions', () => {
    const count = { run: 0, never: 0, unknown: 0 }
    fc.assert(
      fc.property(machines, fc.nat(), fc.nat({ max: 6 }), (machine, wish, below) => {
        const all = machine.sizes.map((_, n) => n)
        // Each of up to three components is to hold some of its values; the first is looked at from the start.
        const asked = [...new Set([wish % all.length, (wish >> 3) % all.length, (wish >> 6) % all.length])]
        const needs = asked.map((component): Need => ({
          component,
          isMet: Array.from(
            { length: machine.sizes[component]! },
            (_, value) => ((wish >> (9 + component + value)) & 1) === 1,
          ),
        }))
        const isMet = ({ component, isMet: met }: Need, state: State) => met[state.values[component]!]!
        const isWanted = (state: State) => needs.every((need) => isMet(need, state))
        const [first, ...others] = needs as [Need, ...Need[]]
        const coarse = project(machine, [first.component])!
        const goals = coarse.met.flatMap((state, n) => (first.isMet[state % coarse.width] ? [n] : []))
        const most = below === 0 ? Number.POSITIVE_INFINITY : below
        const found = refinedRun(machine, coarse, goals, others, asked, isWanted, { states: 1_000_000 }, most)
        const depths = [...byHand(machine)]
          .filter(([key]) => isWanted(stateOf(key)))
          .map(([, depth]) => depth)
        const fewest = Math.min(...depths, Number.POSITIVE_INFINITY)
        count[found.kind]++
        expect(found.kind).toBe(fewest < most ? 'run' : 'never')
        if (found.kind === 'run') expect(found.moves.length).toBe(fewest)
      }),
      generated(2000, 24_2026),
    )
    expect(count.run).toBeGreaterThan(runs(500))
    expect(count.never).toBeGreaterThan(runs(200))
  })

  it('is given up where it may not look further, and then no shorter run is there than it says', () => {
    let given = 0
    fc.assert(
      fc.property(machines, fc.nat(), fc.integer({ min: 0, max: 30 }), (machine, wish, states) => {
        const [component, other] = [wish % machine.sizes.length, (wish >> 3) % machine.sizes.length]
        const isWanted = ({ values }: State) => values[component] === 0 && values[other] === 1
        const coarse = project(machine, [])!
        const goals = coarse.met.map((_, n) => n)
        const found = refinedRun(machine, coarse, goals, [], [component, other], isWanted, { states })
        if (found.kind !== 'unknown') return
        given++
        const depths = [...byHand(machine)]
          .filter(([key]) => isWanted(stateOf(key)))
          .map(([, depth]) => depth)
        expect(Math.min(...depths, Number.POSITIVE_INFINITY)).toBeGreaterThanOrEqual(found.atLeast)
      }),
      generated(1000, 25_2026),
    )
    expect(given).toBeGreaterThan(runs(100))
  })
})

describe('what is plainly always so', () => {
  it('is so in every state of the machine: generated pairs', () => {
    let plain = 0
    fc.assert(
      fc.property(machines, fc.nat(), (machine, wish) => {
        const need = (shift: number): Need => {
          const component = (wish >> shift) % machine.sizes.length
          const isMet = Array.from(
            { length: machine.sizes[component]! },
            (_, value) => ((wish >> (shift + 4 + value)) & 1) === 1,
          )
          return { component, isMet }
        }
        const [one, other] = [need(0), need(9)]
        if (!isAlways(machine, one, other)) return
        const all = [...byHand(machine).keys()].map(stateOf)
        for (const { values } of all)
          if (one.isMet[values[one.component]!]) expect(other.isMet[values[other.component]!]).toBe(true)
        // Not because the first never is.
        if (all.some(({ values }) => one.isMet[values[one.component]!])) plain++
      }),
      generated(3000, 26_2026),
    )
    expect(plain).toBeGreaterThan(runs(50))
  })
})
