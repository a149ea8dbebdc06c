import { own } from '#core/base'
import type { Rig, Footswitch } from '#core/rig'
import { actionSteps, setsOnly, learn } from '#core/switching'
import { DEVICE_AT_POWER_ON, moveContact, receive, type DeviceState } from './device'
import type { FloorState } from './floor'
import { footSeen } from './footswitch'
import { planSteps, switchPlan, type Op, type SwitchPlan } from './plan'
import { nextPosition, turned } from './turn'

/**
 * Whether a quick step on a switch can be done without time, as long as no device it sends to loses messages: it does one
 * list, whose messages come to their devices in its order, and nothing of which goes on by itself or leads elsewhere.
 */
export function isTimeless(rig: Rig, footswitch: Footswitch): boolean {
  if (footswitch.release.length > 0) return false
  if (footSeen(rig, footswitch, true, false).seen !== 'down') return false
  return switchPlan(rig, footswitch).positions.every((ops) => ops.every(isTimelessOp))
}

function isTimelessOp(op: Op): boolean {
  switch (op.kind) {
    // When a contact calls something up counts beside messages to its device.
    case 'contact':
      return op.calls.length === 0
    case 'know':
      return op.learned.bankId === undefined && op.learned.layer === undefined
    case 'start':
      return false
    case 'ask':
      return setsOnly(op.action) !== null
    default:
      return true
  }
}

/**
 * What a quick step on such a switch makes of a floor at rest, as `step` and all that comes of it do, but for time, tempo,
 * beats and loops: the part of a proof that is done most. `plan`: what its positions do, or what of that is looked at.
 */
export function stepCalmly(
  rig: Rig,
  { known: before, devices }: Pick<FloorState, 'known' | 'devices'>,
  footswitch: Footswitch,
  plan: SwitchPlan['positions'] = switchPlan(rig, footswitch).positions,
): Pick<FloorState, 'known' | 'devices'> {
  const position = nextPosition(before, footswitch)
  let known = turned(rig, before, footswitch, position)
  const moved: { [deviceId: string]: DeviceState } = { ...devices }
  const device = (id: string) => own(moved, id) ?? DEVICE_AT_POWER_ON
  const go = (ops: readonly Op[]): void => {
    for (const op of ops)
      switch (op.kind) {
        case 'message':
          for (const { id, numbering, chart } of op.hearers)
            moved[id] = receive(numbering, device(id), op.message, chart)
          break
        case 'contact': {
          const { deviceId } = op.contact
          moved[deviceId] = moveContact(device(deviceId), op.contact, op.calls)
          break
        }
        case 'know':
          known = learn(known, op.learned)
          break
        case 'ask': {
          const doing = { controller: null, known, at: 0, by: footswitch.id }
          const controllerId = own(rig.banks, footswitch.bankId)?.controllerId ?? ''
          go(planSteps(rig, controllerId, actionSteps(rig, op.action, doing), op.at))
        }
      }
  }
  go(plan[position]!)
  return { known, devices: moved }
}
