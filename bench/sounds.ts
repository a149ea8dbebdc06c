import { findings } from '#core/check'
import type { Rig } from '#core/rig'
import { orderJobs, readyInOrder, soundMatrix, type Job } from '#core/sound'
import { measureTime, compareTime } from './measure'
import { soundRig, withCellEdited } from './soundRig'

/** Every order of recalls, each with its controls as they are released: what the search must equal. */
function everyOrder(jobs: readonly Job[]): number {
  const recalled = jobs.filter(({ recall }) => recall > 0)
  let best = Infinity
  const begun: Job[] = []
  const visit = (): void => {
    if (begun.length === recalled.length) {
      const ends = new Map<string, number>()
      let at = 0
      for (const { id, recall } of begun) ends.set(id, (at += recall))
      const controls = jobs
        .filter((job) => job.controls > 0)
        .sort((a, b) => (ends.get(a.id) ?? -a.lag) + a.lag - (ends.get(b.id) ?? -b.lag) - b.lag)
      best = Math.min(
        best,
        readyInOrder(jobs, [
          ...begun.map(({ id }) => ({ id, part: 'recall' as const })),
          ...controls.map(({ id }) => ({ id, part: 'controls' as const })),
        ]),
      )
      return
    }
    for (const job of recalled) {
      if (begun.includes(job)) continue
      begun.push(job)
      visit()
      begun.pop()
    }
  }
  visit()
  return best
}

/** Seven and eight devices whose deaf times lie close together, where the rule alone is not always best. */
const jobsOf = (count: number): Job[] =>
  Array.from({ length: count }, (_, n) => {
    const load = 400 + ((n * 7919) % 3100)
    return { id: `d${n}`, recall: 640 + (n % 3) * 960, lag: load, load, controls: (n % 4) * 960 }
  })

export function measureSounds(): void {
  for (const count of [6, 7]) {
    const jobs = jobsOf(count)
    if (orderJobs(jobs).ready !== everyOrder(jobs)) throw new Error('The order found is not the best one')
    compareTime(
      `Order of ${count} devices`,
      () => orderJobs(jobs),
      'every order, brute force',
      () => everyOrder(jobs),
    )
  }
  measureTime('Order of 8 devices', () => orderJobs(jobsOf(8)), 50)
  const rig = soundRig(200)
  const fresh = (): Rig => structuredClone(rig)
  const size = `200 sounds x ${Object.keys(rig.devices).length} boxes`
  measureTime(
    `Matrix and all findings from nothing, ${size}`,
    () => {
      const one = fresh()
      soundMatrix(one)
      findings(one)
    },
    200,
  )
  let edited = fresh()
  soundMatrix(edited)
  findings(edited)
  let turn = 0
  measureTime(`The same after one cell was edited`, () => {
    edited = withCellEdited(edited, turn++)
    soundMatrix(edited)
    findings(edited)
  })
  measureTime(`All findings after one cell was edited`, () => {
    edited = withCellEdited(edited, turn++)
    findings(edited)
  })
}
