import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import fc from 'fast-check'
import { makeBank, makeControl, makeDevice, makePreset, makeRig } from '../rig/testing/makeRig'
import { own } from '../base/own'
import { inOrder, type Rig } from '../rig/rig'
import type { Numbering } from '../rig/numbering/numbering'
import { shownText } from '../rig/chart/reading'
import { highestValue } from '../rig/table/control'
import type { Cell } from '../rig/table/sound'
import { cellChoices, parseCell } from './cellText'
import { formatCell, type TypedCell } from './formatCell'
import { rigsWithSounds } from './testing/makeSounds'
import { canBeSet } from './want'

const numbering: Numbering = {
  style: 'banked',
  count: 128,
  bankSelect: 'none',
  programsPerBank: 128,
  bank: { symbols: 'letters' },
  slot: { symbols: 'digits', first: 1 },
  slots: 8,
  separator: '',
}
const rig: Rig = makeRig({
  devices: [makeDevice('echo', 4, { numbering })],
  presets: [
    makePreset('off', 'echo', 0, 'Off'),
    makePreset('dotted', 'echo', 11, 'Dotted eighth'),
    makePreset('wide', 'echo', 12, 'Dotted, wide'),
    makePreset('round', 'echo', 20, 'Round'),
    makePreset('rounder', 'echo', 21, 'Round and round'),
  ],
  controls: [
    makeControl('mix', 'echo', 105, { name: 'Mix', order: 1 }),
    makeControl('repeats', 'echo', 104, { name: 'Repeats', order: 2 }),
    makeControl('depth', 'echo', 106, { name: 'Depth', section: 'Wow', order: 3 }),
    makeControl('depth2', 'echo', 107, { name: 'Depth', section: 'Age', order: 4 }),
    makeControl('division', 'echo', 108, {
      name: 'Division',
      order: 5,
      reading: {
        kind: 'named',
        names: [
          { value: 0, name: 'Quarter' },
          { value: 1, name: 'Dotted eighth' },
        ],
      },
    }),
    makeControl('freeze', 'echo', 109, { name: 'Freeze', order: 6, reading: { kind: 'toggle', value: 127 } }),
  ],
  pairs: [
    {
      id: 'pair' as never,
      deviceId: 'echo' as never,
      order: 1,
      name: 'Shout',
      by: '',
      a: [],
      b: [],
      isLocked: false,
      losesAll: '',
      learned: null,
    },
  ],
  banks: [makeBank('one', 0)],
})
const echo = rig.devices.echo!
const set = (controlId: string, value: number) => ({ controlId: controlId as never, value })
const preset = (index: number, ...values: ReturnType<typeof set>[]): TypedCell => ({
  kind: 'preset',
  index,
  values,
})
const values = (...all: ReturnType<typeof set>[]): TypedCell => ({ kind: 'values', values: all })

describe('a typed cell', () => {
  it.each<[string, TypedCell]>([
    ['b4', preset(11)],
    ['B4 Dotted eighth', preset(11)],
    ['dotted eighth', preset(11)],
    ['b4 mix 30', preset(11, set('mix', 38))],
    ['b4 mix 30 %', preset(11, set('mix', 38))],
    ['b4, mix 30, repeats 40 %', preset(11, set('mix', 38), set('repeats', 51))],
    ['wide + mix 100', preset(12, set('mix', 127))],
    ['mix 35', values(set('mix', 44))],
    ['mix 35, repeats 40', values(set('mix', 44), set('repeats', 51))],
    ['wow 50', values(set('depth', 64))],
    ['age depth 50', values(set('depth2', 64))],
    ['cc 105 35', values(set('mix', 35))],
    ['cc 105 35 %', values(set('mix', 44))],
    ['division dotted eighth', values(set('division', 1))],
    ['b4 division quarter + mix 0', preset(11, set('division', 0), set('mix', 0))],
    ['c5', preset(20)],
    ['round', preset(20)],
    ['round and round', preset(21)],
    ['off', { kind: 'off' }],
    ['a1', preset(0)],
    ['REST', { kind: 'rest' }],
    ['leave alone', { kind: 'leave' }],
    ['by foot: step on it', { kind: 'foot', does: 'step on it' }],
    ['foot', { kind: 'foot', does: '' }],
    ['pair shout: b', { kind: 'pair', pairId: 'pair' as never, state: 'b' }],
    ['pair a', { kind: 'pair', pairId: 'pair' as never, state: 'a' }],
  ])('"%s" is read', (text, cell) => {
    expect(parseCell(rig, echo, text)).toEqual({ ok: true, value: cell })
  })

  it.each<[string, object]>([
    ['dot', { code: 'ambiguous', meanings: ['B4 Dotted eighth', 'B5 Dotted, wide'] }],
    ['depth 50', { code: 'ambiguous', meanings: ['Wow Depth 50.4 %', 'Age Depth 50.4 %'] }],
    ['mix 140', { code: 'badValue', control: 'Mix', allowed: '0 to 100 %' }],
    ['mix loud', { code: 'badValue', control: 'Mix' }],
    ['freeze on', { code: 'badValue', control: 'Freeze' }],
    ['q9', { code: 'notUnderstood', near: [] }],
    ['rou mix', { code: 'notUnderstood' }],
    ['closed', { code: 'notUnderstood' }],
    ['mix 35 mix 40', { code: 'badValue', control: 'Mix', text: '35 mix 40' }],
  ])('"%s" is refused', (text, refusal) => {
    expect(parseCell(rig, echo, text)).toMatchObject({ ok: false, refusal })
  })

  it('what a cell says is read back as the same cell, for every cell of generated rigs', () => {
    fc.assert(
      fc.property(rigsWithSounds, (one) => {
        for (const sound of inOrder(one.sounds))
          for (const { deviceId, cell } of sound.cells) {
            const device = own(one.devices, deviceId)!
            const isPlain =
              'values' in cell &&
              cell.values.some(({ controlId, value }) => !canBeSet(one.controls[controlId]!, value))
            if (isPlain) continue
            const text = formatCell(one, device, cell)
            const read = parseCell(one, device, text)
            expect([text, read.ok]).toEqual([text, true])
            if (read.ok) expect(shown(one, read.value)).toEqual(shown(one, cell))
          }
      }),
      generated(300, 8_3000),
    )
  })

  it('nothing typed makes it throw, and choices can be taken as they are', () => {
    const words = fc.constantFrom(
      'b4',
      'mix',
      '30',
      '%',
      'dot',
      'off',
      '+',
      ',',
      'closed:',
      'pair',
      'cc',
      '105',
      'round',
      'wow',
    )
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 30 }),
          fc.array(words, { maxLength: 9 }).map((all) => all.join(' ')),
        ),
        (text) => {
          parseCell(rig, echo, text)
          for (const choice of cellChoices(rig, echo, text))
            expect(parseCell(rig, echo, choice)).toMatchObject({ ok: true })
        },
      ),
      generated(1500, 8_3001),
    )
    expect(cellChoices(rig, echo, 'dot')).toEqual(['B4 Dotted eighth', 'B5 Dotted, wide'])
  })
})

/** A cell by what the device does with it: values that read alike are alike. */
function shown(one: Rig, cell: Cell | TypedCell): unknown {
  if (!('values' in cell)) return cell
  const index =
    cell.kind === 'preset' ? ('index' in cell ? cell.index : own(one.presets, cell.presetId)!.index) : null
  return [
    cell.kind,
    index,
    cell.values.map(({ controlId, value }) => {
      const { reading, address } = own(one.controls, controlId)!
      return [controlId, shownText(reading, value, highestValue(address))]
    }),
  ]
}
