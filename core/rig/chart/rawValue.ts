import { highestValue, type Control } from '../table/control'
import { valueFor } from './reading'

/**
 * What stands behind a control that is named by its number: a bare whole number is the value itself, 0 to the highest there
 * is, whatever unit the chart has ("CC 105 64" sends 64); with a unit or in words it is what the device shows ("CC 105 35 %").
 * Null where it is neither.
 */
export function valueBehindNumber({ reading, address }: Control, text: string): number | null {
  const highest = highestValue(address)
  if (/^\d+$/.test(text.trim())) return Number(text) <= highest ? Number(text) : null
  const read = valueFor(reading, text, highest)
  return read.ok ? read.value : null
}
