import type { Machine, State } from './machine'
import { bringing, type Need } from './need'
import { project, wayTo, type Classed, type Projection } from './project'
import { searched, walked, type Budget, type Found } from './shortest'

/** So many needs are taken into a projection before the machine itself is searched. */
const TOLD_MAX = 8

/**
 * The fewest moves to a state that is wanted. `goals` are all that a projection met that may be wanted, by their places
 * among those met and in that order; whether a state of the machine is, hangs on the place and on `asked`. The way to the
 * nearest goal is made on the machine, and where it does not come out, one of the needs that are not met at its end is looked
 * at as well, met or not, and the way sought anew (counterexample-guided refinement: Clarke, Grumberg, Jha, Lu, Veith 2000; from memory). A way that comes out is the
 * shortest there is, since none is shorter in any of the projections. `below`: only runs of fewer moves are asked for.
 */
export function refinedRun(
  machine: Machine,
  coarse: Projection,
  goals: readonly number[],
  needs: readonly Need[],
  asked: readonly number[],
  isWanted: (state: State) => boolean,
  budget: Budget,
  below = Number.POSITIVE_INFINITY,
): Found {
  const wanted = new Set(goals.map((n) => coarse.met[n]!))
  const told: Need[] = []
  const isGoal = (state: number) => {
    const ways = 2 ** told.length
    // Each of them is met: all its digits are 1.
    return state % ways === ways - 1 && wanted.has(Math.floor(state / ways))
  }
  let projection: Projection | null = coarse
  let nearest = goals[0]
  let atLeast = 0
  for (;;) {
    if (nearest === undefined || projection.distance[nearest]! >= below) return { kind: 'never' }
    const straight = wayTo(projection, nearest)
    atLeast = straight.length
    const end = walked(machine, straight)
    if (end && isWanted(end)) return { kind: 'run', moves: straight }
    const next = end && told.length < TOLD_MAX ? rarest(machine, unmet(end, needs, told)) : null
    if (!next) break
    told.push(next)
    projection = project(machine, coarse.kept, told.map(classed), {
      isGoal,
      distance: below,
      states: budget.states,
    })
    if (!projection) return { kind: 'unknown', atLeast }
    budget.states -= projection.met.length
    nearest = isGoal(projection.met.at(-1)!) ? projection.met.length - 1 : undefined
  }
  const whole =
    told.length === 0 ? coarse : project(machine, coarse.kept, told.map(classed), { states: budget.states })
  if (!whole) return { kind: 'unknown', atLeast }
  if (told.length > 0) budget.states -= whole.met.length
  const ends = whole.met.flatMap((state, n) => (isGoal(state) ? [n] : []))
  const found = searched(machine, whole, ends, asked, isWanted, budget, below)
  return found.kind === 'unknown' ? { kind: 'unknown', atLeast: Math.max(atLeast, found.atLeast) } : found
}

const classed = ({ component, isMet }: Need): Classed => ({
  component,
  // Both classes are there, whatever values it has.
  classOf: isMet.map((met) => (met ? 1 : 0)),
})

const unmet = ({ values }: State, needs: readonly Need[], told: readonly Need[]): Need[] =>
  needs.filter((need) => !told.includes(need) && !need.isMet[values[need.component]!])

/** The one that the fewest moves can make so. */
function rarest(machine: Machine, needs: readonly Need[]): Need | null {
  let best: Need | null = null
  for (const need of needs)
    if (best === null || bringing(machine, need).length < bringing(machine, best).length) best = need
  return best
}
