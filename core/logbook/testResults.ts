import { perTables, type Rig, type Note, type NoteFact } from '#core/rig'
import type { TestLine } from './testPlan'

/** What came of a line when it was last tried; `isOld` where it comes to something else by now. */
export interface TestResult {
  readonly verdict: Extract<NoteFact, { kind: 'test' }>['verdict']
  readonly note: Note
  readonly isOld: boolean
}

const latest = perTables(['notes'], (rig: Rig): ReadonlyMap<string, Note> => {
  const all = new Map<string, Note>()
  for (const note of Object.values(rig.notes)) {
    if (note.fact.kind !== 'test') continue
    const other = all.get(note.fact.line)
    if (!other || note.at > other.at || (note.at === other.at && note.id > other.id))
      all.set(note.fact.line, note)
  }
  return all
})

/** Null where a line was never tried. */
export function testResult(rig: Rig, { key, said }: TestLine): TestResult | null {
  const note = latest(rig).get(key)
  return note?.fact.kind === 'test'
    ? { verdict: note.fact.verdict, note, isOld: note.fact.said !== said }
    : null
}

/** How a plan stands: an old result is none. */
export function testCount(rig: Rig, plan: readonly TestLine[]) {
  const counts = { pass: 0, fail: 0, old: 0, open: 0 }
  for (const line of plan) {
    const result = testResult(rig, line)
    counts[!result ? 'open' : result.isOld ? 'old' : result.verdict]++
  }
  return counts
}
