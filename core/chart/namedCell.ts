import { cutText } from '#core/base'
import { isKnownUnit, MINUS, NAME_MAX, type Reading } from '#core/rig'

const OFF = /^(?:off|aus|bypass(?:ed)?|inactive|disabled|arrêt|désactivé|inactif|apagado|desactivado)$/i
const ON = /^(?:on|ein|an|activ(?:e|ated)|engaged|enabled|marche|activé|actif|encendido|activado)$/i

export interface NamedPart {
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
export function namedParts(text: string, highest: number): NamedPart[] | null {
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

export function readNamed(cell: string, highest: number): Reading | null {
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
