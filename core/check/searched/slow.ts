import { own } from '#core/base'
import type { Rig } from '#core/rig'
import { lampsToProve, proofOf, waysToBe, type Proved } from '#core/prove'
import type { Finding } from '../findings'
import { lyingLamp } from './lyingLamp'
import { provenFault } from './provenFault'
import { wrongMoments } from './wrongMoments'
import { runDiffers } from './runDiffers'

/** `lies` alone comes sooner; `cures` says the same again with what would mend each. */
export type SlowQuestion = 'lies' | 'cures'

/** Findings that take longer than an edit should wait, with what was not looked at to the end. */
export interface SlowFindings {
  readonly found: readonly Finding[]
  /** Switches of whose lamps it is not known whether they can lie. */
  readonly unknown: readonly string[]
  readonly proof: Proof
}

/** What was proven of a rig. */
export interface Proof {
  readonly proved: readonly Proved[]
  /** In how many ways its floor can be, as a power of ten; null before that is known. */
  readonly ways: number | null
}

/** How far a search is, from 0 to 1, and what it has found; that list goes on growing. */
export interface SlowStep {
  readonly done: number
  readonly soFar: SlowFindings
}

/**
 * Findings that are searched for: runs that no longer do what they did, wrong moments of the show, and all that was to be
 * proven and is not so. Stops after each step of the way, so that whoever asked can give it up.
 */
export function* slowFindings(rig: Rig, question: SlowQuestion): Generator<SlowStep, SlowFindings> {
  const found: Finding[] = []
  const unknown: string[] = []
  const proved: Proved[] = []
  const soFar = { found, unknown, proof: { proved, ways: null } }
  const walk = wrongMoments(rig)
  let step = walk.next()
  for (; !step.done; step = walk.next()) yield { done: 0, soFar }
  found.push(...step.value)
  const withFixes = question === 'cures'
  const lamps = Math.max(1, lampsToProve(rig).length)
  let looked = 0
  for (const one of proofOf(rig)) {
    const { verdict, about, line } = one
    if (line === 'lamps') {
      looked++
      if (verdict.kind === 'notProven') unknown.push(about.id)
    }
    // What would mend a fault takes longest.
    if (withFixes && verdict.kind === 'fails') yield { done: looked / lamps, soFar }
    if (verdict.kind === 'fails') {
      const { fault, moves } = verdict
      if (fault.kind === 'runDiffers') found.push(...runDiffers(rig, own(rig.runs, fault.runId)!))
      else if (fault.kind === 'lampLies') found.push(lyingLamp(rig, { ...fault, moves }, withFixes))
      else {
        const finding = provenFault(rig, one, withFixes)
        if (finding) found.push(finding)
      }
    }
    proved.push(one)
    yield { done: Math.min(1, looked / lamps), soFar }
  }
  return { found, unknown, proof: { proved, ways: waysToBe(rig) } }
}
