import { own } from '#core/base'
import type { Footswitch, Rig } from '#core/rig'
import type { BoardPlace, FootMove } from '#core/show'
import { jackPlaces } from '#core/simulate'

type OnBoard = Pick<Footswitch, 'jack' | 'number'> & Pick<BoardPlace, 'bankId'>

const controllerOf = (rig: Rig, bankId: string) =>
  own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')

/** "4"; of a footswitch on a jack what that is called. */
export function numberText(rig: Rig, { bankId, jack, number }: OnBoard): string {
  if (jack === '') return String(number)
  const controller = controllerOf(rig, bankId)
  const places = controller ? jackPlaces(rig, controller) : []
  return places.find((one) => one.jack === jack && one.number === number)?.name ?? `${jack} ${number}`
}

/** "9.4", with a mark for the shift layer: bank as the controller counts, and switch; one on a jack by its name. */
export function placeShort(rig: Rig, { bankId, layer, number }: BoardPlace, jack = ''): string {
  const first = controllerOf(rig, bankId)?.firstBank ?? 1
  const shown = (own(rig.banks, bankId)?.index ?? 0) + first
  return `${shown}.${numberText(rig, { bankId, jack, number })}${layer === 'shift' ? ' shift' : ''}`
}

type Step = Pick<FootMove, 'from' | 'jack' | 'number' | 'how'>

const HOW: Record<FootMove['how'], string> = { press: '', long: ' held', double: ' twice' }

/** "5 held": one step of the foot, as short as it is said. */
export const stepShort = (rig: Rig, { from, jack, number, how }: Step): string =>
  `${numberText(rig, { bankId: from.bankId, jack, number })}${HOW[how]}`

const HOW_LONG: Record<FootMove['how'], string> = { press: '', long: ' held', double: ' twice quickly' }

/** "switch 5 held", "Toe switch". */
export const moveText = (rig: Rig, { from, jack, number, how }: Step): string =>
  `${jack === '' ? 'switch ' : ''}${numberText(rig, { bankId: from.bankId, jack, number })}${HOW_LONG[how]}`
