import type { Rig } from '../rig/rig'
import { lampsToProve, lampVerdict } from '../prove/lampLies'
import type { Finding } from './findings'
import { lyingLamp } from './lyingLamp'
import { wrongMoments } from './wrongMoments'
import { runDiffers } from './runDiffers'

/** `lies` alone comes sooner; `cures` says the same again with what would mend each. */
export type SlowQuestion = 'lies' | 'cures'

/** Findings that take longer than an edit should wait, with what was not looked at to the end. */
export interface SlowFindings {
  readonly found: readonly Finding[]
  /** Switches of whose lamps it is not known whether they can lie. */
  readonly unknown: readonly string[]
}

/**
 * Findings that are searched for: runs that no longer do what they did, wrong moments of the show, lamps that can lie. Stops after each step of the
 * way and tells how much is done, from 0 to 1, so that whoever asked can give it up.
 */
export function* slowFindings(rig: Rig, question: SlowQuestion): Generator<number, SlowFindings> {
  const found: Finding[] = []
  for (const run of Object.values(rig.runs)) {
    found.push(...runDiffers(rig, run))
    yield 0
  }
  const walk = wrongMoments(rig)
  let step = walk.next()
  for (; !step.done; step = walk.next()) yield 0
  found.push(...step.value)
  const lamps = lampsToProve(rig)
  const unknown: string[] = []
  for (const [n, footswitch] of lamps.entries()) {
    const verdict = lampVerdict(rig, footswitch)
    if (verdict.kind === 'unknown') unknown.push(footswitch.id)
    if (verdict.kind === 'lies') {
      yield n / lamps.length
      const one = lyingLamp(rig, verdict.lie, question === 'cures')
      found.push(one)
    }
    yield (n + 1) / lamps.length
  }
  return { found, unknown }
}
