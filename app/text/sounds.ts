import { own } from '#core/base'
import { formatDisplay, type Cell, type Footswitch, type Rig } from '#core/rig'
import type { CellRefusal, Doubt, PasteFault, Use } from '#core/sound'
import { count, listText } from '#shared/words/counts'
import { bankText } from '#shared/actions/travel'
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
export function useText(use: Use): string {
  const some = (all: readonly unknown[], one: string, many?: string) =>
    all.length > 0 ? [count(all.length, one, many)] : []
  const parts = [
    ...some(use.sounds, 'sound'),
    ...some(use.switches, 'switch', 'switches'),
    ...some(use.macros, 'macro'),
    ...some(use.songs, 'song'),
    ...some(use.pedals, 'pedal'),
    ...some(use.banks, 'bank'),
    ...some(use.controllers, 'controller'),
    ...some(use.devices, 'device'),
    ...some(use.recalledBy, 'preset that recalls it', 'presets that recall it'),
    ...some(use.nevers, 'check of yours', 'checks of yours'),
    ...some(use.runs, 'recorded run'),
    ...(use.pairs.length > 0 ? [`${count(use.pairs.length, 'learned pair')}, to be learned again`] : []),
    ...(use.presets.length > 0
      ? [`the map in ${count(use.presets.length, 'preset')}, to be entered again`]
      : []),
  ]
  return parts.length === 0 ? 'Nothing uses it yet.' : `A change here touches ${listText(parts)}.`
}

/** What uses it, each by its name or place. */
export function useNames(rig: Rig, use: Use): string[] {
  return [
    ...use.sounds.map(({ name }) => name),
    ...use.switches.map((one) => switchPlace(rig, one)),
    ...use.macros.map(({ name }) => `macro ${name}`),
    ...use.songs.map(({ name }) => `song ${name}`),
    ...use.pedals.map(({ name }) => name),
    ...use.banks.map(({ id }) => `on coming to or leaving bank ${bankText(rig, id)}`),
    ...use.controllers.map(({ name }) => `${name} as it is switched on`),
    ...use.devices.map(({ name }) => name),
    ...use.recalledBy.map(({ deviceId, index }) => {
      const device = own(rig.devices, deviceId)
      return device ? `preset ${formatDisplay(device.numbering, index)}` : 'a preset'
    }),
    ...use.runs.map(({ name }) => `run ${name}`),
    ...use.pairs.map(({ name }) => name),
  ]
}

/** At most so many names are told at once; the rest is counted. */
const NAMES_MOST = 12

/** "Verse; bank 1, switch 2 and 3 more". */
export function namesText(names: readonly string[]): string {
  const more = names.length - NAMES_MOST
  return names.slice(0, NAMES_MOST).join('; ') + (more > 0 ? ` and ${more} more` : '')
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
