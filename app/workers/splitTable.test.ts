import { describe, expect, it } from 'vitest'
import { readPaste } from './readPaste'
import { splitTable } from './splitTable'

const read = (text: string) => {
  const { columns, rows } = readPaste(text, null)
  return { delimiter: splitTable(text).delimiter, columns, rows }
}
const controls = (text: string) =>
  read(text).rows.flatMap((row) =>
    row.kind === 'control'
      ? [
          `${row.draft.address.kind === 'cc' ? row.draft.address.number : row.draft.address.parameter} ${[row.draft.section, row.draft.name].filter(Boolean).join('/')}`,
        ]
      : [],
  )
const readings = (text: string) =>
  read(text).rows.flatMap((row) => (row.kind === 'control' ? [row.draft.reading] : []))
const bad = (text: string) =>
  read(text).rows.flatMap((row) => (row.kind === 'bad' ? [{ line: row.line, ...row.bad }] : []))

describe('ten layouts of charts', () => {
  it('1. tabs, a head, ranges with a hyphen', () => {
    const text = 'CC\tParameter\tRange\n21\tMix\t0-127\n22\tDecay\t0-127\n'
    expect(read(text)).toMatchObject({ delimiter: '\t', columns: ['number', 'name', 'values'] })
    expect(controls(text)).toEqual(['21 Mix', '22 Decay'])
    expect(readings(text)[0]).toMatchObject({ kind: 'range', from: 0, to: 127 })
  })

  it('2. commas, quoted cells with commas inside, ranges with dots', () => {
    const text = 'Number,Name,Values,Notes\n21,"Mix, wet",0..127,"more, not less"\n22,Decay,0..100,\n'
    expect(controls(text)).toEqual(['21 Mix, wet', '22 Decay'])
    expect(readings(text)[1]).toMatchObject({ from: 0, to: 100, low: 0, high: 100 })
  })

  it('3. semicolons, sections in a column, units', () => {
    const text = 'Block;Function;CC#;Value;Unit\nEcho;Mix;21;0 to 100;%\nEcho;Time;22;20 to 1200;ms\n'
    expect(controls(text)).toEqual(['21 Echo/Mix', '22 Echo/Time'])
    expect(readings(text)[1]).toMatchObject({ unit: 'ms', low: 20, high: 1200, from: 0, to: 127 })
  })

  it('4. columns set with spaces', () => {
    const text = 'CC   Name            Range\n 21  Reverb mix      0-127\n 22  Reverb decay    0-127\n'
    expect(read(text).delimiter).toBe('spaces')
    expect(controls(text)).toEqual(['21 Reverb mix', '22 Reverb decay'])
  })

  it('5. decimal and hex side by side, the number in both once', () => {
    const text = 'Dec\tHex\tParameter\tData\n20\t14h\tOn/off\tOff / On\n21\t15h\tMix\t00h-7Fh\n'
    expect(controls(text)).toEqual(['20 On/off', '21 Mix'])
    expect(readings(text)).toMatchObject([
      { kind: 'switch', isStrict: false },
      { from: 0, to: 127 },
    ])
  })

  it('6. bare hex numbers', () => {
    expect(controls('Hex;Name;Range\n1A;Mix;0-127\n10;Decay;0-127\n')).toEqual(['26 Mix', '16 Decay'])
  })

  it('7. "CC#21" and names before numbers, no head', () => {
    const text = 'Mix\tCC#21\t0-127\nDecay\tCC#22\t0-127\nFreeze\tCC#23\t0-63: Off, 64-127: On\n'
    expect(controls(text)).toEqual(['21 Mix', '22 Decay', '23 Freeze'])
    expect(readings(text)[2]).toEqual({ kind: 'switch', isStrict: false })
  })

  it('8. merged header lines that name sections, and the head repeated', () => {
    const text =
      'CONTROL CHANGES\t\t\nCC\tName\tRange\nDelay section:\t\t\n21\tMix\t0-127\n\t\t\nReverb section\t\t\nCC\tName\tRange\n31\tMix\t0-127\n'
    expect(controls(text)).toEqual(['21 Delay section/Mix', '31 Reverb section/Mix'])
  })

  it('9. notes at the end, named values, NRPN', () => {
    const text =
      'CC;Name;Values\n34;Scene;0: Scene 1, 1: Scene 2, 2: Scene 3\nNRPN 98/44;Drift;0-127\n* Requires the newest software.;;\nAll numbers are decimal;;\n'
    expect(controls(text)).toEqual(['34 Scene', '12588 Drift'])
    expect(read(text).rows.filter(({ kind }) => kind === 'passed')).toHaveLength(4)
    expect(readings(text)[0]).toEqual({
      kind: 'named',
      names: [
        { value: 0, name: 'Scene 1' },
        { value: 1, name: 'Scene 2' },
        { value: 2, name: 'Scene 3' },
      ],
    })
  })

  it('10. letters of other alphabets, dashes of other lengths, Windows line ends', () => {
    const text =
      'CC\tName\tRange\r\n21\tHällräume größe\t0–127\r\n22\t残響\t0–100 %\r\n23\tRückkopplung\t-12 to +12 semitones\r\n'
    expect(controls(text)).toEqual(['21 Hällräume größe', '22 残響', '23 Rückkopplung'])
    expect(readings(text)[1]).toMatchObject({ unit: '%', high: 100, to: 127 })
    expect(readings(text)[2]).toMatchObject({ unit: 'semitones', low: -12, high: 12 })
  })
})

describe('lines that cannot be read', () => {
  it('say which line and why', () => {
    const text =
      'CC,Name,Range\n21,Mix,0-127\n200,Decay,0-127\n22,,0-127\n23,Tone,somewhere\nNRPN 12588,Drift,0-127\n24,Age,0-127\n'
    expect(bad(text)).toEqual([
      { line: 3, why: 'numberOutside', number: 200 },
      { line: 4, why: 'noName' },
      // One number, or the pair 125, 88: never guessed.
      { line: 6, why: 'unclearNrpn', cell: 'NRPN 12588' },
    ])
  })
})

describe('hostile text', () => {
  it('does no harm: formulas, NUL bytes, script tags, a line of a megabyte', () => {
    const text = [
      'CC,Name,Range',
      '21,=HYPERLINK("x"),0-127',
      '22,\u0000Mi\u0000x,0-127',
      '23,<script>alert(1)</script>,0-127',
      `24,${'x'.repeat(1_000_000)},0-127`,
      '25,__proto__,0-127',
    ].join('\n')
    const { rows } = read(text)
    expect(controls(text)).toEqual([
      '21 =HYPERLINK("x")',
      '22 Mi x',
      '23 <script>alert(1)</script>',
      '25 __proto__',
    ])
    expect(rows.filter(({ kind }) => kind === 'bad')).toEqual([
      { line: 5, kind: 'bad', bad: { why: 'tooLong', letters: 1_000_009 } },
    ])
    expect(read('\u0000\u0000').rows).toBeDefined()
    expect(read('').rows.every(({ kind }) => kind === 'passed')).toBe(true)
  })

  it('is read by the columns the cutting has told, on the page as here', () => {
    const text = 'CC 20 = Gain\nCC 21 = Tone\n'
    expect(splitTable(text).columns).not.toBeNull()
    expect(readPaste(text, null).columns).toEqual(splitTable(text).columns)
    expect(controls(text)).toEqual(['20 Gain', '21 Tone'])
  })

  it('one note among controls makes no number hex, two of three in hex do', () => {
    const note =
      'Type,Number,Name,Range\nCC,20,Gain,0-127\nCC,21,Tone,0-127\nCC,40,Level,0-127\nNote,C4,Sample A,1-127\n'
    expect(controls(note)).toEqual(['20 Gain', '21 Tone', '40 Level'])
    expect(controls('CC,Name\n20,Gain\n21,Tone\n7a,Volume\n')).toEqual(['20 Gain', '21 Tone'])
    expect(controls('CC,Name\n1A,Mix\n1B,Decay\n10,Tone\n')).toEqual(['26 Mix', '27 Decay', '16 Tone'])
  })
})
