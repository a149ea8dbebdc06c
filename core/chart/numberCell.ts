import { nrpnReadings, type NrpnReading } from '#core/rig'

/** What stands before a controller number: "CC", "CC#", "MIDI CC no. ", "Control change", "Controller Nr. ". */
export const CC_WORDS =
  '(?:(?:midi\\s+)?(?:cc|ctrl|ctl|control(?:ler)?(?:\\s+change)?|contrôleur|controlador)(?:\\s*(?:no|nr|num|number|n°|nº))?)\\s*[#:.]?\\s*'

const PREFIX = new RegExp(`^(?:${CC_WORDS}|[#№]\\s*)`, 'i')
const EXPLICIT = new RegExp(`^${CC_WORDS}(?=[\\d$])`, 'i')

/** Marks of emphasis and of footnotes, which say nothing of the number. */
const bare = (text: string): string =>
  text
    .trim()
    .replace(/^[*_`]+|[*_`†‡§]+$/g, '')
    .trim()

/** "21", "CC 21", "CC#21", "#21", "0x15", "15h", "$15": a number from 0; null when it is none. `isHex` reads bare digits as hex. */
export function parseNumber(text: string, isHex = false): number | null {
  const cell = bare(text).replace(PREFIX, '')
  const hex = /^(?:0x|\$)([0-9a-f]{1,4})$/i.exec(cell)?.[1] ?? /^([0-9a-f]{1,4})h(?:ex)?$/i.exec(cell)?.[1]
  if (hex !== undefined) return Number.parseInt(hex, 16)
  if (isHex && /^[0-9a-f]{1,2}$/i.test(cell)) return Number.parseInt(cell, 16)
  return /^\d{1,5}$/.test(cell) ? Number(cell) : null
}

/** What is set beside the number of an NRPN; docs/formats.md says it. */
export interface NrpnCell {
  readonly readings: readonly NrpnReading[]
  readonly isWide: boolean
  readonly nullAfter: boolean
}

const NRPN_MORE = /,?\s*\b(14[ -]?bit|no null|as one number)\b/gi

/** "NRPN 12588", "NRPN 98/44", "NRPN 98/44, 14 bit, no null": every way it can be meant; null when it names no NRPN. */
export function parseNrpn(text: string): NrpnCell | null {
  const cell = /^\s*nrpn\s*[#:]?\s*\(?(.*?)\)?\s*$/i.exec(bare(text))?.[1]
  if (cell === undefined || !/\d/.test(cell)) return null
  const more = [...cell.matchAll(NRPN_MORE)].map((one) => one[1]!.toLowerCase())
  const readings = nrpnReadings(cell.replace(NRPN_MORE, ''))
  const asOne = more.includes('as one number') && readings.length === 1
  return {
    readings: asOne ? [{ ...readings[0]!, written: 'number' }] : readings,
    isWide: more.some((one) => one.startsWith('14')),
    nullAfter: !more.includes('no null'),
  }
}

/** What a cell in the column of numbers says. */
export type NumberCell =
  | { readonly kind: 'cc'; readonly numbers: readonly number[]; readonly isExplicit: boolean }
  | { readonly kind: 'nrpn'; readonly nrpn: NrpnCell }
  /** A program change, a note, an RPN: no control. */
  | { readonly kind: 'other' }
  | { readonly kind: 'none' }

/** Messages that are not controls, as a line or a column of types names them. */
export const OTHER_MESSAGE =
  /^(?:rpn|pc|prog(?:ram)?(?: ?change| ?no\.?)?|notes?(?: ?o[nf]f?)?|pitch ?bend(?:er)?|pb|sys ?ex|system exclusive|(?:channel |poly )?(?:aftertouch|pressure)|at|clock|real ?time|bank(?: ?select)?)\b/i

const RUN = /^(.+?)\s*(?:-|–|—|\.\.\.?|…|\bto\b|\bbis\b|\bthrough\b|\bthru\b)\s*(.+)$/i
const STATUS = /^B[0-9A-FNX]h?\s+([0-9A-F]{2})h?(?:\s+(?:[0-9A-F]{2}|[a-z]{1,4})h?)?$/i

/** Reads a cell of the column of numbers: one number, the same in two ways ("21 (15h)"), a run of them ("20-23"), an NRPN. */
export function readNumberCell(text: string, isHex: boolean): NumberCell {
  const cell = bare(text)
  if (cell === '') return { kind: 'none' }
  const nrpn = parseNrpn(cell)
  if (nrpn) return { kind: 'nrpn', nrpn }
  if (OTHER_MESSAGE.test(cell)) return { kind: 'other' }
  const isExplicit = EXPLICIT.test(cell)
  const cc = (numbers: readonly number[]): NumberCell => ({ kind: 'cc', numbers, isExplicit })
  const one = parseNumber(cell, isHex)
  if (one !== null) return cc([one])
  const status = STATUS.exec(cell)?.[1]
  if (status !== undefined) return { kind: 'cc', numbers: [Number.parseInt(status, 16)], isExplicit: true }
  const twice = sameTwice(cell)
  if (twice !== null) return cc([twice])
  const run = RUN.exec(cell)
  const [from, to] = run ? [parseNumber(run[1]!, isHex), parseNumber(run[2]!, isHex)] : [null, null]
  if (from !== null && to !== null && from < to && to - from < 128)
    return cc(Array.from({ length: to - from + 1 }, (_, n) => from + n))
  const list = cell.split(/\s*(?:[,;/+&]|\band\b)\s*/i).map((part) => parseNumber(part, isHex))
  return list.length > 1 && list.every((number) => number !== null) ? cc(list) : { kind: 'none' }
}

/** Whether a cell can hardly be anything but the number of a control: not "0-127", which is more likely its values. */
export function isSurelyNumber(text: string): boolean {
  const cell = readNumberCell(text, false)
  if (cell.kind === 'nrpn') return true
  return cell.kind === 'cc' && (cell.numbers.length === 1 || cell.isExplicit || cell.numbers[0]! > 0)
}

/** "21 (15h)", "0x15 / 21": one number in decimal and hex; null when the two differ. */
function sameTwice(cell: string): number | null {
  const parts = /^(.+?)\s*(?:\(|\[|\/|=)\s*(.+?)[)\]]?$/.exec(cell)
  if (!parts) return null
  const marked = (part: string) => /^(?:0x|\$)|h(?:ex)?$/i.test(part.trim())
  const [a, b] = [parts[1]!, parts[2]!]
  if (marked(a) === marked(b)) return null
  const [one, other] = [parseNumber(a), parseNumber(b)]
  return one !== null && one === other ? one : null
}
