import { own } from '#core/base'
import { boardOf, type Unit, type Content, type Holding } from '#core/keyin'
import type { Rig, Controller } from '#core/rig'
import { gestureKey, type Gesture } from './gestures'
import { heardContent } from './heardContent'
import type { Judged } from './verdict'

/**
 * What places hold as far as was heard. A switch all of which came as planned holds the plan; one with one thing wrong holds
 * what sends that, where that can be told, and else nobody knows what. Of a switch not heard whole, or of which something
 * cannot be told, nothing is said.
 */
export function heardHoldings(rig: Rig, controller: Controller, judged: readonly Judged[]): Holding[] {
  const units = new Map<string, Unit>()
  for (const unit of boardOf(rig, controller)) {
    const { place } = unit
    if (place.kind === 'switch') units.set(`${place.bank}/${place.layer}/${place.jack}/${place.number}`, unit)
  }
  const all = new Map<Unit, Judged[]>()
  for (const one of judged) {
    const unit = units.get(placeOf(rig, one.gesture))
    if (unit) all.set(unit, [...(all.get(unit) ?? []), one])
  }
  return [...all].flatMap(([unit, its]): Holding[] => {
    const wrong = its.filter(({ verdict }) => verdict?.kind === 'wrong')
    const [only] = wrong
    if (!only) return its.every(({ verdict }) => verdict?.kind === 'right') ? [[unit.key, unit.content]] : []
    return [[unit.key, wrong.length === 1 ? contentOf(unit, only) : null]]
  })

  /** Where it does what another switch should, all of that one's; else the slip, the rest as planned. */
  function contentOf(unit: Unit, { gesture, take, verdict }: Judged): Content | null {
    const [fault] = verdict?.kind === 'wrong' ? verdict.faults : []
    if (fault?.kind !== 'swapped' && fault?.kind !== 'another')
      return heardContent(rig, controller, unit, gesture, take?.sent ?? [])
    const other = judged.find((one) => gestureKey(one.gesture) === fault.gesture)
    return (other && units.get(placeOf(rig, other.gesture))?.content) ?? null
  }
}

const placeOf = (rig: Rig, { bankId, layer, jack, number }: Gesture): string =>
  `${own(rig.banks, bankId)?.index ?? -1}/${layer}/${jack}/${number}`
