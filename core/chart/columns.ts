import { kindOfHead, type ColumnKind } from './headWords'
import { isSurelyNumber, parseNumber } from './numberCell'

type Cells = readonly string[]

const filled = (cells: Cells): string[] => cells.map((cell) => cell.trim()).filter((cell) => cell !== '')

/** Whether a row is a head: it names at least two things, one of them a number or a name, and holds no number itself. */
export function isHead(cells: Cells): boolean {
  const kinds = cells.map((cell) => kindOfHead(cell)?.kind ?? null)
  const named = kinds.filter((kind) => kind !== null)
  const says = named.some((kind) => ['number', 'hex', 'nrpn', 'msb', 'name'].includes(kind))
  return named.length >= 2 && says && !cells.some((cell, n) => kinds[n] === null && isSurelyNumber(cell))
}

/** How far down a head may stand, and how many lines it may have. */
const [HEAD_WITHIN, HEAD_LINES] = [20, 3]

/** Words of one head over several lines, joined column by column. */
function joined(rows: readonly Cells[]): string[] {
  const width = Math.max(0, ...rows.map((cells) => cells.length))
  return Array.from({ length: width }, (_, n) =>
    rows
      .map((cells) => cells[n]?.trim() ?? '')
      .filter((cell) => cell !== '')
      .join(' '),
  )
}

const hasNumber = (cells: Cells): boolean =>
  cells.some((cell) => kindOfHead(cell) === null && (/^[^\p{L}]*\d/u.test(cell) || isSurelyNumber(cell)))

/** Whether every cell of a row names what its column holds. */
const isWholeHead = (cells: Cells): boolean =>
  isHead(cells) && filled(cells).every((cell) => kindOfHead(cell) !== null) && !hasNumber(cells)

/**
 * The rows that are heads, and what they say of each column. A head may be merged over several lines ("MIDI" over
 * "CC"), and stands again on each page.
 */
export function headsOf(rows: readonly Cells[]): { readonly at: ReadonlySet<number>; readonly head: Cells } {
  const body = rows.findIndex(hasNumber)
  const before = rows.slice(0, Math.min(body < 0 ? HEAD_WITHIN : body, HEAD_WITHIN))
  // A whole head ends where the next line is none; else the lines with several cells straight above the body are it,
  // where a section's name may stand between.
  const whole = before.findIndex(isWholeHead)
  let last = whole < 0 ? before.findLastIndex((cells) => filled(cells).length > 1) + 1 : whole + 1
  while (whole >= 0 && last < before.length && isWholeHead(before[last]!)) last++
  let first = last
  while (first > 0 && last - first < HEAD_LINES && filled(before[first - 1]!).length > 1) first--
  const block = before.slice(first, last)
  const head = headOf(block)
  const at = new Set<number>()
  if (head) for (let n = first; n < last; n++) at.add(n)
  const again = new Set(head ? block.map((cells) => filled(cells).join('\t').toLowerCase()) : [])
  rows.forEach((cells, n) => {
    if (
      (isHead(cells) && !cells.some((cell) => /\d/.test(cell))) ||
      again.has(filled(cells).join('\t').toLowerCase())
    )
      at.add(n)
  })
  const found = rows.slice(0, HEAD_WITHIN).find((_, n) => at.has(n))
  return { at, head: head ?? found ?? [] }
}

/** The head a block of lines makes: of each column the whole, else its last line, else its first. Null when it is none. */
function headOf(block: readonly Cells[]): string[] | null {
  if (block.length === 0) return null
  const whole = joined(block)
  const head = whole.map((text, n) => {
    const ways = [text, ...block.toReversed().map((cells) => cells[n] ?? '')]
    return ways.find((way) => kindOfHead(way) !== null) ?? text
  })
  const kinds = head.flatMap((cell) => kindOfHead(cell)?.kind ?? [])
  return kinds.length >= 2 || (kinds.length === 1 && (kinds[0] === 'number' || kinds[0] === 'ignore'))
    ? head
    : null
}

/** Lines looked at to tell what columns hold. */
const LOOKED_AT = 200
/** More columns than this has no chart. */
export const COLUMNS_MAX = 64

const TYPE = /^(?:cc|control change|nrpn|rpn|pc|program change|note|sysex|pitch bend)$/i

/**
 * What each column most likely holds: by the head when there is one, else by what is in it. Where several columns
 * may hold the number and nothing says which, none does. The player can say otherwise.
 */
export function recogniseColumns(rows: readonly Cells[]): ColumnKind[] {
  const { at, head } = headsOf(rows)
  const body = rows.filter((_, n) => !at.has(n)).slice(0, LOOKED_AT)
  const looked = rows.slice(0, LOOKED_AT)
  const width = Math.min(COLUMNS_MAX, Math.max(0, ...looked.map((cells) => cells.length)))
  const columns = Array.from({ length: width }, (_, n) =>
    body.map((cells) => cells[n]?.trim() ?? '').filter((cell) => cell !== ''),
  )
  const share = (n: number, is: (cell: string) => boolean) =>
    columns[n]!.length === 0 ? 0 : columns[n]!.filter(is).length / columns[n]!.length
  const distinct = (n: number) =>
    columns[n]!.length === 0 ? 0 : new Set(columns[n]).size / columns[n]!.length
  const isNumber = isSurelyNumber
  const isHexLike = (cell: string) => /^[0-9a-f]{1,2}h?$/i.test(cell)

  const heads = Array.from({ length: width }, (_, n) => kindOfHead(head[n] ?? ''))
  const kinds: (ColumnKind | null)[] = heads.map((one, n) => {
    if (one === null) return null
    // "Control" may be the number or the name, "Type" the message or a remark: what stands below tells.
    if (one.kind === 'number' && !one.isCertain && share(n, isNumber) + share(n, isHexLike) < 0.5)
      return columns[n]!.length === 0 ? 'number' : 'name'
    if (one.kind === 'name' && columns[n]!.length > 1 && share(n, isNumber) > 0.8) return null
    if (one.kind === 'type' && share(n, isNumber) >= 0.5) return 'number'
    if (one.kind === 'type' && share(n, (cell) => TYPE.test(cell)) < 0.6) return 'note'
    return one.kind
  })
  onlyOneNumber(kinds, heads)
  const has = (kind: ColumnKind) => kinds.includes(kind)
  const guess = (kind: ColumnKind, worth: (n: number) => number, least: number) => {
    const best = kinds
      .map((now, n) => ({ n, now, worth: worth(n) }))
      .filter((one) => one.now === null && one.worth >= least)
      .sort((a, b) => b.worth - a.worth)[0]
    if (best) kinds[best.n] = kind
  }
  if (!has('type')) guess('type', (n) => share(n, (cell) => TYPE.test(cell)), 0.8)
  if (!has('number') && !has('hex')) guessNumber(kinds, columns, share, distinct, isNumber)
  if (!has('values') && !has('min'))
    guess(
      'values',
      (n) => share(n, (cell) => /\d\s*(?:\.\.|-|–|to|~)\s*[+-]?\d|off\s*\/\s*on|\d\s*[:=]/i.test(cell)),
      0.4,
    )
  const isText = (cell: string) => /\p{L}{2}/u.test(cell) && !isNumber(cell)
  if (!has('name')) {
    // Of two columns of words the one that repeats itself is the section.
    const texts = kinds.flatMap((kind, n) => (kind === null && share(n, isText) >= 0.5 ? [n] : []))
    const [first, second] = texts
    if (
      first !== undefined &&
      second !== undefined &&
      repeats(columns[first]!) > repeats(columns[second]!) &&
      repeats(columns[first]!) >= 0.3
    ) {
      kinds[first] = has('section') ? 'note' : 'section'
      kinds[second] = 'name'
    } else if (first !== undefined) kinds[first] = 'name'
  }
  if (!has('note')) guess('note', (n) => share(n, (cell) => /\p{L}{2}/u.test(cell)), 0.3)
  return kinds.map((kind) => kind ?? 'ignore')
}

/** How many cells say the same as the one above them, as a share. */
const repeats = (column: readonly string[]): number =>
  column.length < 2
    ? 0
    : column.filter((cell, n) => n > 0 && cell === column[n - 1]).length / (column.length - 1)

/** Of several columns headed as numbers the surest holds it; a counter of lines is left out. */
function onlyOneNumber(
  kinds: (ColumnKind | null)[],
  heads: readonly ({ isCertain: boolean } | null)[],
): void {
  const numbers = kinds.flatMap((kind, n) => (kind === 'number' ? [n] : []))
  const best = numbers.find((n) => heads[n]!.isCertain) ?? numbers[0]
  for (const n of numbers) if (n !== best) kinds[n] = 'ignore'
}

function guessNumber(
  kinds: (ColumnKind | null)[],
  columns: readonly (readonly string[])[],
  share: (n: number, is: (cell: string) => boolean) => number,
  distinct: (n: number) => number,
  isNumber: (cell: string) => boolean,
): void {
  const explicit = (cell: string) => /^(?:cc|ctrl|nrpn|#)/i.test(cell) && isNumber(cell)
  const candidates = kinds.flatMap((kind, n) =>
    kind === null && share(n, isNumber) >= 0.6 && (columns[n]!.length < 3 || distinct(n) > 0.6) ? [n] : [],
  )
  const [said] = candidates.filter((n) => share(n, explicit) > 0.5)
  const hex = hexCopy(candidates, columns)
  const left = candidates.filter((n) => n !== hex && !isCounter(columns[n]!))
  const rest = left.length > 0 ? left : candidates
  if (hex !== null) kinds[hex] = 'hex'
  if (said !== undefined) kinds[said] = 'number'
  else if (rest.length === 1 || rest[0] === 0) kinds[rest[0]!] = 'number'
  else if (rest.length === 0) {
    // Bare hex has letters among its digits somewhere, and nothing that is not hex.
    const letters = kinds.findIndex(
      (kind, n) =>
        kind === null &&
        columns[n]!.length > 0 &&
        columns[n]!.every((cell) => /^[0-9a-f]{2}$/i.test(cell)) &&
        columns[n]!.some((cell) => /\d/.test(cell)),
    )
    if (letters >= 0) kinds[letters] = 'hex'
  }
}

/** A column that says in hex what another says in decimal, line by line. */
function hexCopy(candidates: readonly number[], columns: readonly (readonly string[])[]): number | null {
  for (const a of candidates)
    for (const b of candidates) {
      const [hex, dec] = [columns[a]!, columns[b]!]
      if (a === b || hex.length !== dec.length || hex.every((cell, n) => cell === dec[n])) continue
      if (hex.every((cell, n) => parseNumber(cell, true) === parseNumber(dec[n]!))) return a
    }
  return null
}

const isCounter = (column: readonly string[]): boolean =>
  column.length > 2 && column.every((cell, n) => cell.replace(/[.)]$/, '') === String(n + 1))
