import { own } from '#core/base'
import type { Rig, Controller } from '#core/rig'
import {
  capacityOf,
  shapeOf,
  type Unit,
  type Content,
  type List,
  type ListId,
  canHold,
  type Row,
} from '#core/keyin'
import { messageRow } from '#core/switching'
import { readBytes } from '#core/midi'
import { expectedOf, type Gesture, type HeardMessage } from './gestures'

/** Rows that send messages by themselves; others show in what was heard only by what comes of them. */
const SENDS: ReadonlySet<Row[0]> = new Set(['program', 'control', 'noteOn', 'noteOff', 'touch', 'bend'])

/**
 * What a switch must hold to have sent that for one gesture, all else of it being as planned; null where that cannot be
 * told: a list that does more than send, or messages that no row is.
 */
export function heardContent(
  rig: Rig,
  controller: Controller,
  unit: Unit,
  gesture: Gesture,
  sent: readonly HeardMessage[],
): Content | null {
  const one = own(rig.switches, gesture.switchId)
  const id: ListId =
    gesture.how === 'tap' ? `p${gesture.nth}` : gesture.how === 'hold' ? 'longPress' : 'doublePress'
  const list = unit.content.lists.find((its) => its.id === id)
  const release = unit.content.lists.find((its) => its.id === 'release')
  if (!one || !list || !expectedOf(rig, gesture).isSure) return null
  // With a plain press that fires before the long one, or pauses, what belongs to which is not said by the order alone.
  if (gesture.how !== 'tap' || (release && release.rows.length > 0)) return null
  if (list.rows.some(([kind]) => !SENDS.has(kind))) return null
  const shape = shapeOf(rig, controller)
  const rows: Row[] = []
  for (const { hex } of sent) {
    const read = readBytes(hex)
    if (!read.ok) return null
    for (const message of read.value.messages) {
      const its = messageRow(message)
      if (!its || its.some((row) => !canHold(shape, row))) return null
      rows.push(...its)
    }
  }
  if (rows.length > capacityOf(unit.place, controller)) return null
  const lists = unit.content.lists.map((its): List => (its.id === id ? { ...its, rows } : its))
  return { ...unit.content, lists }
}
