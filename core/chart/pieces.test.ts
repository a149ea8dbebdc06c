import { describe, expect, it } from 'vitest'
import { headsOf, isHead, recogniseColumns } from './columns'
import { kindOfHead } from './headWords'
import { looseLines, spacedTable, withoutLeaders } from './looseLines'
import { isSurelyNumber, readNumberCell } from './numberCell'
import { rangeNames } from './rangeNames'
import { readChart } from './readChart'
import { readValues } from './valuesCell'
import type { ControlAddress } from '../rig/table/control'

const cc = { kind: 'cc', number: 1 } as ControlAddress
const numbers = (text: string, isHex = false) => {
  const cell = readNumberCell(text, isHex)
  return cell.kind === 'cc' ? cell.numbers : cell.kind
}

describe('a cell of numbers', () => {
  it.each<[string, readonly number[] | string]>([
    ['21', [21]],
    ['CC 21', [21]],
    ['MIDI CC no. 21', [21]],
    ['Control change 21', [21]],
    ['Controller Nr. 21', [21]],
    ['21*', [21]],
    ['**21**', [21]],
    ['21 (15h)', [21]],
    ['0x15 (21)', [21]],
    ['15h / 21', [21]],
    ['20-23', [20, 21, 22, 23]],
    ['CC20 to CC23', [20, 21, 22, 23]],
    ['20 – 22', [20, 21, 22]],
    ['20, 21', [20, 21]],
    ['20/21', [20, 21]],
    ['20 & 21', [20, 21]],
    // M1 v4.2.1: a control change is Bn cc vv; from memory.
    ['B0 15 vv', [21]],
    ['BnH 15H', [21]],
    ['NRPN 98/44', 'nrpn'],
    ['PC 5', 'other'],
    ['Program change', 'other'],
    ['Note 60', 'other'],
    ['RPN 0/0', 'other'],
    ['Pitch bend', 'other'],
    ['SysEx', 'other'],
    // Two numbers that do not agree say nothing.
    ['21 (16h)', 'none'],
    ['23-20', 'none'],
    ['2.5', 'none'],
    ['Mix', 'none'],
    ['', 'none'],
  ])('%j is %j', (text, read) => {
    expect(numbers(text)).toEqual(read)
  })

  it('in bare hex is read as that', () => {
    expect(numbers('1A', true)).toEqual([26])
    expect(numbers('10', true)).toEqual([16])
    expect(numbers('10-13', true)).toEqual([16, 17, 18, 19])
  })

  it('is surely one where it cannot be values', () => {
    expect(['21', 'CC 0-3', '20-23', 'NRPN 1/2'].map(isSurelyNumber)).toEqual([true, true, true, true])
    expect(['0-127', '0-3', 'Mix', 'PC 3', ''].map(isSurelyNumber)).toEqual([
      false,
      false,
      false,
      false,
      false,
    ])
  })
})

describe('names of several', () => {
  it.each<[string, number, string[] | null]>([
    ['Slots 1-4', 4, ['Slot 1', 'Slot 2', 'Slot 3', 'Slot 4']],
    ['Slot 1 to 3', 3, ['Slot 1', 'Slot 2', 'Slot 3']],
    ['Switches 5–6', 2, ['Switch 5', 'Switch 6']],
    ['Boost A-C', 3, ['Boost A', 'Boost B', 'Boost C']],
    ['Band 1-2 level', 2, ['Band 1 level', 'Band 2 level']],
    ['Bass, Mid, Treble', 3, ['Bass', 'Mid', 'Treble']],
    ['Left / Right', 2, ['Left', 'Right']],
    // Not as many as there are numbers.
    ['Slots 1-4', 3, null],
    ['Mystery', 4, null],
    ['Bass, Mid', 3, null],
    // What only looks like a plural keeps its letters.
    ['Chorus 1-2', 2, ['Chorus 1', 'Chorus 2']],
    ['Bypass 1-2', 2, ['Bypass 1', 'Bypass 2']],
  ])('%s for %i', (name, count, names) => {
    expect(rangeNames(name, count)).toEqual(names)
  })
})

describe('heads', () => {
  it.each<[string, string | null]>([
    ['CC', 'number'],
    ['CC#', 'number'],
    ['MIDI CC No.', 'number'],
    ['N°', 'number'],
    ['Nº', 'number'],
    ['Número', 'number'],
    ['Controller-Nr.', 'number'],
    ['Numéro de contrôleur', 'number'],
    ['CC (hex)', 'hex'],
    ['Hex', 'hex'],
    ['NRPN MSB', 'msb'],
    ['CC 99', 'msb'],
    ['CC98', 'lsb'],
    ['Parameter', 'name'],
    ['Bezeichnung', 'name'],
    ['Paramètre', 'name'],
    ['Función', 'name'],
    ['Wertebereich', 'values'],
    ['Plage de valeurs', 'values'],
    ['Rango', 'values'],
    ['Value (0-127)', 'values'],
    ['Mín', 'min'],
    ['Maximum', 'max'],
    ['Einheit', 'unit'],
    ['Unité', 'unit'],
    ['Werkseinstellung', 'default'],
    ['Par défaut', 'default'],
    ['Por defecto', 'default'],
    ['Bemerkungen', 'note'],
    ['Observaciones', 'note'],
    ['Gruppe', 'section'],
    ['Kanal', 'ignore'],
    ['Reverb', null],
    ['', null],
    ['x'.repeat(100), null],
  ])('%j is %j', (head, kind) => {
    expect(kindOfHead(head)?.kind ?? null).toBe(kind)
  })

  it('name two things at least, one of them a number or a name, and hold no number', () => {
    expect(isHead(['CC', 'Name', 'Values'])).toBe(true)
    expect(isHead(['CC', 'Wobble'])).toBe(false)
    expect(isHead(['Notes', 'Values'])).toBe(false)
    expect(isHead(['21', 'Name', 'Values'])).toBe(false)
  })

  it('are found over several lines, below a title, and again on each page', () => {
    const rows = [
      ['Echo box'],
      ['MIDI', ''],
      ['CC', 'Name', 'Range'],
      ['21', 'Mix', '0-127'],
      ['cc', 'name', 'range'],
      ['22', 'Age', '0-127'],
    ]
    expect([...headsOf(rows).at].sort()).toEqual([2, 4])
    const merged = [
      ['Control', 'Effect', 'Value'],
      ['number', 'parameter', 'range'],
      ['21', 'Mix', '0-127'],
    ]
    expect([...headsOf(merged).at].sort()).toEqual([0, 1])
    expect(recogniseColumns(merged)).toEqual(['number', 'name', 'values'])
    expect(headsOf([['21', 'Mix']]).at.size).toBe(0)
  })
})

describe('columns without heads', () => {
  it.each<[string, string[][], string[]]>([
    [
      'a number and a name',
      [
        ['21', 'Mix'],
        ['22', 'Age'],
      ],
      ['number', 'name'],
    ],
    [
      'the name first',
      [
        ['Mix', '21', '0-127'],
        ['Age', '22', '0-127'],
      ],
      ['name', 'number', 'values'],
    ],
    [
      'lines counted',
      [
        ['1', '21', 'Mix'],
        ['2', '22', 'Age'],
        ['3', '23', 'Wow'],
      ],
      ['ignore', 'number', 'name'],
    ],
    [
      'hex beside decimal',
      [
        ['15h', '21', 'Mix'],
        ['16h', '22', 'Age'],
      ],
      ['hex', 'number', 'name'],
    ],
    [
      'a section that repeats itself',
      [
        ['Echo', 'Mix', '21'],
        ['Echo', 'Age', '22'],
        ['Hall', 'Mix', '23'],
        ['Hall', 'Age', '24'],
      ],
      ['section', 'name', 'number'],
    ],
    // Two columns may be the number, and nothing says which.
    [
      'a riddle',
      [
        ['Mix', '64', '21'],
        ['Age', '100', '22'],
        ['Wow', '0', '23'],
      ],
      ['name', 'ignore', 'ignore'],
    ],
  ])('%s', (_, rows, kinds) => {
    expect(recogniseColumns(rows)).toEqual(kinds)
  })

  it('a riddle is told at every line instead of guessed', () => {
    const rows = [
      ['Mix', '64', '21'],
      ['Age', '100', '22'],
      ['Wow', '0', '23'],
    ]
    const read = readChart(
      rows.map((cells, n) => ({ line: n + 1, cells })),
      recogniseColumns(rows),
    )
    expect(read.every(({ kind }) => kind === 'bad')).toBe(true)
  })
})

describe('running text', () => {
  const loose = (...lines: string[]) =>
    looseLines(lines.map((text, n) => ({ line: n + 1, cells: [text] }))).map(({ cells }) => cells)

  it('gives number, name, values and note of a line', () => {
    expect(loose('CC 21: Mix, 0-127')).toEqual([['CC 21', 'Mix', '0-127', '']])
    expect(loose('Mix (CC 21) 0-100 %')).toEqual([['CC 21', 'Mix', '0-100 %', '']])
    expect(loose('CC 21 Mix (turn it slowly)')).toEqual([['CC 21', 'Mix', '', 'turn it slowly']])
  })

  it('takes a bare number only where most lines have one', () => {
    expect(loose('21 Mix', '22 Age')[0]).toEqual(['21', 'Mix', '', ''])
    expect(loose('CC 21 Mix', '3 knobs are enough')[1]).toEqual(['3 knobs are enough'])
  })

  it('leads the eye along dots, but not along a range', () => {
    expect(withoutLeaders('Mix ........ 21')).toBe('Mix\t21')
    expect(withoutLeaders('Mix . . . . 21')).toBe('Mix\t21')
    expect(withoutLeaders('21  Mix  0...127')).toBe('21  Mix  0...127')
  })

  it('is a table where the columns stand under each other', () => {
    const table = spacedTable(
      ['CC   Name    Range', '21   Mix     0-127', '22           0-127', 'DELAY'].map((text, n) => ({
        line: n + 1,
        text,
      })),
    )
    expect(table?.map(({ cells }) => cells)).toEqual([
      ['CC', 'Name', 'Range'],
      ['21', 'Mix', '0-127'],
      ['22', '', '0-127'],
      ['DELAY'],
    ])
    expect(spacedTable([{ line: 1, text: 'nothing of a table' }])).toBeNull()
  })
})

describe('values, cell by cell', () => {
  const left = (text: string, unit = '') => {
    const read = readValues(text, unit, cc)
    return [read.doubt, read.left]
  }

  it('keep what else a cell says', () => {
    expect(left('0-127 (default 64)')).toEqual([null, 'default 64'])
    expect(left('0-100 %, wet')).toEqual([null, 'wet'])
    expect(left('0-127', '%')).toEqual(['unclearValues', '0-127 %'])
    expect(left('quite a lot')).toEqual(['unclearValues', 'quite a lot'])
  })

  it('say what was assumed', () => {
    expect(left('0-10')[0]).toBe('rawOrShown')
    expect(left('0.0-10.0')[0]).toBeNull()
    expect(left('20 Hz - 20 kHz')[0]).toBe('scale')
    expect(left('20 Hz - 20 kHz log')[0]).toBeNull()
  })

  it.each([
    '0-64: Off, 64-127: On',
    '0: Hall, 0: Room',
    '0: Hall, 200: Room',
    '127-0',
    '0-16383',
    '20 ms, 30 ms',
    'default: 64, max: 100',
    '0-31 = 1/4, 32-63 = 1/8 ...',
    '20-1,200 ms',
    '5 ms - 3 Hz',
    '64-64',
    '0-0',
  ])('%j is never half understood', (text) => {
    const read = readValues(text, '', cc)
    expect([read.doubt, read.reading]).toEqual([
      'unclearValues',
      { kind: 'range', unit: '', low: 0, high: 127, scale: 'linear', from: 0, to: 127 },
    ])
  })

  it('in other languages are off and on', () => {
    for (const text of [
      'Aus/Ein',
      'arrêt / marche',
      '0-63: apagado, 64-127: encendido',
      '0-63 = Aus, 64-127 = An',
    ])
      expect(readValues(text, '', cc).reading).toEqual({ kind: 'switch', isStrict: false })
  })

  it('do not take long, whatever is in a cell', () => {
    for (const text of [
      '0-'.repeat(4000),
      '('.repeat(8000),
      '1:'.repeat(5000),
      'a, '.repeat(5000),
      '9'.repeat(15_000),
    ])
      expect(readValues(text, '', cc).doubt).toBe('unclearValues')
  })
})

describe('what is nearly understood', () => {
  it('"0 = off, 1-127 = level" is no list of two names; "0 (off), 127 (on)" is off and on', () => {
    for (const text of ['0 = off, 1-127 = level', '0-127 (0 = off, 1 to 127 = level)'])
      expect(readValues(text, '', cc).reading).toMatchObject({ kind: 'range', from: 0, to: 127 })
    expect(readValues('0 (off), 127 (on)', '', cc).reading).toEqual({ kind: 'switch', isStrict: true })
    expect(readValues('0: Off, 1-127: On', '', cc).reading).toMatchObject({ kind: 'named' })
  })

  it('a list cut short is kept as a note', () => {
    for (const text of ['1 = Hall ... 8 = Plate', '0 = Hall, 1 = Room, etc.', '0 = Hall, 1 = Room …'])
      expect(readValues(text, '', cc).doubt).toBe('unclearValues')
  })

  it('a list of programs is no chart: a column headed PC holds no controller numbers', () => {
    const rows = [
      ['PC#', 'Preset'],
      ['0', 'Clean'],
      ['1', 'Grit'],
    ]
    const read = readChart(
      rows.map((cells, n) => ({ line: n + 1, cells })),
      recogniseColumns(rows),
    )
    expect(read.filter(({ kind }) => kind === 'control')).toEqual([])
  })

  it('two numbers in a sentence, with names before and behind them, are not shared out', () => {
    const [line] = looseLines([{ line: 1, cells: ['Reverb: CC 21 mix, CC 22 decay'] }])
    expect(readNumberCell(line!.cells[0]!, false).kind).toBe('none')
  })
})
