/** What one device is sent, in µs; see {@link orderJobs}. */
export interface Job {
  readonly id: string
  /** How long its recall keeps the wire busy; 0 when it has none. */
  readonly recall: number
  /** How long after its recall it takes no controls: 0 when it keeps what comes meanwhile. */
  readonly lag: number
  /** How long after its recall it is ready. */
  readonly load: number
  /** How long its controls keep the wire busy; 0 when it has none. */
  readonly controls: number
}

/** An order of blocks on one wire, when all is ready in µs, and how good that is. */
export interface Order {
  /** Ids of the devices whose recalls are sent, in order; all recalls go before all controls. */
  readonly recalls: readonly string[]
  readonly controls: readonly string[]
  /** When the last device has loaded and heard its controls. */
  readonly ready: number
  /** No order is ready before this. */
  readonly bound: number
  /** Whether no order whatever is ready sooner. */
  readonly isProven: boolean
}

/** Up to so many recalls are searched through; beyond, the rule and insertion. */
const SEARCHED = 8

/**
 * The order in which all devices are ready soonest. One wire is one machine and a device a chain: recall, lag,
 * controls. Some best order sends every recall before every control: exchange controls with a recall right
 * behind them, and the recall ends earlier while the controls end no later than that recall did. Behind the
 * recalls, controls go as they are released, which is best for one machine with release times (1 | r_j | Cmax).
 * So only the order of the recalls is open: longest tail first is nearly always best; up to eight are searched
 * with a lower bound, which proves it.
 */
export function orderJobs(jobs: readonly Job[]): Order {
  const recalled = jobs.filter(({ recall }) => recall > 0).sort((a, b) => tailOf(b) - tailOf(a))
  const bound = boundBehind(jobs, [], recalled, 0)
  const first = readyAt(jobs, recalled)
  const best =
    first === bound
      ? { order: recalled, ready: first, isProven: true }
      : recalled.length <= SEARCHED
        ? searched(jobs, recalled, first, bound)
        : inserted(jobs, recalled, first, bound)
  return {
    recalls: best.order.map(({ id }) => id),
    controls: released(jobs, best.order).map(({ id }) => id),
    ready: best.ready,
    bound: best.isProven ? best.ready : bound,
    isProven: best.isProven,
  }
}

/** What still has to pass after a device's recall. */
const tailOf = ({ lag, load, controls }: Job): number => Math.max(load, controls > 0 ? lag + controls : 0)

interface Best {
  readonly order: readonly Job[]
  readonly ready: number
  readonly isProven: boolean
}

/** When each device's recall ends, in an order of recalls. */
function recallEnds(order: readonly Job[]): Map<Job, number> {
  let at = 0
  return new Map(order.map((job) => [job, (at += job.recall)]))
}

/** Devices with controls in the order in which those may be sent; equal ones as they stand. */
function released(jobs: readonly Job[], order: readonly Job[]): readonly Job[] {
  const ends = recallEnds(order)
  const release = (job: Job) => (ends.has(job) ? ends.get(job)! + job.lag : 0)
  return jobs.filter(({ controls }) => controls > 0).sort((a, b) => release(a) - release(b))
}

/** When all is ready, in an order of recalls. */
function readyAt(jobs: readonly Job[], order: readonly Job[]): number {
  const ends = recallEnds(order)
  let ready = 0
  for (const [{ load }, end] of ends) ready = Math.max(ready, end + load)
  let at = order.reduce((sum, { recall }) => sum + recall, 0)
  for (const job of released(jobs, order)) {
    at = Math.max(at, ends.has(job) ? ends.get(job)! + job.lag : 0) + job.controls
    ready = Math.max(ready, at)
  }
  return ready
}

/**
 * What no order that begins with `begun` can be ready before. The recalls to come end no sooner than longest
 * tail first would let the last tail end (Jackson, 1955), and controls no sooner than if every recall to come
 * were the next one.
 */
function boundBehind(
  jobs: readonly Job[],
  begun: readonly Job[],
  byTail: readonly Job[],
  from: number,
): number {
  const ends = recallEnds(begun)
  let bound = 0
  for (const [job, end] of ends) bound = Math.max(bound, end + tailOf(job))
  let at = from
  for (const job of byTail) {
    if (ends.has(job)) continue
    at += job.recall
    bound = Math.max(bound, at + tailOf(job))
  }
  // `at` is now when all recalls are through.
  const earliest = (job: Job) => (job.recall === 0 ? 0 : (ends.get(job) ?? from + job.recall) + job.lag)
  for (const job of jobs.filter(({ controls }) => controls > 0).sort((a, b) => earliest(a) - earliest(b))) {
    at = Math.max(at, earliest(job)) + job.controls
    bound = Math.max(bound, at)
  }
  return bound
}

/** Every order that could still be better, the most promising first. */
function searched(jobs: readonly Job[], byTail: readonly Job[], first: number, bound: number): Best {
  let best: readonly Job[] = byTail
  let ready = first
  const begun: Job[] = []
  const visit = (from: number): void => {
    if (begun.length === byTail.length) {
      const found = readyAt(jobs, begun)
      if (found < ready) {
        best = [...begun]
        ready = found
      }
      return
    }
    for (const job of byTail) {
      if (ready === bound) return
      if (begun.includes(job)) continue
      begun.push(job)
      if (boundBehind(jobs, begun, byTail, from + job.recall) < ready) visit(from + job.recall)
      begun.pop()
    }
  }
  visit(0)
  return { order: best, ready, isProven: true }
}

/** Takes each recall out and puts it where it serves best, until nothing gets better. */
function inserted(jobs: readonly Job[], byTail: readonly Job[], first: number, bound: number): Best {
  let best = byTail
  let ready = first
  for (let isBetter = true; isBetter && ready > bound;) {
    isBetter = false
    for (const job of byTail) {
      const others = best.filter((one) => one !== job)
      for (let at = 0; at <= others.length; at++) {
        const tried = others.toSpliced(at, 0, job)
        const found = readyAt(jobs, tried)
        if (found >= ready) continue
        best = tried
        ready = found
        isBetter = true
      }
    }
  }
  return { order: best, ready, isProven: ready === bound }
}

/** When all is ready with blocks sent just as given, each as soon as it may; jobs as in {@link orderJobs}. */
export function readyInOrder(
  jobs: readonly Job[],
  order: readonly { readonly id: string; readonly part: 'recall' | 'controls' }[],
): number {
  const byId = new Map(jobs.map((job) => [job.id, job]))
  const ends = new Map<string, number>()
  let at = 0
  let ready = 0
  for (const { id, part } of order) {
    const job = byId.get(id)
    if (!job) continue
    if (part === 'controls') at = Math.max(at, (ends.get(id) ?? -job.lag) + job.lag)
    at += job[part]
    if (part === 'recall') ends.set(id, at)
    ready = Math.max(ready, part === 'recall' ? at + job.load : at)
  }
  return ready
}
