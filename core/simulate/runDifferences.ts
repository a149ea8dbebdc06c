import { perRow, FLOOR_TABLES, type Rig, type Run, type SeenMessage } from '#core/rig'
import { playSteps, seenIn } from './run'

/** Something that comes of a run now and did not when it was recorded, or the other way round. Times in µs of the run. */
export type RunDifference =
  | { readonly kind: 'missing'; readonly was: SeenMessage }
  | { readonly kind: 'new'; readonly is: SeenMessage }
  | { readonly kind: 'moved'; readonly was: SeenMessage; readonly is: SeenMessage }
  /** How a device or a lamp is at the end; null where it was, or is, not there, or the lamp did not lie. */
  | { readonly kind: 'end'; readonly id: string; readonly was: string | null; readonly is: string | null }

/** What is different now, in the order of time; empty while the run still does what it did. Runs are played once a rig. */
export const runDifferences = perRow(FLOOR_TABLES, (rig: Rig, run: Run): readonly RunDifference[] =>
  differences(run, seenIn(rig, playSteps(rig, run.steps, run.length))),
)

const startOf = (one: RunDifference): number =>
  one.kind === 'end' ? Infinity : one.kind === 'new' ? one.is.start : one.was.start

function differences({ steps, seen }: Run, now: Run['seen']): RunDifference[] {
  const [was, is] = [byStep(steps, seen.wire), byStep(steps, now.wire)]
  const messages = was.flatMap((before, n) => aligned(before, is[n]!))
  const ends = [...new Set([...seen.ends, ...now.ends].map(({ id }) => id))].flatMap(
    (id): RunDifference[] => {
      const [before, after] = [seen.ends, now.ends].map(
        (all) => all.find((one) => one.id === id)?.says ?? null,
      )
      return before === after ? [] : [{ kind: 'end', id, was: before!, is: after! }]
    },
  )
  return [...messages.sort((a, b) => startOf(a) - startOf(b)), ...ends]
}

/** Messages by the step they follow: what one step changed does not push all later ones out of line. */
function byStep(steps: Run['steps'], wire: readonly SeenMessage[]): SeenMessage[][] {
  const all: SeenMessage[][] = Array.from({ length: steps.length + 1 }, () => [])
  let n = 0
  for (const one of wire) {
    while (n < steps.length && steps[n]!.at <= one.start) n++
    all[n]!.push(one)
  }
  return all
}

const isSame = (a: SeenMessage, b: SeenMessage): boolean =>
  a.hex === b.hex && a.lane === b.lane && a.lostBy.join() === b.lostBy.join()

/** More pairs than this are compared place by place. */
const PAIRS_MAX = 1_000_000

/** The longest run of equal messages in both is what stayed; everything else came or went. */
function aligned(was: readonly SeenMessage[], is: readonly SeenMessage[]): RunDifference[] {
  const found: RunDifference[] = []
  const pair = (before: SeenMessage, after: SeenMessage) => {
    if (before.start !== after.start) found.push({ kind: 'moved', was: before, is: after })
  }
  let [from, toWas, toIs] = [0, was.length, is.length]
  for (; from < toWas && from < toIs && isSame(was[from]!, is[from]!); from++) pair(was[from]!, is[from]!)
  for (; toWas > from && toIs > from && isSame(was[toWas - 1]!, is[toIs - 1]!); toWas--, toIs--)
    pair(was[toWas - 1]!, is[toIs - 1]!)
  const [rows, columns] = [toWas - from, toIs - from]
  const isLong = rows * columns > PAIRS_MAX
  // Length of the longest common part of what follows (a table as in Hunt and McIlroy, "An Algorithm for Differential File Comparison", 1976).
  const length = Array.from({ length: isLong ? 0 : rows + 1 }, () => new Uint32Array(columns + 1))
  for (let r = isLong ? -1 : rows - 1; r >= 0; r--)
    for (let c = columns - 1; c >= 0; c--)
      length[r]![c] = isSame(was[from + r]!, is[from + c]!)
        ? length[r + 1]![c + 1]! + 1
        : Math.max(length[r + 1]![c]!, length[r]![c + 1]!)
  let [r, c] = [0, 0]
  while (r < rows || c < columns) {
    const [before, after] = [was[from + r], is[from + c]]
    if (r < rows && c < columns && isSame(before!, after!)) {
      pair(before!, after!)
      r++
      c++
    } else if (r < rows && (c >= columns || isLong || length[r + 1]![c]! >= length[r]![c + 1]!)) {
      found.push({ kind: 'missing', was: before! })
      r++
    } else {
      found.push({ kind: 'new', is: after! })
      c++
    }
  }
  return found
}
