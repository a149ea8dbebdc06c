import { own } from '#core/base'
import type { Rig, Control, ControlId, Pair } from '#core/rig'

/** One control of a learned pair in both states; null where a state says nothing about it. */
export interface PairLine {
  readonly control: Control
  readonly a: number | null
  readonly b: number | null
  readonly differs: boolean
}

/** Everything a pair holds, in the order of the chart. */
export function pairLines(rig: Rig, { a, b }: Pair): PairLine[] {
  const [ofA, ofB] = [a, b].map((values) => new Map(values.map(({ controlId, value }) => [controlId, value])))
  const ids = new Set<ControlId>([...ofA!.keys(), ...ofB!.keys()])
  return [...ids]
    .flatMap((id) => own(rig.controls, id) ?? [])
    .sort((one, other) => one.order - other.order)
    .map((control) => {
      const [inA, inB] = [ofA!.get(control.id) ?? null, ofB!.get(control.id) ?? null]
      return { control, a: inA, b: inB, differs: inA !== inB }
    })
}

/** What both states hold now, as one text: a pair has been learned as long as this is what was learned. */
export const learnedText = (rig: Rig, pair: Pair): string =>
  JSON.stringify(pairLines(rig, pair).map(({ control, a, b }) => [control.name, control.address, a, b]))

/** Whether a pair must be learned, for the first time or again. */
export const mustLearn = (rig: Rig, pair: Pair): boolean => pair.learned !== learnedText(rig, pair)
