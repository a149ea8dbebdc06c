import type { Rig } from '../rig/rig'
import { fixesOf } from '../prove/fixes'
import { lampsToProve } from '../prove/lampLies'
import { proofOf, waysToBe } from '../prove/proof'
import type { Proved } from '../prove/proved'
import type { Edit } from '../rig/edit'
import type { Finding } from './findings'
import { lyingLamp, runTold, type RunTold } from './lyingLamp'
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
  readonly proved: readonly ProvedNow[]
  /** In how many ways its floor can be, as a power of ten; null before that is known. */
  readonly ways: number | null
}

/** One thing proven, with the run that shows a fault in words and as feet. */
export interface ProvedNow extends Proved {
  readonly run: RunTold | null
  /** Edits after which it holds, each proven so; null while nobody looked for them. */
  readonly fixes: readonly Edit[] | null
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
  const proved: ProvedNow[] = []
  const unknown: string[] = []
  const total = Math.max(1, lampsToProve(rig).length)
  let lamps = 0
  for (const one of proofOf(rig)) {
    const { verdict, about } = one
    const withCures = question === 'cures'
    if (one.line === 'lamps') {
      lamps++
      if (verdict.kind === 'notProven') unknown.push(about.id)
      if (verdict.kind === 'fails' && verdict.fault.kind === 'lampLies') {
        yield lamps / total
        const { switchId, isLit, claim } = verdict.fault
        found.push(lyingLamp(rig, { switchId, isLit, claim, moves: verdict.moves }, withCures))
      }
    }
    const run = verdict.kind === 'fails' ? runTold(rig, verdict.moves, verdict.after) : null
    proved.push({ ...one, run, fixes: withCures && verdict.kind === 'fails' ? fixesOf(rig, one) : null })
    yield Math.min(1, lamps / total)
  }
  return { found, unknown, proof: { proved, ways: waysToBe(rig) } }
}
