import type { Controller, Footswitch, Rig } from '#core/rig'
import { jackPlaces } from '#core/simulate'

/** "switch 3"; for a footswitch on a jack what that is called. */
export function placeText(
  rig: Rig,
  controller: Controller,
  { jack, number }: Pick<Footswitch, 'jack' | 'number'>,
): string {
  if (jack === '') return `switch ${number}`
  const place = jackPlaces(rig, controller).find((one) => one.jack === jack && one.number === number)
  return place?.name ?? `footswitch ${number} on ${jack}`
}
