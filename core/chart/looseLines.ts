import type { ControlAddress } from '#core/rig'
import type { ColumnKind } from './headWords'
import { CC_WORDS, isSurelyNumber, parseNumber } from './numberCell'
import type { TableLine } from './chartRow'
import { readValues } from './valuesCell'

/** What {@link looseLines} cuts a line into. */
export const LOOSE_COLUMNS: readonly ColumnKind[] = ['number', 'name', 'values', 'note']

/** Dots that lead the eye to a number: "Mix ........ 21", "Mix . . . . 21"; not the two or three of "0...127". */
const LEADERS =
  /(?<=[\p{L}\d)\]%]\s*)(?:\s*(?:\.{4,}|(?:\.\s){3,}\.?|…{2,}|_{4,})|(?<=[\p{L})\]])\s*\.{3}(?=\s*(?:cc\s*)?\d{1,3}\s*$))\s*/giu

/** Leaders as a gap between columns. */
export const withoutLeaders = (line: string): string => line.replace(LEADERS, '\t')

const NUMBER = '(?:\\d{1,3}|0x[0-9a-f]{1,2}|\\$[0-9a-f]{1,2}|[0-9a-f]{1,2}h)'
/** A comma before "0-127" ends the number. */
const RUN = `${NUMBER}(?:\\s*(?:-|–|—|to|bis|/|&|and|,(?!\\s*\\d+\\s*(?:-|–|\\.\\.|to|%)))\\s*(?:CC\\s*#?\\s*)?${NUMBER})*`
const EXPLICIT = new RegExp(`(?<![\\p{L}\\d])${CC_WORDS}${RUN}(?![\\d\\p{L}])`, 'giu')
const NRPN = /(?<![\p{L}\d])nrpn\s*[#:]?\s*\(?\d{1,5}(?:\s*[/:,]\s*\d{1,3})?\)?/giu
const LEADING = new RegExp(`^(#?\\s*${NUMBER})\\s*(?:(?:->|=>|[:=.)|→–—-])\\s*|\\s+)(?=[\\p{L}"])`, 'iu')
const TRAILING = new RegExp(
  `^(\\p{L}.*?)(?:\\s*[:=→]\\s*|\\s*->\\s*|\\s+[–—-]\\s+|\\t\\s*)(#?${NUMBER})(?=$|\\s*[([,;])(.*)$`,
  'iu',
)
/** "Mix (21)" */
const IN_BRACKETS = new RegExp(`^(\\p{L}.*?)\\s*[([](#?${NUMBER})[)\\]](.*)$`, 'iu')

const CC: ControlAddress = { kind: 'cc', number: 0 } as ControlAddress

/** Whether a text is understood as values, whole. */
const isValues = (text: string): boolean => {
  const read = readValues(text, '', CC)
  return text !== '' && read.doubt !== 'unclearValues' && read.left === ''
}

interface Found {
  readonly number: string
  readonly before: string
  readonly after: string
}

/** The number a line of running text names, with what stands on both sides of it; `bareToo`: also without "CC". */
function numberIn(line: string, bareToo: boolean): Found | null {
  for (const pattern of [NRPN, EXPLICIT]) {
    const all = [...line.matchAll(pattern)]
    if (all.length === 0) continue
    const [one] = all
    // Two numbers in what could not be cut into two lines: which one is meant is not said.
    if (all.length > 1) return { number: all.map(([text]) => text).join(' ? '), before: line, after: '' }
    return {
      number: one![0].replace(/^nrpn\s*[#:]?\s*/i, 'NRPN '),
      before: line.slice(0, one!.index),
      after: line.slice(one!.index + one![0].length),
    }
  }
  if (!bareToo) return null
  const leading = LEADING.exec(line)
  if (leading) return { number: leading[1]!, before: '', after: line.slice(leading[0].length) }
  const trailing = TRAILING.exec(line) ?? IN_BRACKETS.exec(line)
  return trailing ? { number: trailing[2]!, before: trailing[1]!, after: trailing[3]! } : null
}

/** "CC20 = Gain; CC21 = Tone" and "Mix (CC 21), Decay (CC 22)": a piece for each; the line itself where it cannot be cut. */
function pieces(line: string): string[] {
  const all = [...line.matchAll(EXPLICIT)]
  if (all.length < 2) return [line]
  const before = line.slice(0, all[0]!.index).replace(/^\s*(?:[-*•·–]|\d+[.)])\s+/, '')
  const isLed = !/\p{L}/u.test(before)
  const last = all.at(-1)!
  // "Reverb: CC 21 mix, CC 22 decay": whether the words before or behind a number are its name is not said.
  if (!isLed && /\p{L}/u.test(line.slice(last.index + last[0].length))) return [line]
  const cuts = isLed
    ? all.map(({ index }) => index)
    : [
        0,
        ...all
          .slice(0, -1)
          .map(
            ({ index, 0: text }) =>
              index + text.length + (/^\s*[)\]]/.exec(line.slice(index + text.length))?.[0].length ?? 0),
          ),
      ]
  const parts = cuts.map((from, n) =>
    line
      .slice(from, cuts[n + 1])
      .replace(/^[\s,;|/]+|[\s,;|/]+$/g, '')
      .replace(/^and\s+|\s+and$/g, ''),
  )
  const isWhole = (part: string) => {
    const found = numberIn(part, false)
    const name = found && (found.before + found.after).replace(/[()[\]]/g, ' ')
    return name !== null && /\p{L}{2}/u.test(name) && balanced(part)
  }
  return parts.every(isWhole) ? parts : [line]
}

const balanced = (text: string): boolean =>
  [...text].filter((one) => one === '(').length === [...text].filter((one) => one === ')').length

const TRIM = /^[\s)\]:=.,;–—|→>-]+|[\s([:=,;–—|→-]+$/g
/** "0-127" at the end of words counts as values only where it could not belong to the name, as in "Slots 1-4". */
const TAIL =
  /^(.*?[^\s\d.,:;–-])[\s,:;–-]+((?:0x?0*|[+-]?\d+(?:\.\d+)?\s*(?:%|[\p{L}°]+)?)\s*(?:-|–|\.\.\.?|to)\s*[+-]?\d+(?:\.\d+)?h?\s*(?:%|[\p{L}°]+)?)$/iu

/** A name with values and remarks behind it, apart. */
function nameAndValues(text: string): { name: string; values: string; note: string } {
  const line = text.replace(TRIM, '')
  const bracket = /^(.*?\S)\s*[([]([^()[\]]+)[)\]]\s*(.*)$/.exec(line)
  if (bracket && isValues(bracket[2]!.trim()))
    return { name: tidy(bracket[1]!), values: bracket[2]!.trim(), note: tidy(bracket[3]!) }
  for (const { index, 0: sign } of line.matchAll(/\t+\s*|\s[–—-]\s|\s*[:;=→]\s*|,\s+|\s*->\s*/g)) {
    const [name, tail] = [line.slice(0, index), line.slice(index + sign.length).trim()]
    if (!/\p{L}/u.test(name)) continue
    const [values, ...more] = tail.split('\t').map((one) => one.trim())
    if (isValues(values!)) return { name: tidy(name), values: values!, note: more.filter(Boolean).join('; ') }
    // Values with a remark behind them.
    const read = readValues(tail.replaceAll('\t', ' '), '', CC)
    if (read.doubt !== 'unclearValues' && /^[+-]?[\d.$]/.test(tail))
      return { name: tidy(name), values: tail.replaceAll('\t', ' '), note: '' }
  }
  const offOn = /^(.*\S)\s+((?:off|aus)\s*\/\s*(?:on|ein)|on\s*\/\s*off)$/i.exec(line)
  if (offOn) return { name: tidy(offOn[1]!), values: offOn[2]!, note: '' }
  const tail = TAIL.exec(line)
  if (
    tail &&
    isValues(tail[2]!) &&
    (/^0/.test(tail[2]!) || /\p{L}|%|[+]|\./u.test(tail[2]!.replace(/\bto\b/, '')))
  )
    return { name: tidy(tail[1]!), values: tail[2]!, note: '' }
  // "x" and "o" of an implementation chart say what is sent and heard: none of them is a name before one.
  const cells = line.split('\t').map((one) => one.trim())
  const first = cells.findIndex((one) => !/^[xo]$/i.test(one))
  const [name, ...more] = first < 0 ? cells : cells.slice(first)
  if (bracket && !line.includes('\t')) {
    const outside = nameAndValues(bracket[1]!)
    return {
      ...outside,
      note: [outside.note, tidy(`${bracket[2]!} ${bracket[3]!}`)].filter(Boolean).join('; '),
    }
  }
  return { name: tidy(name!), values: '', note: more.filter(Boolean).join('; ') }
}

const tidy = (text: string): string =>
  text
    .replace(TRIM, '')
    .replace(/^["“'`*]+|["”`*]+$/g, '')
    .replace(/^\(([^()]*)\)$/, '$1')
    .trim()

function cellsOf(line: string, bareToo: boolean): string[] {
  const found = numberIn(line, bareToo)
  if (!found) return [line]
  const before = found.before.replace(/^\s*(?:[-*•·–]|\d+[.)])\s+/, '').replace(TRIM, '')
  const { name, values, note } = nameAndValues(/\p{L}/u.test(before) ? before : found.after)
  if (!/\p{L}/u.test(before)) return [found.number, name, values, note]
  const after = found.after
    .replace(/\t/g, ' ')
    .replace(TRIM, '')
    .replace(/^[([]([^()[\]]*)[)\]]?$/, '$1')
  const isMore = values === '' && isValues(after)
  return [
    found.number,
    name,
    isMore ? after : values,
    [
      note,
      isMore
        ? ''
        : found.after
            .replace(/\t/g, ' ')
            .replace(/^[\s)\]:=.,;–—|→>-]+/, '')
            .trim(),
    ]
      .filter(Boolean)
      .join('; '),
  ]
}

/** Numbers one under the other, each with its name and values on lines of their own, as a PDF gives columns. */
function folded(lines: readonly TableLine[]): TableLine[] | null {
  const full = lines.filter(({ cells }) => cells.join('').trim() !== '')
  const at = full.flatMap(({ cells }, n) => (cells.length === 1 && isBareNumber(cells[0]!) ? [n] : []))
  const step = at.length < 3 ? 0 : at[1]! - at[0]!
  const isEven = step >= 2 && step <= 4 && at.every((n, m) => m === 0 || n - at[m - 1]! === step)
  if (!isEven || full.length - at.at(-1)! < step) return null
  return [
    ...full.slice(0, at[0]),
    ...at.map((n) => ({
      line: full[n]!.line,
      cells: full.slice(n, n + step).map(({ cells }) => cells.join(' ')),
    })),
    ...full.slice(at.at(-1)! + step),
  ]
}

const isBareNumber = (text: string): boolean =>
  parseNumber(text) !== null && /^(?:cc\s*#?\s*)?\d{1,3}$/i.test(text.trim())

/**
 * Lines of running text, as a forum or a page of a manual gives them, cut into number, name, values and note. A
 * number without "CC" before it counts only where most lines have one, so that "3 knobs" is none in a text of
 * "CC 21".
 */
export function looseLines(lines: readonly TableLine[]): TableLine[] {
  const texts = lines.map(({ line, cells }) => ({ line, text: cells.join('\t').trim() }))
  const full = texts.filter(({ text }) => text !== '')
  const stacked = folded(texts.map(({ line, text }) => ({ line, cells: [text] })))
  if (stacked) return stacked
  const count = (is: (text: string) => boolean) => full.filter(({ text }) => is(text)).length
  const said = count((text) => numberIn(text, false) !== null)
  const bare = count((text) => numberIn(text, false) === null && numberIn(text, true) !== null)
  return texts.flatMap(({ line, text }) =>
    text === ''
      ? [{ line, cells: [''] }]
      : pieces(text).map((piece) => ({ line, cells: cellsOf(piece, said === 0 && bare * 2 >= full.length) })),
  )
}

const START_SLACK = 3

/**
 * Lines whose columns are set with spaces, as a table: every line has as many cells as most, or its cells start where
 * those of the others do. Null where the lines are no such table.
 */
export function spacedTable(texts: readonly { line: number; text: string }[]): TableLine[] | null {
  const cut = texts.map(({ line, text }) => {
    const flat = withoutLeaders(text)
    const cells: string[] = []
    const starts: number[] = []
    for (const found of flat.matchAll(/\S+(?: \S+)*/g)) {
      cells.push(found[0])
      starts.push(found.index)
    }
    return { line, text, cells, starts }
  })
  const several = cut.filter(({ cells }) => cells.length > 1)
  const counts = new Map<number, number>()
  for (const { cells } of several) counts.set(cells.length, (counts.get(cells.length) ?? 0) + 1)
  const width = Math.max(0, ...counts.keys())
  const [usual, most] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [0, 0]
  if (usual < 2 || most * 2 < several.length) return null
  const numbered = several.filter(({ cells }) => cells.some((cell) => isSurelyNumber(cell)))
  if (numbered.length * 2 < several.length - 1) return null
  const full = several.filter(({ cells }) => cells.length === width)
  const anchors = Array.from({ length: width }, (_, n) => {
    const all = full.map(({ starts }) => starts[n]!)
    return { least: Math.min(...all), most: Math.max(...all) }
  })
  const areStraight = anchors.every(({ least, most: last }) => last - least <= START_SLACK * 2)
  return cut.map(({ line, text, cells, starts }): TableLine => {
    if (cells.length <= 1) {
      const n = areStraight ? placeOf(anchors, starts[0] ?? 0) : 0
      return { line, cells: n > 0 ? [...Array<string>(n).fill(''), text.trim()] : [text.trim()] }
    }
    if (cells.length === width) return { line, cells }
    const places = areStraight ? starts.map((start) => placeOf(anchors, start)) : []
    if (new Set(places).size === cells.length && !places.includes(-1)) {
      const placed = Array<string>(width).fill('')
      cells.forEach((cell, n) => (placed[places[n]!] = cell))
      return { line, cells: placed }
    }
    // The usual shape, where longer lines only have more behind it.
    if (!areStraight && cells.length === usual) return { line, cells }
    return { line, cells, unclear: true }
  })
}

const placeOf = (anchors: readonly { least: number; most: number }[], start: number): number =>
  anchors.findIndex(({ least, most }) => start >= least - START_SLACK && start <= most + START_SLACK)
