import { own } from '../base/own'
import type { Finding } from '../check/findings'
import { inOrder, type Rig } from '../rig/rig'
import { boxName } from '../rig/cabling/link'
import { arrivals, arrivalsMeant, type Arrival } from '../rig/cabling/signal'
import type { Device, DeviceId } from '../rig/table/device'
import { checklist, type ChecklistLine, type Task } from './checklist'
import { tickOf } from './ticks'

/** What only the player can see, in the order in which asking is cheapest. */
export type Question =
  'isOn' | 'doesEarlierReact' | 'doesLampBlink' | 'isChannelSet' | 'doesReceive' | 'isSaved' | 'isPresetThere'

export type Answer = 'yes' | 'no' | 'unknown'

/** Why the device does nothing, as far as can be told. */
export type Verdict =
  /** The rig's own plan is wrong. */
  | { readonly kind: 'finding'; readonly finding: Finding }
  | { readonly kind: 'notAsked' }
  | { readonly kind: 'noController' }
  /** The answer "no" to a question is the reason. */
  | { readonly kind: 'answer'; readonly question: Question }
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
  /** A switch that asks something of the device, and what it asks. */
  readonly attempt: Extract<Task, { kind: 'try' }> | null
}

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
  readonly verdict: Verdict | null
}

const QUESTIONS: readonly Question[] = [
  'isOn',
  'doesEarlierReact',
  'doesLampBlink',
  'isChannelSet',
  'doesReceive',
  'isSaved',
  'isPresetThere',
]

/** The line of the checklist whose tick answers a question. */
const LINE_OF: Partial<Record<Question, string>> = {
  isOn: 'switchOn',
  isChannelSet: 'channel/',
  doesReceive: 'receivePrograms/',
}

/**
 * Why is nothing happening? Walks the fault tree of one device: first what the rig knows to be wrong, then
 * what only the player can see; what a tick on the checklist answers is not asked.
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
  const facts = factsOf(rig, device, way, lines)
  const known = verdictOfRig(rig, found, device, way, facts)
  const settled: Guide['settled'][number][] = []
  if (known) return { facts, settled, ask: null, verdict: known }
  for (const question of QUESTIONS) {
    if (question === 'doesEarlierReact' && facts.earlier === null) continue
    // Messages seen coming in, or a box behind the same cables that reacts, speak for the cables.
    const given = answers[question]
    const tick = given === undefined && isTicked(rig, lines, question, deviceId)
    if (given === undefined && !tick) return { facts, settled, ask: question, verdict: null }
    const answer = given ?? 'yes'
    settled.push({ question, answer, by: tick ? 'tick' : 'player' })
    if (answer === 'no') return { facts, settled, ask: null, verdict: { kind: 'answer', question } }
  }
  return { facts, settled, ask: null, verdict: { kind: 'beyond' } }
}

function wayTo(rig: Rig, deviceId: string): Arrival | null {
  for (const { id } of inOrder(rig.controllers)) {
    const way = arrivals(rig, id).get(deviceId) ?? arrivalsMeant(rig, id).get(deviceId)
    if (way) return way
  }
  return null
}

function factsOf(rig: Rig, device: Device, way: Arrival | null, lines: readonly ChecklistLine[]): GuideFacts {
  const through = way?.through ?? []
  const earlier = through.findLast((id) => own(rig.devices, id)?.kind === 'receiver')
  const last = way && own(rig.cables, way.cables.at(-1)!)
  const before = last && (last.from.id === device.id ? last.to.id : last.from.id)
  const attempt = lines.find(({ key }) => key === `try/${device.id}`)?.task
  return {
    device: device.name,
    channel: device.channel,
    through: through.map((id) => boxName(rig, id)),
    earlier: earlier === undefined ? null : boxName(rig, earlier),
    before: before ? boxName(rig, before) : '',
    attempt: attempt?.kind === 'try' ? attempt : null,
  }
}

function verdictOfRig(
  rig: Rig,
  found: readonly Finding[],
  device: Device,
  way: Arrival | null,
  { attempt }: GuideFacts,
): Verdict | null {
  if (Object.keys(rig.controllers).length === 0) return { kind: 'noController' }
  const onTheWay = new Set<string>([device.id, ...(way?.through ?? []), ...(way?.cables ?? [])])
  const finding = found.find(({ about, severity }) => severity === 'error' && onTheWay.has(about.id))
  if (finding) return { kind: 'finding', finding }
  return attempt ? null : { kind: 'notAsked' }
}

function isTicked(rig: Rig, lines: readonly ChecklistLine[], question: Question, deviceId: string): boolean {
  const key = LINE_OF[question]
  if (!key) return false
  const line = lines.find((one) => one.key === (key.endsWith('/') ? key + deviceId : key))
  return line !== undefined && tickOf(rig, line) !== null
}
