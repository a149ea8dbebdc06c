import { requireIntegerBetween, accept, refuse, type Result } from '#core/base'
import { formatCounter, parseCounter } from './counter'
import type { Numbering } from './numbering'

/**
 * What the device's display shows for preset `index`, counted from 0. Total over 0 to `count` - 1;
 * throws RangeError outside. {@link parseDisplay} is the inverse.
 */
export function formatDisplay(numbering: Numbering, index: number): string {
  requireIntegerBetween('A preset index', index, 0, numbering.count - 1)
  if (numbering.style === 'plain') return String(index + numbering.first).padStart(numbering.digits, '0')
  const bank = formatCounter(numbering.bank, Math.floor(index / numbering.slots))
  return bank + numbering.separator + formatSlot(numbering, index % numbering.slots)
}

type Banked = Extract<Numbering, { style: 'banked' }>

/** Slots are padded to one width, so that "12" + "3" can be told from "1" + "23". */
function formatSlot(numbering: Banked, slot: number): string {
  return formatCounter(numbering.slot, slot).padStart(slotWidth(numbering), '0')
}

const slotWidth = ({ slot, slots }: Banked): number => formatCounter(slot, slots - 1).length

/** Why a typed preset number is none of the device's. */
export type DisplayRefusal =
  /** Not a number of this device's kind; `first` and `last` show what one looks like. */
  | { readonly code: 'unreadable'; readonly text: string; readonly first: string; readonly last: string }
  | { readonly code: 'outside'; readonly text: string; readonly first: string; readonly last: string }

/**
 * The preset index, from 0, that a displayed number stands for. Reads what a player may type: small
 * letters, missing or extra leading zeros, spaces, any separator. Refused outside the range.
 */
export function parseDisplay(numbering: Numbering, text: string): Result<number, DisplayRefusal> {
  const range = {
    text: text.trim(),
    first: formatDisplay(numbering, 0),
    last: formatDisplay(numbering, numbering.count - 1),
  }
  const index =
    numbering.style === 'plain' ? parsePlain(numbering, range.text) : parseBanked(numbering, range.text)
  if (index === null) return refuse({ code: 'unreadable', ...range })
  if (index < 0 || index >= numbering.count) return refuse({ code: 'outside', ...range })
  return accept(index)
}

const parsePlain = ({ first }: { first: number }, text: string): number | null =>
  /^\d{1,6}$/.test(text) ? Number(text) - first : null

/** -1 for an address that is well formed but whose slot or bank does not exist. */
function parseBanked(numbering: Banked, text: string): number | null {
  const parts = splitAddress(numbering, text)
  if (!parts) return null
  const bank = parseCounter(numbering.bank, parts.bank)
  const slot = parseCounter(numbering.slot, parts.slot)
  if (bank === null || slot === null || slot >= numbering.slots) return -1
  return bank * numbering.slots + slot
}

function splitAddress(numbering: Banked, text: string): { bank: string; slot: string } | null {
  const apart = /^([a-z]+|\d+)[\s.:-]+([a-z]+|\d+)$/i.exec(text) ?? crossing(text)
  if (apart) return matchesKinds(numbering, apart[1]!, apart[2]!)
  // One run of letters or digits: the slot is its last, fixed-width part.
  const width = slotWidth(numbering)
  if (!/^([a-z]+|\d+)$/i.test(text) || text.length <= width) return null
  return matchesKinds(numbering, text.slice(0, -width), text.slice(-width))
}

/** "B4", "12C": the place where letters meet digits. */
const crossing = (text: string) => /^([a-z]+)(\d+)$/i.exec(text) ?? /^(\d+)([a-z]+)$/i.exec(text)

function matchesKinds(numbering: Banked, bank: string, slot: string) {
  const isKind = (symbols: 'letters' | 'digits', part: string) =>
    /^\d+$/.test(part) === (symbols === 'digits')
  return isKind(numbering.bank.symbols, bank) && isKind(numbering.slot.symbols, slot) ? { bank, slot } : null
}
