import {
  own,
  type CellRefusal,
  type Cell,
  type Doubt,
  type Footswitch,
  type PasteFault,
  type Rig,
  type Use,
} from '#core'
import { count, listText } from '#shared/counts'
import { placeText } from './switchPlaces'

/** Why typed text was not taken, and what to type instead. */
export function cellRefusalText(refusal: CellRefusal, device: string): string {
  switch (refusal.code) {
    case 'ambiguous':
      return `“${refusal.text}” can be ${listText(refusal.meanings, 'or')}. Write more of it.`
    case 'badValue':
      return `${refusal.control} takes ${refusal.allowed}, not “${refusal.text}”.`
    case 'notUnderstood':
      return refusal.near.length > 0
        ? `${device} has no “${refusal.text}”. Did you mean ${listText(refusal.near, 'or')}?`
        : `${device} has no “${refusal.text}”. Write a preset, a control with its value, off, rest or leave.`
  }
}

/** Why a pasted cell was left out, with its place. */
export function pasteFaultText({ row, column, text, sound, device, why }: PasteFault): string {
  const place = `Line ${row}, column ${column}${sound || device ? ` (${[sound, device].filter(Boolean).join(', ')})` : ''}`
  if (why.code === 'noDevice') return `${place}: there is no device in this column for “${text}”.`
  if (why.code === 'noName') return `${place}: a new sound needs a name in the first column.`
  return `${place}: ${cellRefusalText(why, device)}`
}

/** What a cell's kind is called where one is chosen from a list. */
export const CELL_KIND_TEXT: Record<Cell['kind'], string> = {
  preset: 'A preset',
  values: 'Values only',
  off: 'Off',
  rest: 'At rest',
  leave: 'Leave alone',
  foot: 'By foot',
  contacts: 'Contacts',
  pair: 'Learned state',
}

/** What a doubt comes to, in a few words. */
export const DOUBT_TEXT: Record<Doubt['code'], string> = {
  noBypass: 'no way to switch it off is known',
  noRest: 'it has no rest yet',
  noWay: 'nothing leads to it',
  noProgram: 'no program closes these contacts',
  otherDevice: 'it names another device',
  cannotBeSet: 'a control that changes over cannot be set',
  notMapped: 'a control may not be mapped in the preset',
  ignoresPrograms: 'it ignores program changes',
  pulsed: 'its jack wants pulses',
}

/** "3 sounds, 2 switches": what a change touches. */
export function useText({ sounds, switches, pairs, presets, pedals }: Use): string {
  const parts = [
    ...(sounds.length > 0 ? [count(sounds.length, 'sound')] : []),
    ...(switches.length > 0 ? [count(switches.length, 'switch', 'switches')] : []),
    ...(pedals.length > 0 ? [count(pedals.length, 'pedal')] : []),
    ...(pairs.length > 0 ? [`${count(pairs.length, 'learned pair')}, to be learned again`] : []),
    ...(presets.length > 0 ? [`the map in ${count(presets.length, 'preset')}, to be entered again`] : []),
  ]
  return parts.length === 0 ? 'Nothing uses it yet.' : `A change here touches ${listText(parts)}.`
}

/** "bank 1, switch 2". */
export function switchPlace(
  rig: Rig,
  { bankId, number, jack = '', layer = 'base' }: Pick<Footswitch, 'bankId' | 'number'> & Partial<Footswitch>,
): string {
  const bank = own(rig.banks, bankId)
  const controller = own(rig.controllers, bank?.controllerId ?? '')
  const where = controller ? placeText(rig, controller, { jack, number }) : `switch ${number}`
  return `bank ${(bank?.index ?? 0) + (controller?.firstBank ?? 0)}, ${where}${layer === 'shift' ? ', shift' : ''}`
}
