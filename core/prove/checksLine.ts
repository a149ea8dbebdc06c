import { own } from '#core/base'
import { inOrder, type Rig, type Never, type Thing } from '#core/rig'
import { runDifferences } from '#core/simulate'
import { isOn } from '#core/switching'
import { fewest, type PartNeed } from './ask'
import type { FloorMachine } from './floorMachine'
import { makeMoves, restingStart } from './moves'
import { partOf, presetPart, controlPart, contactPart } from './parts'
import { ledByPedals } from './ledByPedals'
import type { Proved, ProofVerdict } from './proved'

/** The player's own checks: things that must never be so at once, and recorded runs that must do what they did. */
export function* checksLine(rig: Rig, floor: FloorMachine): Generator<Proved> {
  for (const one of inOrder(rig.nevers))
    yield { line: 'checks', about: { table: 'nevers', id: one.id }, verdict: neverVerdict(rig, floor, one) }
  for (const run of inOrder(rig.runs)) {
    const differences = runDifferences(rig, run).length
    const fault = { kind: 'runDiffers', runId: run.id, differences } as const
    const verdict: ProofVerdict =
      differences === 0 ? { kind: 'holds' } : { kind: 'fails', fault, moves: [], after: null }
    yield { line: 'checks', about: { table: 'runs', id: run.id }, verdict }
  }
}

/** Where it is so that a thing is; `found` where nobody ever set it: that may be so or not. */
function needOf(rig: Rig, thing: Thing, found: boolean): PartNeed | null {
  switch (thing.kind) {
    case 'preset': {
      const preset = own(rig.presets, thing.presetId)
      return (
        (preset && {
          part: presetPart(preset.deviceId),
          isMet: (value) => (value === undefined ? found : value === preset.index),
        }) ??
        null
      )
    }
    case 'control': {
      const control = own(rig.controls, thing.controlId)
      return (
        (control && {
          part: controlPart(rig, control.id),
          isMet: (value) =>
            value === undefined ? found : isOn(rig, control.id, value as number) === thing.isOn,
        }) ??
        null
      )
    }
    case 'contact':
      return {
        part: contactPart(thing.deviceId, thing.contactId),
        isMet: (value) => (value === undefined ? found : value === thing.isClosed),
      }
  }
}

/** The fewest moves after which all are so at once. What was never set may be anything: then it is not proven. */
function neverVerdict(rig: Rig, floor: FloorMachine, { id, things }: Never): ProofVerdict {
  const askFor = (found: boolean) => {
    const needs = things.flatMap((thing) => needOf(rig, thing, found) ?? [])
    // The one that the others are looked at behind: what is asked first is asked of the smallest cone.
    const [first] = needs
    if (!first) return { needs, answer: { kind: 'unknown', why: 'beyond', atLeast: 0 } as const }
    const parts = needs.map(({ part }) => part)
    const answer = fewest(rig, floor, {
      through: [first.part],
      asked: parts,
      needs,
      mayBe: (_, valueAt) => first.isMet(valueAt(first.part)),
      isSo: (_, valueAt) => needs.every(({ part, isMet }) => isMet(valueAt(part))),
    })
    return { needs, answer }
  }
  if (things.some((thing) => thing.kind === 'control' && ledByPedals(rig).has(thing.controlId)))
    return { kind: 'notProven', why: 'pedal' }
  const { needs, answer } = askFor(false)
  if (answer.kind === 'unknown') return { kind: 'notProven', why: answer.why, atLeast: answer.atLeast }
  if (answer.kind === 'never') {
    const { answer: asFound } = askFor(true)
    return asFound.kind === 'never' ? { kind: 'holds' } : { kind: 'notProven', why: 'asFound' }
  }
  const moves = answer.labels.map(({ move }) => move)
  const start = restingStart(rig)
  const end = makeMoves(rig, start, moves).at(-1)?.state ?? start
  return needs.every(({ part, isMet }) => isMet(partOf(end, part)))
    ? { kind: 'fails', fault: { kind: 'never', neverId: id }, moves, after: null }
    : { kind: 'notProven', why: 'notPlayed' }
}
