import { cutText } from '#core/base'
import {
  canBeUnit,
  convertUnit,
  finerUnit,
  isKnownUnit,
  MINUS,
  plainNumber,
  highestValue,
  type ControlAddress,
  type Reading,
  NAME_MAX,
} from '#core/rig'

/** What was assumed of a cell about values, to be told beside the line. */
export type ValuesDoubt =
  /** It says nothing that is understood: all values are taken, and the cell is kept as a note. */
  | 'unclearValues'
  /** "0-10": taken as what is sent; it may as well be what the display shows. */
  | 'rawOrShown'
  /** A wide range is seldom linear; the chart does not say. */
  | 'scale'

/** A cell about values as it is read; `left` is what else it says. */
export interface ReadValues {
  readonly reading: Reading
  readonly left: string
  readonly doubt: ValuesDoubt | null
}

const END = `[+${MINUS}]?\\d+(?:[.,]\\d+)*(?:e[+-]?\\d+)?|[+${MINUS}]?(?<!\\.)\\.\\d+|0x[0-9a-f]+|\\$[0-9a-f]+|[0-9a-f]{1,2}h`
const UNIT = '%|°|[°\\p{L}µΩ]+(?:\\/\\p{L}+)?'
const BETWEEN = `\\s*(?:\\.{2,}|…|[${MINUS}—~]|(?<![\\p{L}])(?:to|bis|à|hasta|thru|through)(?![\\p{L}]))\\s*`
/** Two ends: "0-127", "0..127", "20 Hz - 20 kHz", "00h-7Fh"; groups: end, unit, end, unit. */
const RANGE = `(?:(0x[0-9a-f]+|\\$[0-9a-f]+|[0-9a-f]{1,2}h(?![\\p{L}])|${END})\\s*(${UNIT})??${BETWEEN}(0x[0-9a-f]+|\\$[0-9a-f]+|[0-9a-f]{1,2}h(?![\\p{L}])|${END})(?:\\s*(${UNIT})(?![\\p{L}\\d]))?)`

const ONE_RANGE = new RegExp(`^${RANGE}(?![\\d.,]*\\d)(.*)$`, 'iu')
const TWO_RANGES = new RegExp(`^${RANGE}\\s*(=|:|->|→|=>|\\(|\\[)\\s*${RANGE}\\s*[)\\]]?(.*)$`, 'iu')
const EITHER_SIDE = new RegExp(`^(?:±|\\+\\s*\\/\\s*[${MINUS}])\\s*(\\d.*)$`, 'u')
/** What is left of a cell says something of values, and is no remark: then the cell is not understood whole. */
const SAYS_VALUES = /^[^\p{L}]*\d|\d\s*[=:]|[=:]\s*[+\-−–]?\d|[<>≤≥]/u
const HAS_RANGE = /\d\s*(?:\.\.|[-–—~])\s*[+-]?\d/

const OFF = /^(?:off|aus|bypass(?:ed)?|inactive|disabled|arrêt|désactivé|inactif|apagado|desactivado)$/i
const ON = /^(?:on|ein|an|activ(?:e|ated)|engaged|enabled|marche|activé|actif|encendido|activado)$/i
const OFF_ON =
  /^(?:off|aus|arrêt|apagado)\s*[/,|-]\s*(?:on|ein|an|marche|encendido)$|^(?:on|ein|an|marche|encendido)\s*[/,|-]\s*(?:off|aus|arrêt|apagado)$|^(?:switch|toggle switch)$/i
/** The two values a strict device knows; "0-127" is a range. */
const ONLY_ENDS = /^0\s*(?:[/,|&]|or|and|oder|ou|o)\s*127$/i

/**
 * How a cell about values says the device reads them. A cell that says nothing understood gives all values and
 * itself back; nothing is guessed from part of a cell. `inHex`: the table's numbers are bare hex, and so may be
 * these.
 */
export function readValues(text: string, unit: string, address: ControlAddress, inHex = false): ReadValues {
  const highest = highestValue(address)
  const plain: Reading = {
    kind: 'range',
    unit: '',
    low: 0,
    high: highest,
    scale: 'linear',
    from: 0,
    to: highest,
  }
  const cell = decimal(text.trim())
  const sure = (reading: Reading, left = ''): ReadValues => ({ reading, left, doubt: null })
  const unclear = (): ReadValues => ({
    reading: plain,
    left: [text.trim(), unit].filter(Boolean).join(' '),
    doubt: 'unclearValues',
  })
  if (cell === '') return unit === '' ? sure(plain) : unclear()
  if (inHex && isBareDigits(cell)) return unclear()
  const own = ownForm(text.trim(), unit, highest)
  if (own) return sure(own)
  if (OFF_ON.test(cell)) return sure({ kind: 'switch', isStrict: false })
  if (ONLY_ENDS.test(cell)) return sure({ kind: 'switch', isStrict: true })
  if (/^(?:trigger|any|any value|tap)$/i.test(cell)) return sure({ kind: 'trigger', value: highest })
  if (/^toggles?(?: at (?:each|every) message)?$/i.test(cell)) return sure({ kind: 'toggle', value: highest })
  const named = readNamed(cell, highest)
  if (named) return sure(named)
  return readRange(cell, unit, highest) ?? unclear()
}

/** Bare hex turned into decimal: "00-7F", "00: Off, 7F: On". Only where a digit above 9 shows that it is hex. */
function decimal(cell: string): string {
  const atStart =
    /(^|[,;|(]\s*|\s\/\s*)([0-9a-f]{2})(?:(\s*(?:-|–|~|\.\.|to)\s*)([0-9a-f]{2}))?(?=h?\s*(?:[:=)]|hex|$))/gi
  const found = [...cell.matchAll(atStart)].flatMap((one) => [one[2]!, one[4] ?? ''])
  const isHex =
    found.some((one) => /[a-f]/i.test(one) && !/^[a-f]{2}$/i.test(one)) ||
    found.some((one) => /^ff$/i.test(one))
  if (!isHex || !found.every((one) => one === '' || /^[0-9a-f]{2}$/i.test(one))) return cell
  const turn = (digits: string) => String(Number.parseInt(digits, 16))
  return cell
    .replace(atStart, (_, before: string, from: string, between?: string, to?: string) =>
      to === undefined ? `${before}${turn(from)}` : `${before}${turn(from)}-${turn(to)}`,
    )
    .replace(/\s*hex$/i, '')
}

/** "00-40": two digits everywhere, which in a table of hex numbers may be hex as well. */
const isBareDigits = (cell: string): boolean => /^\d{2}\s*(?:-|–|~|\.\.|to)\s*\d{2}$/.test(cell)

/** What only our own chart.csv writes (docs/formats.md): names in quotes, a trigger's value, steps, a point that is no thousand's. */
function ownForm(cell: string, unit: string, highest: number): Reading | null {
  const fits = (value: number) => value <= highest
  const [, from, to, low, high, log] =
    /^(\d{1,5})\.\.(\d{1,5}) = (-?\d+\.\d{3}|-?[\d.]+) to (-?\d+\.\d{3}|-?[\d.]+)( log)?$/.exec(cell) ?? []
  if (low !== undefined && [low, high!].some((end) => /\.\d{3}$/.test(end))) {
    const read = shownRange(
      Number(low),
      Number(high),
      unit,
      log ? 'logarithmic' : 'linear',
      Number(from),
      Number(to),
      '',
    )
    const isSound = fits(Number(to)) && Number(from) < Number(to) && Number(low) !== Number(high)
    return isSound && read && Number.isFinite(Number(low) + Number(high)) ? read.reading : null
  }
  if (/^names: /.test(cell)) {
    const names = [...cell.matchAll(/(\d{1,5}): ("(?:[^"\\]|\\.)*")/g)]
      .filter((one) => fits(Number(one[1])))
      .map((one) => ({ value: Number(one[1]), name: unquoted(one[2]!) }))
    return names.length > 0 && names.every(({ name }) => name !== null)
      ? { kind: 'named', names: names.map(({ value, name }) => ({ value, name: name! })) }
      : null
  }
  const [, word, only, at] = /^(trigger|toggle)( only)? at (\d{1,5})$/.exec(cell) ?? []
  if (word !== undefined && fits(Number(at))) {
    if (word === 'trigger') return only ? null : { kind: 'trigger', value: Number(at) }
    return { kind: 'toggle', value: Number(at), ...(only && { at: 'value' as const }) }
  }
  const [, down, up] = /^step down at (\d{1,5}), up at (\d{1,5})$/.exec(cell) ?? []
  return down !== undefined && fits(Number(down)) && fits(Number(up))
    ? { kind: 'increment', down: Number(down), up: Number(up) }
    : null
}

function unquoted(text: string): string | null {
  try {
    return String(JSON.parse(text))
  } catch {
    return null
  }
}

interface NamedPart {
  readonly value: number
  readonly to: number
  readonly name: string
}

const VALUE = '(\\d{1,5})(?:\\s*(?:-|–|~|\\.\\.\\.?|to)\\s*(\\d{1,5}))?'
const VALUE_FIRST = new RegExp(`^${VALUE}\\s*(?:[:=)]|->|→|\\s)\\s*([^\\s\\d].*|\\d.*)$`, 'u')
const NAME_FIRST = new RegExp(`^(\\p{L}.*?)\\s*(?:[:=]|\\()\\s*${VALUE}\\)?$`, 'u')
/** What stands before a number in a remark, and is no name of a value. */
const NO_NAME =
  /^(?:default|def|min|max|init|initial|cent(?:er|re)|value|range|steps?|cc|page|see|from|to|note)\b/i

/** "< 64", ">= 64", "64 and up" as the runs they stand for. */
const withRuns = (cell: string, highest: number): string =>
  cell
    .replace(/(?:<=|≤)\s*(\d{1,5})/g, (_, n: string) => `0-${n}`)
    .replace(/(?:<|\bbelow|\bunder)\s*(\d{1,5})/gi, (_, n: string) => `0-${Number(n) - 1}`)
    .replace(/(?:>=|≥)\s*(\d{1,5})/g, (_, n: string) => `${n}-${highest}`)
    .replace(/(?:>|\babove|\bover)\s*(\d{1,5})/gi, (_, n: string) => `${Number(n) + 1}-${highest}`)
    .replace(
      /\b(\d{1,5})\s*(?:\+|(?:and|or) (?:up|above|more|higher))(?=\s*[:=]|\s+\p{L})/giu,
      (_, n: string) => `${n}-${highest}`,
    )

/** "0: Scene 1, 1: Scene 2", "Off = 0, On = 127", "0-31 = 1/4, 32-63 = 1/8": each value or run with its name; null for anything else. */
function namedParts(text: string, highest: number): NamedPart[] | null {
  const cell = withRuns(text, highest)
  // A list that is cut short says nothing of what is left out.
  if (/(?:\.\.\.|…)\s*$|\p{L}\s*(?:\.\.\.|…)|\betc\b/iu.test(cell)) return null
  const isMarked = /\d\s*(?:[:=]|->|→)/.test(cell)
  const cut = isMarked
    ? /(?:\s*[,;|/]\s*|(?<![-–~.\s]|\bto)\s+)(?=\d{1,5}(?:\s*(?:-|–|~|\.\.\.?|to)\s*\d{1,5})?\s*(?:[:=]|->|→))/
    : /\s*(?:[,;|]|\s\/\s|\/(?=\d+\s*-))\s*(?=\d)/
  const valueFirst = cell.split(cut).map((part): NamedPart | null => {
    const [, from, to, name] = VALUE_FIRST.exec(part.trim()) ?? []
    return from === undefined ? null : { value: Number(from), to: Number(to ?? from), name: name!.trim() }
  })
  const read = valueFirst.every((part) => part !== null)
    ? valueFirst
    : cell.split(/\s*[,;|/]\s*(?=\p{L})/u).map((part): NamedPart | null => {
        const [, name, from, to] = NAME_FIRST.exec(part.trim()) ?? []
        return from === undefined || NO_NAME.test(name!)
          ? null
          : { value: Number(from), to: Number(to ?? from), name: name!.trim() }
      })
  const parts = read.map((part) => part && { ...part, name: part.name.replace(/^\((.*)\)$/, '$1').trim() })
  if (!parts.every((part) => part !== null)) return null
  const sorted = parts.toSorted((a, b) => a.value - b.value)
  // "0 = off, 1-127 = level": what the second says is a range, and no name, unless it says just "on".
  const isMixed =
    sorted.some(({ value, to }) => value === to) && sorted.some(({ value, to }) => to - value > 1)
  const isOffOn = sorted.length === 2 && OFF.test(sorted[0]!.name) && ON.test(sorted[1]!.name)
  if (isMixed && !isOffOn) return null
  const isSound = sorted.every(
    ({ value, to, name }, n) =>
      value <= to &&
      to <= highest &&
      name.length > 0 &&
      !canBeNumber(name) &&
      // "0 = 20 ms, 127 = 2000 ms" are the ends of a range.
      !(parts.length === 2 && isQuantity(name)) &&
      !isKnownUnit(name) &&
      (n === 0 || sorted[n - 1]!.to < value),
  )
  return isSound ? parts : null
}

const isQuantity = (text: string): boolean => {
  const [, unit = ''] = new RegExp(`^[+${MINUS}]?[\\d.,]+\\s*(.*)$`).exec(text) ?? []
  return isKnownUnit(unit)
}

const canBeNumber = (text: string): boolean => new RegExp(`^[+${MINUS}]?[\\d.,]+$`).test(text)

function readNamed(cell: string, highest: number): Reading | null {
  const parts = namedParts(cell, highest)
  if (!parts) return null
  const [first, second] = parts.toSorted((a, b) => a.value - b.value)
  const half = (highest + 1) / 2
  // Only what is on is said: off is the other half.
  if (parts.length === 1)
    return first!.value === half && first!.to === highest && ON.test(first!.name)
      ? { kind: 'switch', isStrict: false }
      : null
  if (parts.length === 2 && OFF.test(first!.name) && ON.test(second!.name)) {
    const [off, on] = [first!, second!]
    if (off.value === 0 && off.to === half - 1 && on.value === half && on.to === highest)
      return { kind: 'switch', isStrict: false }
    if (off.value === 0 && off.to === 0 && on.value === highest) return { kind: 'switch', isStrict: true }
  }
  return {
    kind: 'named',
    names: parts.map(({ value, name }) => ({ value, name: cutText(name, NAME_MAX).trim() })),
  }
}

interface Ends {
  readonly low: number
  readonly high: number
  /** As written in the cell; empty when it says none. */
  readonly unit: string
  /** Whole numbers without a sign, a point or a unit: they may be what is sent. */
  readonly isBare: boolean
  /** What stood where a unit may stand, and is none. */
  readonly word: string
}

/** Words behind a range that are no unit. */
const NO_UNIT = /^(?:log|logarithmic|lin|linear|exp|exponential|only|default|see|and|or)$/i

function endsOf(a: string, ua = '', b: string, ub = '', isLast = true): Ends | null {
  const [low, high] = [endOf(a), endOf(b)]
  if (low === null || high === null) return null
  // A word behind is a unit where nothing more follows it, or where it is known as one.
  const second = isKnownUnit(ub) || (isLast && canBeUnit(ub) && !NO_UNIT.test(ub)) ? ub : ''
  const word = second === '' ? ub : ''
  const isBare =
    ua === '' && /^(?:\d+|0x[0-9a-f]+|\$[0-9a-f]+|[0-9a-f]{1,2}h)$/i.test(a) && !/[.,+−–-]/.test(b)
  if (ua === '' || second === '') {
    const unit = ua || second
    return ua !== '' && second === '' ? null : { low, high, unit, isBare: isBare && !isKnownUnit(unit), word }
  }
  const unit = finerUnit(ua, second)
  if (unit === null) return null
  const [from, to] = [convertUnit(low, ua, unit), convertUnit(high, second, unit)]
  return from === null || to === null ? null : { low: from, high: to, unit, isBare: false, word }
}

function endOf(text: string): number | null {
  if (/^0x/i.test(text)) return Number.parseInt(text, 16)
  if (text.startsWith('$')) return Number.parseInt(text.slice(1), 16)
  if (/^[0-9a-f]{1,2}h$/i.test(text)) return Number.parseInt(text, 16)
  const isLow = new RegExp(`^[${MINUS}]`).test(text)
  const digits = text.replace(new RegExp(`^[+${MINUS}]`), '')
  const number = /e/i.test(digits) ? Number(digits) : plainNumber(digits)
  return typeof number === 'number' ? (isLow && number !== 0 ? -number : number) : null
}

const isWhole = ({ low, high, isBare }: Ends, highest: number): boolean =>
  isBare && Number.isInteger(low) && Number.isInteger(high) && low < high && high <= highest

const LOG = /^[\s,;([]*(log(?:arithmic)?|lin(?:ear)?)\.?[)\]]*/i

function readRange(text: string, unitBeside: string, highest: number): ReadValues | null {
  const either = EITHER_SIDE.exec(text)?.[1]
  const cell = either === undefined ? text : text.replace(/^.*?(\d+(?:[.,]\d+)?)/, '-$1 to +$1')
  const two = TWO_RANGES.exec(cell)
  if (two) return readMapping(two, unitBeside, highest)
  const one = ONE_RANGE.exec(cell)
  if (!one) return null
  const rest = one[5]!
  const ends = endsOf(one[1]!, one[2], one[3]!, one[4], rest.trim() === '' || /^\s*[,;([*]/.test(rest))
  if (!ends || ends.low === ends.high) return null
  const { left, scale } = leftOf(`${ends.word} ${rest.trim()}`, ends)
  if (scale === null || /^[=:]/.test(left) || HAS_RANGE.test(left)) return namesOfRun(ends, left, highest)
  const listed = left === '' ? null : namesOfRun(ends, left, highest)
  if (listed) return listed
  if (SAYS_VALUES.test(left) && !marksMiddle(left, ends)) return null
  const { low, high } = ends
  // "0-100 (%)" says its unit in brackets.
  const behind = isKnownUnit(left) ? left : ''
  const unit = ends.unit || behind || (canBeUnit(unitBeside) ? unitBeside : '')
  const more = [left === unit ? '' : left, unitBeside === unit ? '' : unitBeside].filter(Boolean).join('; ')
  if (!isKnownUnit(unit) && isWhole(ends, highest)) {
    const isAll = low === 0 && high === highest
    // The unit of what is shown, and all the values that are sent: how the two meet is not said.
    if (unit !== '' && (isAll || ends.unit !== ''))
      return ends.unit !== '' && isAll
        ? rawRange(low, high, [unit, more].filter(Boolean).join('; '), null)
        : null
    if (unit === '') return rawRange(low, high, more, isAll ? null : 'rawOrShown')
  }
  // All values with a unit beside them: what of the unit they are is not said.
  if (ends.isBare && ends.unit === '' && unit !== '' && low === 0 && high === highest) return null
  const counts = high - low === highest
  if (unit === '' && ends.isBare && (low > high || (high > highest && !counts))) return null
  return shownRange(low, high, unit, scale, 0, highest, more)
}

/** "64 = centre" behind 0-127: one value between the ends has a name, and the range is one all the same. */
function marksMiddle(text: string, { low, high }: Pick<Ends, 'low' | 'high'>): boolean {
  const value = /^(\d+)\s*[=:]\s*\p{L}[^\d=:]*$/u.exec(text)?.[1]
  return value !== undefined && Number(value) > low && Number(value) < high
}

/** What stands behind a range: a scale, and the rest for the note. `scale` is null where the range cannot have it. */
function leftOf(rest: string, { low, high }: Pick<Ends, 'low' | 'high'>) {
  const word = LOG.exec(rest)
  const left = tidy(word ? rest.slice(word[0].length) : rest)
  const isLog = word?.[1]!.toLowerCase().startsWith('log') ?? false
  const scale = !isLog ? 'linear' : low > 0 && high > 0 ? 'logarithmic' : null
  return { left, scale, isSaid: word !== null } as const
}

const tidy = (text: string): string =>
  text
    .trim()
    .replace(/^[,;*]+\s*/, '')
    .replace(/^[([](.*)[)\]]$/s, '$1')
    .trim()

const rawRange = (from: number, to: number, left: string, doubt: ValuesDoubt | null): ReadValues => ({
  reading: { kind: 'range', unit: '', low: from, high: to, scale: 'linear', from, to },
  left,
  doubt,
})

/** A device that spans more than this is seldom linear. */
const WIDE = 50
/** The schema's bounds of what a device may show. */
const SHOWN_MOST = 1e6

function shownRange(
  low: number,
  high: number,
  unit: string,
  scale: 'linear' | 'logarithmic',
  from: number,
  to: number,
  left: string,
  isSaid = scale === 'logarithmic',
): ReadValues | null {
  if (Math.max(Math.abs(low), Math.abs(high)) > SHOWN_MOST) return null
  const ratio = Math.max(low, high) / Math.min(low, high)
  return {
    reading: { kind: 'range', unit: cutText(unit, 20), low, high, scale, from, to },
    left,
    doubt: !isSaid && unit !== '' && low > 0 && high > 0 && ratio >= WIDE ? 'scale' : null,
  }
}

/** "0-127 = 20 to 1200 ms", "0-100 % (0-127)": what is sent beside what is shown. */
function readMapping(found: RegExpExecArray, unitBeside: string, highest: number): ReadValues | null {
  const [, a, ua, b, ub, sign, c, uc, d, ud, rest = ''] = found
  const [first, second] = [endsOf(a!, ua, b!, ub), endsOf(c!, uc, d!, ud)]
  if (!first || !second) return null
  const isAll = (ends: Ends) => isWhole(ends, highest) && ends.low === 0 && ends.high === highest
  // In brackets either may stand; behind a sign what is sent stands first.
  const isSwapped = !isWhole(first, highest) || (sign !== '=' && !isAll(first) && isAll(second))
  const [sent, shown] = isSwapped ? [second, first] : [first, second]
  if (!isWhole(sent, highest) || sent.word !== '' || sent.unit !== '' || shown.low === shown.high) return null
  const { left, scale, isSaid } = leftOf(`${shown.word} ${rest.trim()}`, shown)
  if (scale === null || HAS_RANGE.test(left) || SAYS_VALUES.test(left)) return null
  // The unit beside is meant for what is shown, whatever it is called.
  const unit = shown.unit || unitBeside
  return shownRange(shown.low, shown.high, unit, scale, sent.low, sent.high, left, isSaid || sign === '=')
}

/** Whether each value of a run has its name: "0-127 (0=dry, 127=wet)" names its ends, and is a range all the same. */
function coversRun(parts: readonly NamedPart[], { low, high }: Ends): boolean {
  const sorted = parts.toSorted((a, b) => a.value - b.value)
  return (
    sorted[0]!.value === low &&
    sorted.at(-1)!.to === high &&
    sorted.every(({ value }, n) => n === 0 || value === sorted[n - 1]!.to + 1)
  )
}

/** "0-3 (Hall, Room, Plate, Spring)", "0-2 (0=Hall 1=Room 2=Plate)": as many names as values. */
function namesOfRun(ends: Ends, left: string, highest: number): ReadValues | null {
  if (!isWhole(ends, highest) || ends.unit !== '') return null
  const { low, high } = ends
  const listed = readNamed(left, highest)
  if (listed?.kind === 'named' && coversRun(namedParts(left, highest)!, ends))
    return { reading: listed, left: '', doubt: null }
  const names = left.split(/\s*[,;/|]\s*/)
  const isList =
    names.length > 1 && names.length === high - low + 1 && names.every((name) => /^\p{L}/u.test(name))
  return isList && new Set(names).size === names.length
    ? {
        reading: {
          kind: 'named',
          names: names.map((name, n) => ({ value: low + n, name: cutText(name, NAME_MAX).trim() })),
        },
        left: '',
        doubt: null,
      }
    : null
}

const SIMPLE_NAME = /^\p{L}[\p{L}\d #&'.]*$/u

/**
 * How a control reads values, as a cell that {@link readValues} reads back, with the unit in a cell of its own.
 * The writer asks the reader, and takes the longer form where the short one says something else.
 */
export function valuesText(reading: Reading, highest: number): string {
  const half = (highest + 1) / 2
  switch (reading.kind) {
    case 'switch':
      return reading.isStrict ? `0: Off, ${highest}: On` : `0-${half - 1}: Off, ${half}-${highest}: On`
    case 'range': {
      const { unit, low, high, scale, from, to } = reading
      const sent = `${from}..${to}`
      if (unit === '' && low === 0 && from === 0 && high === highest && to === highest) return sent
      return `${sent} = ${low} to ${high}${scale === 'logarithmic' ? ' log' : ''}`
    }
    case 'named': {
      const short = reading.names.map(({ value, name }) => `${value}: ${name}`).join(', ')
      const isShort =
        reading.names.length > 1 &&
        reading.names.every(({ name }) => SIMPLE_NAME.test(name)) &&
        readNamed(short, highest)?.kind === 'named'
      return isShort
        ? short
        : `names: ${reading.names.map(({ value, name }) => `${value}: ${JSON.stringify(name)}`).join(', ')}`
    }
    case 'trigger':
      return reading.value === highest ? 'trigger' : `trigger at ${reading.value}`
    case 'toggle':
      return reading.at === 'value'
        ? `toggle only at ${reading.value}`
        : reading.value === highest
          ? 'toggle'
          : `toggle at ${reading.value}`
    case 'increment':
      return `step down at ${reading.down}, up at ${reading.up}`
  }
}
