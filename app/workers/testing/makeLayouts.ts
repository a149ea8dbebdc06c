import type { ChartRow } from '#core/chart'
import type { Reading } from '#core/rig'
import { readPaste } from '../readPaste'

/** A reading in a few letters: "0..127", "20..1200 ms", "off|on", "0 Hall, 1 Room". */
function says(reading: Reading): string {
  switch (reading.kind) {
    case 'switch':
      return reading.isStrict ? 'off||on' : 'off|on'
    case 'range': {
      const { unit, low, high, scale, from, to } = reading
      const sent = from === low && to === high ? '' : from === 0 && to === 127 ? '' : ` at ${from}..${to}`
      return `${low}..${high}${unit && ` ${unit}`}${scale === 'logarithmic' ? ' log' : ''}${sent}${unit === '' && low === 0 && high !== 127 && sent === '' && to === 127 ? ' shown' : ''}`
    }
    case 'named':
      return reading.names.map(({ value, name }) => `${value} ${name}`).join(', ')
    case 'increment':
      return `-${reading.down} +${reading.up}`
    default:
      return `${reading.kind} ${reading.value}`
  }
}

function rowSays(row: ChartRow): string | null {
  switch (row.kind) {
    case 'control': {
      const { address, section, name, reading, note } = row.draft
      const number =
        address.kind === 'cc' ? `${address.number}` : `N${address.parameter >> 7}/${address.parameter & 127}`
      const more = [
        note && `(${note})`,
        ...row.doubts.map((one) => `?${one}`),
        row.twins.length > 0 && `twins ${row.twins.join(' ')}`,
      ].filter(Boolean)
      return [`${number} ${[section, name].filter(Boolean).join('/')}: ${says(reading)}`, ...more].join(' ')
    }
    case 'bad':
      return `! line ${row.line} ${row.bad.why}`
    case 'section':
      return `# ${row.name}`
    case 'passed':
      return row.why === 'repeated' ? `line ${row.line} repeated` : null
  }
}

/** What is read of a pasted text, a line for each control, section, and line that is not taken. */
export function readAs(text: string): string[] {
  return readPaste(text, null)
    .rows.map(rowSays)
    .filter((line) => line !== null)
}
