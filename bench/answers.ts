import * as fc from 'fast-check'
import { findings } from '#core/check'
import { compareRigs } from '#core/history'
import { toldSheet } from '#core/keyin'
import { gesturesOf } from '#core/listen'
import { setSheet, standIn } from '#core/paper'
import { actionLists, byIndex, inOrder, type Rig } from '#core/rig'
import { beforeShow } from '#core/setup'
import { soundMatrix } from '#core/sound'
import { bankMap, compile, NOTHING_KNOWN, requirements, tempoMoves } from '#core/switching'
import { shortDoes } from '#shared/actions'
import { proofOf } from '../core/prove/proof'
import { wideRigs } from '../core/rig/testing/wideRigs'
import { lampRigs } from '../core/prove/testing/makeLampRigs'

/** What is asked of each rig, by what it is called where an answer differs. */
const ASKED: { readonly [what: string]: (rig: Rig, before: Rig) => unknown } = {
  findings: (rig) => findings(rig),
  bytes: (rig) =>
    Object.values(rig.switches).map((one) => [
      one.positions.map((_, n) => compile(rig, one, 'press', n)),
      (['release', 'longPress', 'doublePress'] as const).map((event) => compile(rig, one, event)),
    ]),
  matrix: (rig) => soundMatrix(rig),
  sheet: (rig) => inOrder(rig.controllers).map(({ id }) => toldSheet(rig, id)),
  asks: (rig) => inOrder(rig.controllers).map((one) => requirements(rig, one)),
  banks: (rig) => inOrder(rig.controllers).map(({ id }) => bankMap(rig, id)),
  tempo: (rig) =>
    byIndex(rig.banks).flatMap(({ id }) =>
      (['base', 'shift'] as const).map((layer) => tempoMoves(rig, { ...NOTHING_KNOWN, bankId: id, layer })),
    ),
  heard: (rig) => inOrder(rig.controllers).map((one) => gesturesOf(rig, one)),
  show: (rig) => [standIn(rig), beforeShow(rig), setSheet(rig)],
  words: (rig) =>
    Object.values(rig.switches).map((one) => actionLists(one).map(({ actions }) => shortDoes(rig, actions))),
  differences: (rig, before) => compareRigs(before, rig),
}

/** Asked of the small rigs only: it looks at a floor in every way it can be. */
const PROOF: typeof ASKED = { proof: (rig) => [...proofOf(rig)] }

const plain = (_: string, value: unknown): unknown =>
  value instanceof Map
    ? { map: [...value] }
    : value instanceof Set
      ? { set: [...value] }
      : ArrayBuffer.isView(value)
        ? [...(value as Float32Array)].map(String)
        : value

/** Rigs to ask about: half of them with everything a rig can hold, half small ones with lamps. */
export const rigsToAsk = (count: number, seed: number): Rig[] => [
  ...fc.sample(wideRigs(), { numRuns: Math.ceil(count / 2), seed }),
  ...fc.sample(lampRigs, { numRuns: Math.floor(count / 2), seed }),
]

/** What is answered about rigs, a line for each rig and question: its number, the question, the answer. */
export function* answers(
  rigs: readonly Rig[],
): Generator<readonly [n: number, what: string, answer: string]> {
  for (const [n, rig] of rigs.entries())
    for (const [what, ask] of Object.entries(n < rigs.length / 2 ? ASKED : { ...ASKED, ...PROOF })) {
      let answer: string
      try {
        answer = JSON.stringify(ask(rig, rigs[Math.max(0, n - 1)]!), plain)
      } catch (error) {
        answer = `threw ${error}`
      }
      yield [n, what, answer]
    }
}
