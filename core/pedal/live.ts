import { own } from '#core/base'
import type { Rig, Pedal, When } from '#core/rig'
import { isOn, type Known } from '#core/switching'
import { pedalController } from './plugged'

/** What decides which role of a pedal is live: what the controller knows, and feet that are down. */
export interface RoleView {
  readonly known: Pick<Known, 'bankId' | 'layer' | 'values'>
  readonly isHeld: (switchId: string) => boolean
}

/** Whether the time of a role has come. A control the controller has sent nothing for counts as off. */
function isTime(rig: Rig, when: When, { known, isHeld }: RoleView): boolean {
  switch (when.kind) {
    case 'always':
      return true
    case 'banks':
      return when.bankIds.some((id) => id === known.bankId)
    case 'layer':
      return known.layer === 'shift'
    case 'control': {
      const value = own(known.values, when.controlId)
      return (value !== undefined && isOn(rig, when.controlId, value)) === (when.is === 'on')
    }
    case 'held':
      return isHeld(when.switchId)
  }
}

/**
 * The role that leads now, from 0: the first whose time it is. Null while it is none's. A device whose own jack the pedal is
 * in knows nothing of banks, layers and switches: there only a role for any time can lead.
 */
export function liveRole(rig: Rig, pedal: Pick<Pedal, 'roles' | 'place'>, view: RoleView): number | null {
  const isLocal = pedalController(pedal) === null
  const at = pedal.roles.findIndex(({ when }) => (isLocal ? when.kind === 'always' : isTime(rig, when, view)))
  return at < 0 ? null : at
}
