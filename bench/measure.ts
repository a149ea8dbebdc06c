/** Runs `work` for about a second after warming up; returns runs a second. */
function rate(work: () => void): number {
  const until = (end: number) => {
    let runs = 0
    while (performance.now() < end) {
      work()
      runs++
    }
    return runs
  }
  until(performance.now() + 300)
  const began = performance.now()
  const runs = until(began + 1000)
  return (runs * 1000) / (performance.now() - began)
}

const figure = (n: number) => n.toLocaleString('en', { maximumSignificantDigits: 4 })

/** Prints what one piece of work reaches. */
export function measure(title: string, unit: string, perRun: number, work: () => void): void {
  console.log(`${title}: ${figure(rate(work) * perRun)} ${unit} a second`)
}

/** Prints how long one piece of work takes, and what it may. */
export function measureTime(title: string, work: () => void, most?: number): void {
  const allowed = most === undefined ? '' : ` of ${most} allowed`
  console.log(`${title}: ${figure(1000 / rate(work))} ms${allowed}`)
}

/** Prints ours beside a named peer's, and the ratio, from the same run. */
export function compare(
  title: string,
  unit: string,
  perRun: number,
  ours: () => void,
  peer: string,
  theirs: () => void,
): void {
  const [mine, other] = [rate(ours) * perRun, rate(theirs) * perRun]
  console.log(
    `${title}: ${figure(mine)} ${unit} a second, ${peer} ${figure(other)}: ratio ${figure(mine / other)}`,
  )
}

/** Prints how long ours takes beside a named peer's way, and how many times as fast it is, from the same run. */
export function compareTime(title: string, ours: () => void, peer: string, theirs: () => void): void {
  const [mine, other] = [1000 / rate(ours), 1000 / rate(theirs)]
  console.log(`${title}: ${figure(mine)} ms, ${peer} ${figure(other)} ms: ratio ${figure(other / mine)}`)
}
