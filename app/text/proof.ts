import { own } from '#core/base'
import {
  thingText,
  type Finding,
  type LineReport,
  type LyingLamp,
  type ProvenFault,
  type RunDiffers,
} from '#core/check'
import { SHORTEST_MS, type ProofLine, type Proved } from '#core/prove'
import type { Rig } from '#core/rig'
import { count, listText } from '#shared/words/counts'
import { NOT_LOOKED_TEXT } from '#shared/notLooked'
import { switchPlace } from './sounds'

/** A finding that speaks against a line of the proof. */
export type ProofFault = LyingLamp | ProvenFault | RunDiffers

export const isProofFault = (one: Finding): one is ProofFault =>
  one.code === 'lyingLamp' || one.code === 'provenFault' || one.code === 'runDiffers'

/** A finding the page of the proof shows: against a line, or an error beside what it is about. */
export const proofKey = (one: Finding): string =>
  `${one.code} ${one.about.table} ${one.about.id} ${one.about.field ?? ''} ${one.code === 'provenFault' ? JSON.stringify(one.facts.fault) : ''}`

/** What a proof comes to in one line, with what it does not say. */
export function proofHeadline(report: readonly LineReport[], faults: number): string {
  const sum = (of: (line: LineReport) => number) => report.reduce((all, line) => all + of(line), 0)
  const open = sum((line) => line.open.length)
  const notLooked = new Set(report.flatMap((line) => line.notLooked)).size
  const against = [
    ...(faults > 0 ? [`${count(faults, 'thing')} can go wrong`] : []),
    ...(open > 0 ? [`${open} not proven`] : []),
  ]
  const said =
    against.length > 0
      ? against.join(', ')
      : sum((line) => line.holds.length) > 0
        ? 'All that was asked holds, from everywhere'
        : 'Nothing was asked yet'
  return notLooked > 0
    ? `${said}; ${count(notLooked, 'kind of thing', 'kinds of things')} not looked at`
    : said
}

/** "Not looked at: what a pedal leads; tempo."; empty where all was. */
export const notLookedText = (notLooked: LineReport['notLooked']): string =>
  notLooked.length === 0 ? '' : `Not looked at: ${notLooked.map((one) => NOT_LOOKED_TEXT[one]).join('; ')}.`

/** What each line says when it holds. */
export const PROOF_TEXT: Record<ProofLine, string> = {
  checks: 'What must never be so never is, and recorded runs do what they did.',
  sounds: 'Every sound comes out whole, from wherever it is recalled.',
  lamps: 'Every lamp says what is so.',
  pace: `Nothing is lost on a device that loads, down to ${SHORTEST_MS} ms between two steps.`,
  show: 'Every part of the show comes out, also after one wrong step.',
  ways: 'Every sound, and home, is reached from every bank and layer.',
  switches: 'No switch is dead, a twin of its neighbour, or undoes what it recalls.',
}

type NotProven = Extract<Proved['verdict'], { kind: 'notProven' }>['why']

/** Why something is not proven. */
const NOT_PROVEN_TEXT: Record<NotProven, string> = {
  tooMany: 'More can happen than was looked through.',
  beyond: 'What decides it can be too many things at once.',
  notPlayed: 'A run was found that may show it, and does not come out on the whole floor.',
  pedal: 'A pedal leads it, and pedals are not moved here.',
  asFound: 'Something it hangs on is never set: what it is at power-on is not known.',
  wayHangs: 'The way there hangs on where a switch or the show stands.',
}

/** Why it is, and how far it is known all the same. */
export const notProvenText = ({
  why,
  atLeast = 0,
}: {
  readonly why: NotProven
  readonly atLeast?: number
}): string =>
  `Not proven. ${NOT_PROVEN_TEXT[why]}${
    atLeast > 1 ? ` It does not happen within ${count(atLeast - 1, 'step')}.` : ''
  }`

/** What a row of the rig is called here: "Verse, dry", "Freeze, bank 3, 4", "home". */
export function provedName(rig: Rig, { about }: Proved): string {
  if (about.table === 'sounds') return own(rig.sounds, about.id)?.name ?? ''
  if (about.table === 'banks') return 'Home'
  if (about.table === 'parts') {
    const part = own(rig.parts, about.id)
    const song = own(rig.songs, part?.songId ?? '')
    const sound = own(rig.sounds, part?.soundId ?? '')
    return `${song?.name ?? ''}: ${part?.name || (sound?.name ?? '')}`
  }
  if (about.table === 'runs') return `Run "${own(rig.runs, about.id)?.name ?? ''}"`
  if (about.table === 'nevers')
    return `Never ${listText((own(rig.nevers, about.id)?.things ?? []).map((thing) => thingText(rig, thing)))}`
  const footswitch = own(rig.switches, about.id)
  return footswitch ? switchPlace(rig, footswitch) : ''
}

/** A number of ways as a player can take it in: "about 10 million", "10 to the 41". */
export function waysText(power: number): string {
  const whole = Math.floor(power)
  if (whole < 6) return `about ${Math.round(10 ** power).toLocaleString('en')}`
  return whole < 9
    ? `about ${Math.round(10 ** (power - 6)).toLocaleString('en')} million`
    : `some 10^${whole}`
}
