import { parseNrpn, parseNumber } from './cells'

/** What a column of a pasted table holds. */
export const COLUMN_KINDS = ['number', 'name', 'section', 'values', 'unit', 'note', 'ignore'] as const

export type ColumnKind = (typeof COLUMN_KINDS)[number]

/** Words in column heads, as manuals write them. */
const HEADS: Record<Exclude<ColumnKind, 'ignore'>, RegExp> = {
  number:
    /^(?:cc|cc ?#|cc ?(?:no|num|number)\.?|#|no\.?|number|controller(?: ?(?:#|no\.?|number))?|midi cc|control(?:ler)? change|hex|dec(?:imal)?|address)$/i,
  name: /^(?:name|parameter|function|control|description|knob|param(?:eter)? name)$/i,
  section: /^(?:section|block|group|category|effect|module|page)$/i,
  values: /^(?:values?|range|data|value range|cc values?|min ?[-/] ?max|settings?)$/i,
  unit: /^(?:units?)$/i,
  note: /^(?:notes?|comments?|remarks?|info)$/i,
}

/** Whether a row is a head: it names at least a number and something else, and holds no number itself. */
export function isHead(cells: readonly string[]): boolean {
  const kinds = cells.map(kindOfHead).filter((kind) => kind !== null)
  return kinds.length >= 2 && !cells.some((cell) => parseNumber(cell) !== null)
}

function kindOfHead(cell: string): ColumnKind | null {
  const text = cell.trim()
  return (Object.keys(HEADS) as (keyof typeof HEADS)[]).find((kind) => HEADS[kind].test(text)) ?? null
}

/**
 * What each column most likely holds: by the head when there is one, else by what is in it. The player
 * can say otherwise.
 */
export function recogniseColumns(rows: readonly (readonly string[])[]): ColumnKind[] {
  const width = Math.max(0, ...rows.slice(0, 200).map((cells) => cells.length))
  const head = rows.slice(0, 20).find(isHead)
  const kinds: ColumnKind[] = Array.from({ length: width }, (_, n) => kindOfHead(head?.[n] ?? '') ?? 'ignore')
  const taken = (kind: ColumnKind) => kinds.includes(kind)
  const body = rows.filter((cells) => !isHead(cells)).slice(0, 200)
  const share = (n: number, is: (cell: string) => boolean) => {
    const filled = body.map((cells) => cells[n]?.trim() ?? '').filter((cell) => cell !== '')
    return filled.length === 0 ? 0 : filled.filter(is).length / filled.length
  }
  const isNumber = (cell: string) => parseNumber(cell) !== null || parseNrpn(cell) !== null
  const guess = (kind: ColumnKind, is: (cell: string) => boolean, least: number) => {
    if (taken(kind)) return
    const best = kinds
      .map((now, n) => ({ n, now, share: share(n, is) }))
      .filter((one) => one.now === 'ignore' && one.share >= least)
      .sort((a, b) => b.share - a.share)[0]
    if (best) kinds[best.n] = kind
  }
  guess('number', isNumber, 0.6)
  guess('values', (cell) => /\d\s*(?:\.\.|-|–|to|~)\s*[+-]?\d|off\s*\/\s*on|\d\s*[:=]/i.test(cell), 0.4)
  guess('name', (cell) => /\p{L}{2}/u.test(cell) && !isNumber(cell), 0.5)
  guess('note', (cell) => /\p{L}{2}/u.test(cell), 0.3)
  // The same number twice, decimal and hex: the second is a copy.
  return kinds.map((kind, n) => (kind === 'number' && kinds.indexOf('number') < n ? 'ignore' : kind))
}
