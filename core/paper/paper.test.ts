import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { makeBank, makeController, makeRig, makeSwitch } from '../rig/testing/makeRig'
import { playedParts, showOn } from '../rig/showOrder'
import type { Action } from '../rig/table/action'
import { makeShowRig } from '../show/testing/makeShowRig'
import { setSheet, stripsOf } from './paper'

const wait: Action = { kind: 'wait', ms: 1 }
const named = (bank: string, number: number, label: string, more = {}) =>
  makeSwitch(bank, number, [[wait]], { label, ...more })

describe('label strips', () => {
  const rig = makeRig({
    controllers: [
      makeController({ rows: 2, columns: 6, columnMm: 58, hasShift: true, firstBank: 0 as never }),
    ],
    banks: [makeBank('one', 0, 'One'), makeBank('two', 1, 'Two'), makeBank('bare', 2)],
    switches: [
      named('one', 1, 'Clean'),
      named('one', 12, 'Solo', { everywhere: true }),
      named('two', 3, 'Held', { layer: 'shift' }),
      makeSwitch('bare', 4, [[]], { label: 'Nothing yet' }),
    ],
  })

  it('are of each row with something on it, as long as the switches are apart', () => {
    const strips = stripsOf(rig, 1000)
    expect(strips.map(({ bank, layer, row, shown }) => `${shown} ${bank.id} ${layer} ${row}`)).toEqual([
      '0 one base 1',
      '0 one base 2',
      '1 two base 2',
      '1 two shift 1',
      '2 bare base 2',
    ])
    for (const { widthMm, labels, pieces } of strips) {
      expect([widthMm, pieces]).toEqual([6 * 58, 1])
      expect(labels.map(({ middleMm }) => middleMm)).toEqual([29, 87, 145, 203, 261, 319])
    }
    const text = strips.map(({ labels }) =>
      labels.flatMap(({ name, number }) => (name ? [`${number} ${name}`] : [])),
    )
    expect(text).toEqual([['1 Clean'], ['12 Solo'], ['12 Solo'], ['3 Held'], ['12 Solo']])
  })

  it('are cut between switches where the page is shorter, none longer than it, none left out', () => {
    for (const most of [40, 58, 100, 190, 277, 400]) {
      const strips = stripsOf(rig, most).filter(({ bank, row }) => bank.id === 'one' && row === 1)
      expect(strips.flatMap(({ labels }) => labels.map(({ number }) => number))).toEqual([1, 2, 3, 4, 5, 6])
      expect(strips.map(({ piece, pieces }) => [piece, pieces])).toEqual(
        strips.map((_, n) => [n + 1, strips.length]),
      )
      // One switch at least is on each, however short the page.
      for (const { widthMm } of strips) expect(widthMm).toBeLessThanOrEqual(Math.max(most, 58))
    }
  })

  it('are none of a rig without a controller or with nothing on it', () => {
    expect(stripsOf(makeRig({}), 200)).toEqual([])
    expect(stripsOf(makeRig({ controllers: [makeController()], banks: [makeBank('one', 0)] }), 200)).toEqual(
      [],
    )
  })
})

describe('the set sheet', () => {
  it('has every part that is played, in order, with what is stepped on', () => {
    for (const seed of seeds(20, 1)) {
      const rig = makeShowRig(seed)
      const sheet = setSheet(rig)
      expect(sheet.map(({ played }) => played)).toEqual(playedParts(rig, showOn(rig)!))
      for (const { moves, stays, sound, played, lastsMs } of sheet) {
        expect(sound).toBe(rig.sounds[played.soundId!]!.name)
        expect(stays).toBe(moves.length === 0)
        if (!stays) expect(moves.at(-1)!.plays).toBe(played.soundId)
        expect(lastsMs).toBe(20_000)
      }
    }
    expect(setSheet(makeRig({}))).toEqual([])
  })
})
