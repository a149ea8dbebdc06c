import { seeded } from '#core/base'
import { Annealer } from './anneal'
import { Breeder } from './breed'
import { linksOf } from './links'
import { matricesOf } from './matrices'
import { costOf, isPlacing, type Places, type Placing } from './placing'
import { Tabu } from './tabu'

/** The cheapest placing so far. */
export interface Found {
  readonly at: Places
  readonly cost: number
  /** Slices of work done. */
  readonly rounds: number
}

/** Beyond so many places full matrices cost more than they find: lists of pairs do. */
const DENSE = 128
/** Up to so many places good placings are bred. */
const SMALL = 40
/** What one slice may cost, in steps of the innermost loops: some 10 ms. */
const SLICE = 1_500_000

/**
 * Looks for a cheaper placing for as long as it is asked, slice by slice; each answer is at least as good as the one
 * before, the first is `start` itself. The same question and seed give the same answers, however fast the machine.
 *
 * Annealing and tabu search by turns: one gets over high ground, the other finds the last few percent on dense problems.
 * Each begins by turns from the best, from the best thrown about a little, and from nowhere, since a single long run is not
 * sure to get anywhere. On small problems good placings are bred. Throws RangeError where `start` is no placing.
 */
export function* improve(problem: Placing, start: Places, seed = 1): Generator<Found, never, void> {
  if (!isPlacing(problem, start, start))
    throw new RangeError(`Not a placing of ${problem.items} items: ${start}`)
  const random = seeded(seed)
  const links = linksOf(problem)
  const annealer = new Annealer(problem, links, start, random)
  const isDense = problem.places <= DENSE
  const matrices = isDense ? matricesOf(problem) : null
  const tabu = matrices && new Tabu(matrices, random)
  const breeder = tabu && problem.places <= SMALL ? new Breeder(matrices, tabu, random) : null
  /** Breeding knows no hurry: where there is one, only every other slice is bred. */
  const bred = problem.late > 0 && problem.pairs.some(({ within }) => within < Infinity) ? 2 : 16
  /** What one short search costs. */
  const small = 15 * problem.places ** 3
  let best = start.slice()
  let cost = costOf(problem, best)
  const take = (at: Places) => {
    const now = costOf(problem, at)
    if (now >= cost - 1e-9) return
    cost = now
    best = at.slice()
  }
  /** With hurry counted too, which the full matrices leave out. */
  const polished = (whole: Int32Array): Places => {
    const at = whole.subarray(0, problem.items)
    if (problem.late === 0) return at
    annealer.load(at)
    annealer.descend()
    return annealer.at
  }
  const perTrial = 4 + (2 * links.other.length) / Math.max(1, problem.items)
  /** How far one annealing goes; longer ones come later. */
  const trials = (round: number) =>
    Math.ceil((SLICE / perTrial) * (breeder ? 1 : Math.min(8, (isDense ? 1 : 0.3) + round / 16)))
  for (let rounds = 0; ; rounds++) {
    yield { at: best.slice(), cost, rounds }
    if (!annealer.canMove) continue
    if (breeder !== null && rounds % bred !== 0) {
      const from = withFree(problem, best)
      for (let left = SLICE; left > 0; left -= small) take(polished(breeder.next(from).at))
    } else if (tabu === null || rounds % 2 === 0) {
      annealer.load(best)
      if (rounds % 3 === 1) annealer.shuffle()
      // From the best it is only warmed up; from anywhere else it begins hot.
      annealer.run(trials(rounds), rounds % 3 === 0 && rounds > 0 ? 0.25 : 1, 0.004)
      take(annealer.at)
    } else {
      annealer.load(best)
      if (rounds % 3 === 2) annealer.shuffle()
      else annealer.throwAbout(2 + Math.floor(random() * Math.max(1, problem.items / 3)))
      tabu.load(withFree(problem, annealer.at))
      const slice = Math.max(150, Math.floor(SLICE / problem.places ** 2 / 4))
      // A search that found something better goes on from there.
      for (let last = Infinity; tabu.bestCost < last - 1e-7;) {
        last = tabu.bestCost
        tabu.run(slice)
      }
      take(polished(tabu.best))
    }
  }
}

/** With the places nobody is in behind, as items of their own. */
function withFree({ items, places }: Placing, at: Places): Int32Array {
  const whole = new Int32Array(places)
  whole.set(at)
  const taken = new Set(at)
  let next = items
  for (let place = 0; place < places; place++) if (!taken.has(place)) whole[next++] = place
  return whole
}

/** The same cost with as little moved as can be: what gains nothing where it is now goes back to where it was. */
export function settled(problem: Placing, start: Places, at: Places): Places {
  const now = at.slice()
  let cost = costOf(problem, now)
  for (let goes = true; goes;) {
    goes = false
    for (let u = 0; u < problem.items; u++) {
      const [here, home] = [now[u]!, start[u]!]
      if (here === home) continue
      const there = now.indexOf(home)
      now[u] = home
      if (there >= 0) now[there] = here
      const next = costOf(problem, now)
      // What is there may only give way where it was not at home itself.
      if (next <= cost + 1e-9 && (there < 0 || start[there] !== home)) {
        cost = next
        goes = true
        continue
      }
      now[u] = here
      if (there >= 0) now[there] = home
    }
  }
  return now
}

/** What {@link improve} has found after so many slices. */
export function improved(problem: Placing, start: Places, rounds: number, seed = 1): Found {
  const search = improve(problem, start, seed)
  let found = search.next().value
  for (let n = 0; n < rounds; n++) found = search.next().value
  return found
}
