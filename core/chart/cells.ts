import { cutText } from '../base/text'
import { NAME_MAX } from '../rig/table/scalars'
import { highestValue, type ControlAddress, type Reading } from '../rig/table/control'
import { nrpnReadings, type NrpnReading } from '../rig/chart/nrpn'

/** "21", "CC 21", "CC#21", "#21", "0x15", "15h", "$15": a number from 0; null when it is none. `isHex` reads bare digits as hex. */
export function parseNumber(text: string, isHex = false): number | null {
  const cell = text.trim().replace(/^(?:cc|ctrl|control(?:ler)?)?\s*[#:.]?\s*/i, '')
  const hex = /^(?:0x|\$)([0-9a-f]{1,4})$/i.exec(cell)?.[1] ?? /^([0-9a-f]{1,4})h$/i.exec(cell)?.[1]
  if (hex !== undefined) return Number.parseInt(hex, 16)
  if (isHex && /^[0-9a-f]{1,2}$/i.test(cell)) return Number.parseInt(cell, 16)
  return /^\d{1,5}$/.test(cell) ? Number(cell) : null
}

/** "NRPN 12588", "NRPN 98/44": every way it can be meant; null when the cell names no NRPN. */
export function parseNrpn(text: string): NrpnReading[] | null {
  const cell = /^\s*nrpn\s*[#:]?\s*\(?(.*?)\)?\s*$/i.exec(text)?.[1]
  return cell === undefined ? null : nrpnReadings(cell)
}

/** Two ends: "0-127", "0..127", "0 to 127", "0~127", "00h-7Fh", with or without a unit behind. */
const ENDS =
  /^(0x[0-9a-f]+|[0-9a-f]{1,2}h|[+-]?\d+(?:\.\d+)?)\s*([^\d\s+.-][^\d]*?)?\s*(?:\.\.\.?|…|–|—|~|-|\bto\b|\bbis\b)\s*(0x[0-9a-f]+|[0-9a-f]{1,2}h|[+-]?\d+(?:\.\d+)?)\s*(.*)$/i

const endOf = (text: string): number =>
  /^0x/i.test(text) ? Number.parseInt(text, 16) : /h$/i.test(text) ? Number.parseInt(text, 16) : Number(text)

/** "0: Scene 1, 1: Scene 2", "0 = Off / 127 = On", "0-63 Off, 64-127 On": each value or run with its name. */
function parseNamed(text: string): { value: number; to: number; name: string }[] | null {
  const parts = text
    .split(/[,;/|\n]+(?=\s*\d)/)
    .map((part) => /^\s*(\d{1,5})(?:\s*(?:-|\.\.|–)\s*(\d{1,5}))?\s*(?:[:=)]|\s)\s*(\S.*?)\s*$/.exec(part))
  if (parts.length < 2 || parts.some((part) => part === null)) return null
  return parts.map((part) => ({
    value: Number(part![1]),
    to: Number(part![2] ?? part![1]),
    name: cutText(part![3]!, NAME_MAX).trim(),
  }))
}

const OFF_ON = /^(?:off|aus)\s*[/,|-]\s*(?:on|ein)$|^on\s*[/,|-]\s*off$|^(?:switch|toggle switch)$/i
/** The two values a strict device knows; "0-127" is a range. */
const ONLY_ENDS = /^0\s*[/,]\s*127$/

/** How a cell about values says the device reads them; null when it says nothing that is understood. */
export function parseReading(text: string, unit: string, address: ControlAddress): Reading | null {
  const cell = text.trim()
  const highest = highestValue(address)
  const plain: Reading = { kind: 'range', unit, low: 0, high: highest, scale: 'linear', from: 0, to: highest }
  if (cell === '') return unit === '' ? plain : null
  if (OFF_ON.test(cell)) return { kind: 'switch', isStrict: false }
  if (ONLY_ENDS.test(cell)) return { kind: 'switch', isStrict: true }
  if (/^trigger|^any$|^tap$/i.test(cell)) return { kind: 'trigger', value: highest }
  if (/^toggle/i.test(cell)) return { kind: 'toggle', value: highest }
  const named = parseNamed(cell)
  if (named) return namedReading(named, highest)
  const ends = ENDS.exec(cell)
  if (!ends) return null
  const [low, high] = [endOf(ends[1]!), endOf(ends[3]!)]
  const ofCell = cutText(ends[4]?.trim() || ends[2]?.trim() || '', 20)
  if (low === high) return null
  const isRaw =
    ofCell === '' && unit === '' && Number.isInteger(low) && low >= 0 && low < high && high <= highest
  return isRaw
    ? { kind: 'range', unit: '', low, high, scale: 'linear', from: low, to: high }
    : { kind: 'range', unit: ofCell || unit, low, high, scale: 'linear', from: 0, to: highest }
}

function namedReading(parts: { value: number; to: number; name: string }[], highest: number): Reading | null {
  if (parts.some(({ value, to }) => value > highest || to > highest)) return null
  const isOff = (name: string) => /^(?:off|bypass)/i.test(name)
  const [first, second] = parts
  if (parts.length === 2 && isOff(first!.name) && !isOff(second!.name)) {
    const isHalved = first!.to === 63 && second!.value === 64
    if (isHalved) return { kind: 'switch', isStrict: false }
    if (first!.value === 0 && second!.value === 127) return { kind: 'switch', isStrict: true }
  }
  const values = new Set(parts.map(({ value }) => value))
  return values.size === parts.length
    ? { kind: 'named', names: parts.map(({ value, name }) => ({ value, name })) }
    : null
}
