import { own, type BoardPlace, type Rig } from '#core'

/** "9.4", with a mark for the shift layer: bank as the controller counts, and switch; on a jack with its name. */
export function placeShort(rig: Rig, { bankId, layer, number }: BoardPlace, jack = ''): string {
  const bank = own(rig.banks, bankId)
  const first = own(rig.controllers, bank?.controllerId ?? '')?.firstBank ?? 1
  const place = jack === '' ? String(number) : `${jack} ${number}`
  return `${(bank?.index ?? 0) + first}.${place}${layer === 'shift' ? ' shift' : ''}`
}
