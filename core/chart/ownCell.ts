import { readNamed } from './namedCell'
import type { Reading } from '#core/rig'
import { shownRange } from './valuesRead'

/** What only our own chart.csv writes (docs/formats.md): names in quotes, a trigger's value, steps, a point that is no thousand's. */
export function ownForm(cell: string, unit: string, highest: number): Reading | null {
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
