import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import type { Control, Rig } from '#core/rig'
import { chartCsvText } from '#shared/chartCsv'
import { readPaste } from './readPaste'

const rigOf = (controls: readonly object[]): Rig =>
  ({
    controls: Object.fromEntries(
      controls.map((control, n) => [
        `c${n}`,
        { id: `c${n}`, deviceId: 'd', order: n, note: '', section: '', ...control },
      ]),
    ),
  }) as unknown as Rig

const readBack = (rig: Rig) => readPaste(chartCsvText(rig, 'd'), null).rows

/** Text as it comes back: no spaces round it, none of the characters a cell cannot hold (docs/formats.md). */
const text = (most: number) =>
  fc
    .oneof(
      fc.string({ unit: 'grapheme', maxLength: most }),
      fc.string({
        unit: fc.constantFrom(...'ab 019,;:=|/"\'+-@.()–…%°√ä'.split(''), 'NRPN', 'CC', 'log', ' to '),
        maxLength: 12,
      }),
    )
    // oxlint-disable-next-line no-control-regex -- exactly those are taken out
    .map((one) => one.replace(/[\u0000-\u001f\u007f\u200b-\u200f\u2028-\u202e\ufeff\u00a0]/g, '').trim())
    .map((one) => [...one].slice(0, most).join('').trim())
const name = text(60).filter((one) => one !== '')

const number = fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((one) => (Object.is(one, -0) ? 0 : one))
const reading = (highest: number) => {
  const value = fc.integer({ min: 0, max: highest })
  const range = fc
    .record({
      unit: text(20),
      low: number,
      high: number,
      from: value,
      to: value,
      scale: fc.constantFrom('linear', 'logarithmic'),
    })
    .filter(
      ({ low, high, from, to, scale }) =>
        low !== high && from < to && (scale === 'linear' || (low > 0 && high > 0)),
    )
    .map((one) => ({ kind: 'range', ...one }))
  return fc.oneof(
    range,
    fc.boolean().map((isStrict) => ({ kind: 'switch', isStrict })),
    fc
      .array(fc.record({ value, name }), { minLength: 1, maxLength: 12 })
      .map((names) => ({ kind: 'named', names })),
    value.map((one) => ({ kind: 'trigger', value: one })),
    value.map((one) => ({ kind: 'toggle', value: one })),
    value.map((one) => ({ kind: 'toggle', value: one, at: 'value' })),
    fc.record({ kind: fc.constant('increment'), up: value, down: value }),
  )
}
const control = fc
  .oneof(
    fc.record({ kind: fc.constant('cc'), number: fc.integer({ min: 0, max: 127 }) }),
    fc.record({
      kind: fc.constant('nrpn'),
      parameter: fc.integer({ min: 0, max: 16_383 }),
      written: fc.constantFrom('number', 'pair'),
      value: fc.constantFrom('msb', 'both'),
      nullAfter: fc.boolean(),
    }),
  )
  .chain((address) =>
    fc.record({
      address: fc.constant(address),
      name,
      section: text(60),
      note: text(400),
      reading: reading('value' in address && address.value === 'both' ? 16_383 : 127),
    }),
  )
const keyOf = ({ address }: { address: object }) =>
  'number' in address
    ? `c${String(address.number)}`
    : `n${String((address as { parameter: number }).parameter)}`

describe('the app reads its own chart.csv', () => {
  it('back to the same chart, for every control the file can say', () => {
    fc.assert(
      fc.property(fc.uniqueArray(control, { selector: keyOf, minLength: 1, maxLength: 12 }), (controls) => {
        const rows = readBack(rigOf(controls)).flatMap((row) =>
          row.kind === 'passed' && row.why !== 'repeated' ? [] : [row],
        )
        expect(rows.map((row) => (row.kind === 'control' ? row.draft : row))).toEqual(
          controls.map(({ name, section, address, reading, note }) => ({
            name,
            section,
            address,
            reading,
            note,
          })),
        )
        expect(rows.flatMap((row) => (row.kind === 'control' ? row.doubts : []))).toEqual([])
      }),
      generated(700, 11),
    )
  })

  it.each([
    ['a range below zero', { unit: 'dB', low: -60, high: 6 }],
    ['a logarithmic one', { unit: 'Hz', low: 20, high: 20_000, scale: 'logarithmic' }],
    ['a part of the values', { unit: '%', low: 0, high: 100, from: 10, to: 90 }],
  ])('%s', (_, fields) => {
    const whole = { kind: 'range', scale: 'linear', from: 0, to: 127, ...fields }
    const rig = rigOf([{ name: '-Cut, low', address: { kind: 'cc', number: 9 }, reading: whole }])
    expect(readBack(rig)).toMatchObject([
      { kind: 'passed', why: 'head' },
      { kind: 'control', draft: { name: '-Cut, low', reading: whole } as Partial<Control> },
      { kind: 'passed', why: 'blank' },
    ])
  })
})
