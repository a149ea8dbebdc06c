import { own } from '#core/base'
import { encodeMessages, wireTime } from '#core/midi'
import { deafFor, loadsFor, perTables, type Rig, type Controller, type DeviceId, type Sound } from '#core/rig'
import { partsOf, type Block, type ContactSet, type Parts } from './blocks'
import { spokenCells, type SpokenCells } from './cells'
import { orderJobs, readyInOrder, type Job, type Order } from './order'
import type { Step } from './step'
import { WANT_TABLES } from './want'

/** The parts of a controller that decide how it sends. */
type Sender = Pick<Controller, 'id' | 'waitMs' | 'runningStatus'>

/** Controls of a device that reach it while it loads, and are lost. */
export interface Lost {
  readonly deviceId: DeviceId
  /** Of the messages of its control block, how many are lost and how many there are. */
  readonly messages: number
  readonly of: number
  /** How much later the first of them would have to come, in µs. */
  readonly tooEarly: number
}

/** What is sent for a sound. */
export interface Sending {
  readonly blocks: readonly Block[]
  readonly contacts: readonly ContactSet[]
  readonly steps: readonly Step[]
  /** The tool's order, whether it is the one sent or not. */
  readonly best: Order
  /** When every device is ready with blocks sent as they are, could the controller wait, in µs. */
  readonly ready: number
  /** Sent in an order the player fixed. */
  readonly isByHand: boolean
  readonly lost: readonly Lost[]
}

/** A relay has settled after so long, in µs (common practice). */
const RELAY_SETTLES = 10_000

/** How a controller sends that is not there yet. */
export const NO_CONTROLLER: Sender = { id: '' as Controller['id'], waitMs: 0, runningStatus: false }

const known = perTables(
  WANT_TABLES,
  () => new WeakMap<Sound, Map<string, { readonly cells: SpokenCells; readonly sending: Sending }>>(),
)

/** What a controller sends for a sound, in which order; worked out again only when the sound or what it speaks of changes. */
export function sendingOf(rig: Rig, sound: Sound, sender: Sender = NO_CONTROLLER): Sending {
  const cells = spokenCells(rig, sound)
  let bySender = known(rig).get(sound)
  if (!bySender) known(rig).set(sound, (bySender = new Map()))
  const before = bySender.get(sender.id)
  if (before?.cells === cells) return before.sending
  const sending = work(rig, sound, sender)
  bySender.set(sender.id, { cells, sending })
  return sending
}

const work = (rig: Rig, sound: Sound, sender: Sender): Sending =>
  sendParts(rig, partsOf(rig, sound, sender.runningStatus), sender, sound.sending)

/** Blocks and contacts put in order: the player's as far as it goes, the best beyond. */
export function sendParts(
  rig: Rig,
  { blocks, contacts }: Parts,
  sender: Sender,
  sending: Sound['sending'],
): Sending {
  const jobs = jobsOf(rig, blocks)
  const best = orderJobs(jobs)
  const told: Block[] = [
    ...best.recalls.map((id) => ({ id, part: 'recall' })),
    ...best.controls.map((id) => ({ id, part: 'controls' })),
  ].map(({ id, part }) => blocks.find((block) => block.deviceId === id && block.part === part)!)
  const sent = byHand(told, sending)
  const isByHand = sent.some((block, n) => block !== told[n])
  const placed = place(sent, jobs, sender)
  const settled = contacts.length > 0 ? RELAY_SETTLES : 0
  return {
    blocks: sent,
    contacts,
    steps: [...contacts.map((contact): Step => ({ kind: 'contact', ...contact })), ...placed.steps],
    best,
    ready: Math.max(
      settled,
      isByHand
        ? readyInOrder(
            jobs,
            sent.map(({ deviceId, part }) => ({ id: deviceId, part })),
          )
        : best.ready,
    ),
    isByHand,
    lost: placed.lost,
  }
}

/** The blocks of a sound as jobs of one wire. */
function jobsOf(rig: Rig, blocks: readonly Block[]): Job[] {
  const length = (id: DeviceId, part: Block['part']) =>
    blocks.find((block) => block.deviceId === id && block.part === part)?.length ?? 0
  return [...new Set(blocks.map(({ deviceId }) => deviceId))].map((id) => {
    const device = own(rig.devices, id)!
    const recall = length(id, 'recall')
    const [lag, load] = recall > 0 ? [deafFor(device), loadsFor(device)] : [0, 0]
    return { id, recall, lag, load, controls: length(id, 'controls') }
  })
}

/** Blocks as the player fixed them; those not named behind, in the tool's order. A recall never goes behind its controls. */
function byHand(told: readonly Block[], sending: Sound['sending']): Block[] {
  const named = sending.flatMap(
    ({ deviceId, part }) => told.find((block) => block.deviceId === deviceId && block.part === part) ?? [],
  )
  const order = [...named, ...told.filter((block) => !named.includes(block))]
  return order.flatMap((block, n) => {
    if (block.part === 'recall') {
      const isTaken = order.slice(0, n).some((one) => one.deviceId === block.deviceId)
      return isTaken ? [] : [block]
    }
    const late = order.slice(n + 1).find((one) => one.deviceId === block.deviceId)
    return late ? [late, block] : [block]
  })
}

/** Puts blocks one behind the other, with the waits the controller can make, and sees which controls come too early. */
function place(blocks: readonly Block[], jobs: readonly Job[], { waitMs, runningStatus }: Sender) {
  const steps: Step[] = []
  const lost: Lost[] = []
  const ends = new Map<string, number>()
  let at = 0
  for (const { deviceId, part, messages, length } of blocks) {
    const job = jobs.find(({ id }) => id === deviceId)!
    const release = part === 'controls' && ends.has(deviceId) ? ends.get(deviceId)! + job.lag : 0
    if (release > at && waitMs > 0) {
      const microseconds = Math.min(release - at, waitMs * 1000)
      steps.push({ kind: 'wait', microseconds })
      at += microseconds
    }
    if (release > at) {
      const early = messages.filter(
        (_, n) => at + wireTime(encodeMessages(messages.slice(0, n), { runningStatus }).length) < release,
      )
      lost.push({ deviceId, messages: early.length, of: messages.length, tooEarly: release - at })
    }
    for (const message of messages) steps.push({ kind: 'send', deviceId, message })
    at += length
    if (part === 'recall') ends.set(deviceId, at)
  }
  return { steps, lost }
}
