import { own } from '#core/base'
import type { Finding } from '#core/check'
import {
  byIndex,
  inOrder,
  type Rig,
  boxName,
  arrivals,
  arrivalsMeant,
  type Arrival,
  type Device,
  type DeviceId,
  formatDisplay,
  type Footswitch,
} from '#core/rig'
import { actionRecalls, compile, spokenTo } from '#core/switching'
import { checklist, type ChecklistLine } from './checklist'
import { feederOf, silencing } from './silences'
import { tickOf } from './ticks'

/** What only the player can see, in the order in which asking is cheapest. */
export type Question =
  | 'isControllerOn'
  | 'isOn'
  | 'isFed'
  | 'doesEarlierReact'
  | 'doesLampBlink'
  | 'isChannelSet'
  | 'doesReceive'
  | 'isSaved'
  | 'isPresetThere'

/** What the player says to a question of the guide. */
export type Answer = 'yes' | 'no' | 'unknown'

/** Why the device does nothing, as far as can be told. */
export type GuideVerdict =
  /** The rig's own plan is wrong. */
  | { readonly kind: 'finding'; readonly finding: Finding }
  | { readonly kind: 'notAsked' }
  | { readonly kind: 'noController' }
  /** The answer "no" to a question is the reason. */
  | { readonly kind: 'answer'; readonly question: Question }
  /** Nothing was found wrong, and these are not known to be right. */
  | { readonly kind: 'open'; readonly questions: readonly Question[] }
  /** All that can be asked is right. */
  | { readonly kind: 'beyond' }

export interface GuideFacts {
  readonly device: string
  readonly channel: Device['channel']
  /** Every box on the way, the first after the controller. */
  readonly through: readonly string[]
  /** The last receiver on the way before it; null when there is none. */
  readonly earlier: string | null
  /** The box the last cable comes from. */
  readonly before: string
  readonly controller: string
  /** What feeds the device, as drawn; null where nothing is drawn. */
  readonly feeder: string | null
  /** A switch that asks something of the device, and what it asks. */
  readonly attempt: Attempt | null
}

/** The easiest way to make the controller say something to a device. */
export interface Attempt {
  readonly bank: string
  readonly number: number
  readonly label: string
  /** The press that says it, counted from 1, or another gesture. */
  readonly press: number
  readonly gesture: 'press' | 'release' | 'longPress' | 'doublePress'
  /** What the device then shows; null where no preset is recalled. */
  readonly display: string | null
}

/** Where a search for a silent device stands: what was answered, and what to look at next. */
export interface Guide {
  readonly facts: GuideFacts
  /** Questions answered already, and by what: the player, a tick on the checklist, or the rig. */
  readonly settled: readonly {
    readonly question: Question
    readonly answer: Answer
    readonly by: 'player' | 'tick'
  }[]
  /** What to ask next; null when there is a verdict. */
  readonly ask: Question | null
  readonly verdict: GuideVerdict | null
}

const QUESTIONS: readonly Question[] = [
  'isControllerOn',
  'isOn',
  'isFed',
  'doesEarlierReact',
  'doesLampBlink',
  'isChannelSet',
  'doesReceive',
  'isSaved',
  'isPresetThere',
]

/** The line of the checklist whose tick answers a question. Whether a thing is on now no tick of then can say. */
const LINE_OF: Partial<Record<Question, string>> = {
  isChannelSet: 'channel/',
  doesReceive: 'receivePrograms/',
}

/**
 * Why is nothing happening? Walks the fault tree of one device: first what the rig knows to be wrong and can silence it,
 * then what only the player can see. What a tick on the checklist answers is not asked. "Cannot tell" is no yes: it is
 * asked on, and told in the end.
 */
export function guide(
  rig: Rig,
  found: readonly Finding[],
  deviceId: DeviceId,
  answers: Readonly<Partial<Record<Question, Answer>>>,
): Guide {
  const device = own(rig.devices, deviceId)
  if (!device) throw new RangeError(`There is no device ${deviceId}`)
  const way = wayTo(rig, deviceId)
  const lines = checklist(rig)
  const facts = factsOf(rig, device, way)
  const known = verdictOfRig(rig, found, device, way, facts)
  const settled: Guide['settled'][number][] = []
  if (known) return { facts, settled, ask: null, verdict: known }
  for (const question of QUESTIONS) {
    if (question === 'doesEarlierReact' && facts.earlier === null) continue
    if (question === 'doesReceive' && facts.attempt?.display === null) continue
    if (question === 'isPresetThere' && facts.attempt?.display === null) continue
    const given = answers[question]
    const tick = given === undefined && isTicked(rig, lines, question, deviceId)
    if (given === undefined && !tick) return { facts, settled, ask: question, verdict: null }
    const answer = given ?? 'yes'
    settled.push({ question, answer, by: tick ? 'tick' : 'player' })
    if (answer === 'no') return { facts, settled, ask: null, verdict: { kind: 'answer', question } }
  }
  // What is no certain fault is said once all else is looked at.
  const [perhaps] = silencing(rig, found, device, way)
  if (perhaps) return { facts, settled, ask: null, verdict: { kind: 'finding', finding: perhaps } }
  const open = settled.flatMap(({ question, answer }) => (answer === 'unknown' ? [question] : []))
  return {
    facts,
    settled,
    ask: null,
    verdict: open.length === 0 ? { kind: 'beyond' } : { kind: 'open', questions: open },
  }
}

function wayTo(rig: Rig, deviceId: string): Arrival | null {
  for (const { id } of inOrder(rig.controllers)) {
    const way = arrivals(rig, id).get(deviceId) ?? arrivalsMeant(rig, id).get(deviceId)
    if (way) return way
  }
  return null
}

function factsOf(rig: Rig, device: Device, way: Arrival | null): GuideFacts {
  const through = way?.through ?? []
  const earlier = through.findLast((id) => own(rig.devices, id)?.kind === 'receiver')
  const last = way && own(rig.cables, way.cables.at(-1)!)
  const before = last && (last.from.id === device.id ? last.to.id : last.from.id)
  return {
    device: device.name,
    channel: device.channel,
    through: through.map((id) => boxName(rig, id)),
    earlier: earlier === undefined ? null : boxName(rig, earlier),
    before: before ? boxName(rig, before) : '',
    controller: inOrder(rig.controllers)[0]?.name ?? '',
    feeder: feederOf(rig, device.id),
    attempt: attemptAt(rig, device),
  }
}

/** The first switch that says something to a device: by a first press before a later one, by a press before another gesture. */
function attemptAt(rig: Rig, device: Device): Attempt | null {
  const all = byIndex(rig.banks).flatMap((bank) =>
    Object.values(rig.switches)
      .filter((one) => one.bankId === bank.id && spokenTo(rig, one).has(device.id))
      .sort((a, b) => a.number - b.number)
      .flatMap((one) => attemptsOn(rig, one, bank.name, device)),
  )
  const rank = ({ gesture, press, display }: Attempt) =>
    (gesture === 'press' ? press : 100) + (display === null ? 1000 : 0)
  return all.sort((a, b) => rank(a) - rank(b))[0] ?? null
}

const listsOf = ({ positions, release, longPress, doublePress }: Footswitch) => [
  ...positions.map((actions, position) => ({ event: 'press' as const, position, actions })),
  { event: 'release' as const, position: 0, actions: release },
  { event: 'longPress' as const, position: 0, actions: longPress },
  { event: 'doublePress' as const, position: 0, actions: doublePress },
]

function attemptsOn(rig: Rig, footswitch: Footswitch, bank: string, device: Device): Attempt[] {
  return listsOf(footswitch).flatMap(({ event, position, actions }): Attempt[] => {
    const says = compile(rig, footswitch, event, position).some(
      (step) => step.kind === 'send' && step.deviceId === device.id,
    )
    if (!says) return []
    const index = actions
      .flatMap((action) => actionRecalls(rig, action))
      .find(({ deviceId }) => deviceId === device.id)?.index
    return [
      {
        bank,
        number: footswitch.number,
        label: footswitch.label,
        press: position + 1,
        gesture: event,
        display: index === undefined ? null : formatDisplay(device.numbering, index),
      },
    ]
  })
}

function verdictOfRig(
  rig: Rig,
  found: readonly Finding[],
  device: Device,
  way: Arrival | null,
  { attempt }: GuideFacts,
): GuideVerdict | null {
  if (Object.keys(rig.controllers).length === 0) return { kind: 'noController' }
  const [finding] = silencing(rig, found, device, way)
  if (finding?.severity === 'error') return { kind: 'finding', finding }
  return attempt ? null : { kind: 'notAsked' }
}

function isTicked(rig: Rig, lines: readonly ChecklistLine[], question: Question, deviceId: string): boolean {
  const key = LINE_OF[question]
  if (!key) return false
  const line = lines.find((one) => one.key === (key.endsWith('/') ? key + deviceId : key))
  return line !== undefined && tickOf(rig, line) !== null
}
