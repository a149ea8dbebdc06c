import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import { boardOf, sayAllKeyedIn, toldSheet } from '#core/keyin'
import { encodeMessage, hexOf } from '#core/midi'
import {
  withChanges,
  byIndex,
  inOrder,
  type Rig,
  type DeviceId,
  type KeyInId,
  type Cell,
  type Sound,
  type Footswitch,
} from '#core/rig'
import { spokenCells } from '#core/sound'
import { compile, type SwitchEvent, type ActionStep } from '#core/switching'
import { rowDifferences, type RowDifference } from './rowDifferences'

/** What a sound says otherwise than before, device by device; null where it said, or says, nothing. */
export interface SoundDifference {
  readonly id: string
  readonly name: string
  readonly kind: 'made' | 'removed' | 'changed'
  readonly cells: readonly {
    readonly deviceId: DeviceId
    readonly before: Cell | null
    readonly after: Cell | null
  }[]
}

/** A step at one place that sends otherwise than before. Lines are messages as hex, "contact ..." and "wait 50". */
export interface SentDifference {
  readonly controller: string
  /** As the controller shows it. */
  readonly bank: string
  readonly layer: Footswitch['layer']
  readonly jack: string
  readonly number: number
  /** What the switch is called, where it has a name; after before before. */
  readonly label: string
  readonly event: SwitchEvent
  /** Of a press, from 0. */
  readonly position: number
  readonly before: readonly string[]
  readonly after: readonly string[]
}

/** What a controller that holds all of the one rig must be told to hold all of the other. */
export interface KeysBetween {
  readonly controller: string
  readonly lines: number
  readonly presses: number
  readonly seconds: number
}

/** How one rig differs from another. */
export interface RigDifference {
  readonly rows: readonly RowDifference[]
  readonly sounds: readonly SoundDifference[]
  readonly sent: readonly SentDifference[]
  readonly keys: readonly KeysBetween[]
}

/** Everything in which two states of a rig differ, from the first to the second. Both are sound. */
export const compareRigs = (before: Rig, after: Rig): RigDifference => ({
  rows: rowDifferences(before, after),
  sounds: soundDifferences(before, after),
  sent: sentDifferences(before, after),
  keys: inOrder(after.controllers).flatMap(({ id }) => keysBetween(before, after, id)),
})

function soundDifferences(before: Rig, after: Rig): SoundDifference[] {
  const ids = new Set([...inOrder(before.sounds), ...inOrder(after.sounds)].map(({ id }) => id))
  return [...ids].flatMap((id): SoundDifference[] => {
    const [was, is] = [own(before.sounds, id), own(after.sounds, id)]
    const [left, right] = [saidBy(before, was), saidBy(after, is)]
    const cells = [...new Set([...left.keys(), ...right.keys()])].flatMap((deviceId) => {
      const [cell, now] = [left.get(deviceId) ?? null, right.get(deviceId) ?? null]
      return dequal(cell, now) ? [] : [{ deviceId, before: cell, after: now }]
    })
    const isOther = was?.name !== is?.name || cells.length > 0
    const kind = !was ? 'made' : !is ? 'removed' : 'changed'
    return isOther ? [{ id, name: (is ?? was)!.name, kind, cells }] : []
  })
}

const saidBy = (rig: Rig, sound: Sound | undefined): ReadonlyMap<DeviceId, Cell> =>
  new Map(sound ? [...spokenCells(rig, sound)].map(([id, { cell }]) => [id, cell]) : [])

interface Sent extends Omit<SentDifference, 'before' | 'after'> {
  readonly lines: readonly string[]
}

function sentDifferences(before: Rig, after: Rig): SentDifference[] {
  const [left, right] = [allSent(before), allSent(after)]
  return [...new Set([...left.keys(), ...right.keys()])].flatMap((key): SentDifference[] => {
    const [was, is] = [left.get(key), right.get(key)]
    if (dequal(was?.lines ?? [], is?.lines ?? [])) return []
    const { lines: _, ...place } = (is ?? was)!
    return [{ ...place, before: was?.lines ?? [], after: is?.lines ?? [] }]
  })
}

/** What every step at every place sends while the controller knows nothing yet. */
function allSent(rig: Rig): Map<string, Sent> {
  const all = new Map<string, Sent>()
  const atPlace = (one: Footswitch) => `${one.layer}/${one.jack}/${String(one.number).padStart(3, '0')}`
  for (const bank of byIndex(rig.banks)) {
    const controller = own(rig.controllers, bank.controllerId)
    const switches = Object.values(rig.switches)
      .filter(({ bankId }) => bankId === bank.id)
      .sort((a, b) => (atPlace(a) < atPlace(b) ? -1 : 1))
    for (const one of switches) {
      const put = (event: SwitchEvent, position: number) => {
        const lines = compile(rig, one, event, position).flatMap(stepLine)
        if (lines.length > 0)
          all.set(`${bank.controllerId}/${bank.index}/${atPlace(one)}/${event}/${position}`, {
            controller: controller?.name ?? '',
            bank: String(bank.index + (controller?.firstBank ?? 0)),
            layer: one.layer,
            jack: one.jack,
            number: one.number,
            label: one.label,
            event,
            position,
            lines,
          })
      }
      one.positions.forEach((_, position) => put('press', position))
      for (const event of ['release', 'longPress', 'doublePress'] as const) put(event, 0)
    }
  }
  return all
}

function stepLine(step: ActionStep): string[] {
  switch (step.kind) {
    case 'send':
      return [hexOf(encodeMessage(step.message))]
    case 'wait':
      return [`wait ${step.microseconds / 1000} ms`]
    case 'contact':
      return [`contact ${step.deviceId} ${step.contactId} ${step.isClosed ? 'closed' : 'open'}`]
    case 'start':
      return [`start ${step.name}`, ...step.steps.flatMap(stepLine)]
    case 'stop':
      return [`stop ${step.name}`]
    case 'know':
      return []
  }
}

/** None where the controller was not there before: all of it is then keyed in, as the sheet says. */
function keysBetween(before: Rig, after: Rig, id: string): KeysBetween[] {
  const [was, is] = [own(before.controllers, id), own(after.controllers, id)]
  if (!was || !is) return []
  const blank: Rig = { ...before, keyIns: {} }
  let made = 0
  const said = {
    revision: 0,
    at: '2000-01-01T00:00:00.000Z',
    newId: () => `held-${++made}` as KeyInId,
  }
  const held = boardOf(blank, was).length === 0 ? null : sayAllKeyedIn(blank, was, said)
  const rig: Rig = { ...after, keyIns: held ? withChanges(blank, held.changes).keyIns : {} }
  const sheet = toldSheet(rig, id)
  return sheet && sheet.lines.length > 0
    ? [{ controller: is.name, lines: sheet.lines.length, presses: sheet.presses, seconds: sheet.seconds }]
    : []
}
