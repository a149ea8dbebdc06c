import { cutText } from '#core/base'
import {
  canBeUnit,
  isKnownUnit,
  MINUS,
  highestValue,
  type ControlAddress,
  type Reading,
  NAME_MAX,
} from '#core/rig'
import { namedParts, readNamed, type NamedPart } from './namedCell'
import { ownForm } from './ownCell'
import { endsOf, isWhole, type Ends } from './rangeEnds'
import { rawRange, shownRange, type ReadValues } from './valuesRead'

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
