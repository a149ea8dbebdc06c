import { describe, expect, it } from 'vitest'
import type { ControlAddress } from '../rig/table/control'
import { parseNrpn, parseNumber, readNumberCell } from './numberCell'
import { readValues } from './valuesCell'

const cc = { kind: 'cc', number: 1 } as ControlAddress
const wide = {
  kind: 'nrpn',
  parameter: 1,
  written: 'number',
  value: 'both',
  nullAfter: true,
} as ControlAddress

describe('a number in a cell', () => {
  it.each<[string, number | null]>([
    ['21', 21],
    [' 021 ', 21],
    ['CC 21', 21],
    ['CC#21', 21],
    ['cc21', 21],
    ['#21', 21],
    ['Controller 21', 21],
    ['0x15', 21],
    ['15h', 21],
    ['$15', 21],
    ['7Fh', 127],
    ['128', 128],
    ['', null],
    ['Mix', null],
    ['21-23', null],
    ['-1', null],
    ['2.5', null],
    ['1e3', null],
  ])('%j is %j', (text, number) => {
    expect(parseNumber(text)).toBe(number)
  })

  it('is a run with both its ends', () => {
    expect(readNumberCell('20-23', false)).toMatchObject({ kind: 'cc', numbers: [20, 21, 22, 23] })
    expect(readNumberCell('CC 7 to 9', false)).toMatchObject({ kind: 'cc', numbers: [7, 8, 9] })
  })

  it('is read as hex where the column is', () => {
    expect([parseNumber('1A', true), parseNumber('10', true), parseNumber('10')]).toEqual([26, 16, 10])
  })

  it('of an NRPN comes with every way to read it', () => {
    expect(parseNrpn('NRPN 12588')?.readings.map(({ parameter }) => parameter)).toEqual([12588, 16088])
    expect(parseNrpn('nrpn (98, 44)')?.readings.map(({ parameter }) => parameter)).toEqual([12588])
    expect(parseNrpn('NRPN drift')).toBeNull()
    expect(parseNrpn('21')).toBeNull()
  })
})

describe('values in a cell', () => {
  const range = (unit: string, low: number, high: number, from: number, to: number) => ({
    kind: 'range',
    unit,
    low,
    high,
    scale: 'linear',
    from,
    to,
  })

  it.each<[string, string, object | null]>([
    ['0-127', '', range('', 0, 127, 0, 127)],
    ['0..127', '', range('', 0, 127, 0, 127)],
    ['0 to 127', '', range('', 0, 127, 0, 127)],
    ['0–127', '', range('', 0, 127, 0, 127)],
    ['0~100', '', range('', 0, 100, 0, 100)],
    ['00h-7Fh', '', range('', 0, 127, 0, 127)],
    ['0x00-0x7F', '', range('', 0, 127, 0, 127)],
    ['0-100 %', '', range('%', 0, 100, 0, 127)],
    ['0-100', '%', range('%', 0, 100, 0, 127)],
    ['-12 to +12 semitones', '', range('semitones', -12, 12, 0, 127)],
    ['20 ms to 1200 ms', '', range('ms', 20, 1200, 0, 127)],
    ['0.2 to 20 s', '', range('s', 0.2, 20, 0, 127)],
    ['', '', range('', 0, 127, 0, 127)],
    ['Off/On', '', { kind: 'switch', isStrict: false }],
    ['0-63: Off, 64-127: On', '', { kind: 'switch', isStrict: false }],
    [
      'below 64: Slow, 64 and up: Fast',
      '',
      {
        kind: 'named',
        names: [
          { value: 0, name: 'Slow' },
          { value: 64, name: 'Fast' },
        ],
      },
    ],
    ['0/127', '', { kind: 'switch', isStrict: true }],
    ['0: Off, 127: On', '', { kind: 'switch', isStrict: true }],
    ['0 = Bypass / 127 = Active', '', { kind: 'switch', isStrict: true }],
    [
      '0: Hall, 1: Room',
      '',
      {
        kind: 'named',
        names: [
          { value: 0, name: 'Hall' },
          { value: 1, name: 'Room' },
        ],
      },
    ],
    ['trigger', '', { kind: 'trigger', value: 127 }],
    ['toggle', '', { kind: 'toggle', value: 127 }],
    ['64-64', '', null],
    ['somewhere', '', null],
    ['0: Hall, 0: Room', '', null],
    ['0: Hall, 200: Room', '', null],
  ])('%j with unit %j', (text, unit, reading) => {
    const read = readValues(text, unit, cc)
    expect(read.doubt === 'unclearValues' ? null : read.reading).toEqual(reading)
  })

  it('go to 16,383 where the value has both halves', () => {
    expect(readValues('0-16383', '', wide).reading).toEqual(range('', 0, 16_383, 0, 16_383))
    expect(readValues('0-100 %', '', wide).reading).toEqual(range('%', 0, 100, 0, 16_383))
  })

  it('is not taken in part: what it says of values is understood to its end, or the cell is kept whole', () => {
    const plain = (text: string) => ({
      reading: { kind: 'range', unit: '', low: 0, high: 127, scale: 'linear', from: 0, to: 127 },
      left: text,
      doubt: 'unclearValues',
    })
    for (const text of [
      '1.200',
      '20-1.200 ms',
      '0-127 (0=dry, 127=wet)',
      '0 = 20 ms, 127 = 2000 ms',
      '-64 - 0 - +63',
      '0-10 (0 = off)',
      '20-1200 ms (1.200 max)',
    ])
      expect(readValues(text, '', cc)).toEqual(plain(text))
    expect(readValues('0....127', '', cc)).toEqual({ ...plain(''), doubt: null })
    // A value between the ends may have a name; a point of our own files is no thousand's.
    expect(readValues('0-127, 64 = centre', '', cc)).toEqual({ ...plain('64 = centre'), doubt: null })
    expect(readValues('0..127 = 0.5 to 1.234', 's', cc)).toMatchObject({
      reading: { low: 0.5, high: 1.234, unit: 's' },
      doubt: null,
    })
    expect(readValues('0-2 (0=Hall 1=Room 2=Plate)', '', cc)).toMatchObject({ reading: { kind: 'named' } })
  })
})
