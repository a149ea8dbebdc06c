import { describe, expect, it } from 'vitest'
import { applyEdit } from '../rig/applyEdit'
import { copySwitch } from '../rig/edits/copySwitch'
import { actionsAt, moveAction, removeAction } from '../rig/edits/actionList'
import {
  changeSwitches,
  clearBank,
  clearSwitches,
  copyBank,
  fillBank,
  moveBank,
  moveSwitch,
  swapBanks,
  swapSwitches,
} from '../rig/edits/placeSwitches'
import { removeRow } from '../rig/edits/removeRow'
import { rigProblems } from '../rig/integrity'
import { invertEdit, type Edit } from '../rig/edit'
import { makeBank, makeSwitch } from '../rig/testing/makeRig'
import { byIndex, type Rig } from '../rig/rig'
import type { Pedal } from '../rig/table/pedal'
import { makePedal, makeRoleOf } from '../pedal/testing/makePedals'
import { placeKey, switchesHere } from '../rig/switchesHere'
import type { Action } from '../rig/table/action'
import { floorRig, onFloor as id } from '../simulate/testing/makeFloor'
import { encodeMessages } from '../midi/encode'
import { hexOf } from '../midi/hexBytes'
import { bankAndSwitch, bankMap, nthOf, pressesBetween } from './bankMap'
import { combosOf } from './combos'
import { doingFirst } from './compile'
import { isHeld } from './action'
import { addReading, cannotHold, likeliest, readingSends, readPhrase, readTurns } from './phrase/readPhrase'
import { copySeries } from './series'

const set = (value: number, controlId = 'mix'): Action => ({
  kind: 'setControl',
  controlId: id(controlId),
  value,
})
const sound = (soundId: string): Action => ({ kind: 'recallSound', soundId: id(soundId) })
const goTo = (bankId: string): Action => ({ kind: 'travel', to: 'bank', bankId: id(bankId) })
const slot = (number: number, bankId = 'one') => ({
  bankId: id(bankId),
  number,
  newId: id(`new-${bankId}-${number}`),
})

function done(rig: Rig, edit: Edit | null): Rig {
  const applied = edit && applyEdit(rig, edit)
  if (!applied?.ok) throw new Error(JSON.stringify(applied))
  expect(applyEdit(applied.value, invertEdit(edit!))).toEqual({ ok: true, value: rig })
  expect(rigProblems(applied.value)).toEqual([])
  return applied.value
}

describe('one field that understands what is typed', () => {
  const rig = floorRig({}, { macros: [['Panic now', [{ kind: 'allOff' }]]] })
  const doing = doingFirst(rig, rig.switches['one-1']!)
  const first = (typed: string) => readPhrase(rig, typed, doing)[0]
  const bytes = (typed: string) => {
    const reading = first(typed)
    return reading ? hexOf(encodeMessages(readingSends(rig, reading, doing))) : 'nothing'
  }

  it.each([
    ['verse', sound('verse')],
    ['ver', sound('verse')],
    ['mix 35', set(44)],
    ['35 mix', set(44)],
    ['echo 35 % mix', set(44)],
    ['bank 3', goTo('three')],
    ['bank two', goTo('two')],
    ['tw', goTo('two')],
    ['home', { kind: 'travel', to: 'home', bankId: null }],
    ['next bank', { kind: 'travel', to: 'next', bankId: null }],
    ['tap', { kind: 'tap', controlId: null }],
    ['tempo 93.8', { kind: 'tempo', does: 'set', bpm: 93.8 }],
    ['tempo +2', { kind: 'tempo', does: 'nudge', bpm: 2 }],
    ['dotted', { kind: 'recallPreset', presetId: 'dotted' }],
    ['echo 12', { kind: 'recallPreset', presetId: 'dotted' }],
    ['eighth echo', { kind: 'recallPreset', presetId: 'dotted' }],
    ['wait 50', { kind: 'wait', ms: 50 }],
    ['wait 50ms', { kind: 'wait', ms: 50 }],
    ['shift', { kind: 'layer', does: 'change' }],
    ['hold shift', { kind: 'layer', does: 'hold' }],
    ['clock', { kind: 'clock', does: 'change' }],
    ['clock stop', { kind: 'clock', does: 'stop' }],
    ['tuner', { kind: 'tuner', controlId: 'tuner', does: 'change' }],
    ['loop record', { kind: 'looper', controlId: 'record', does: 'record' }],
    ['panic', { kind: 'macro', macroId: 'Panic now' }],
    ['everything off', { kind: 'allOff' }],
    ['resync', { kind: 'resync' }],
    ['next scene', { kind: 'scene', controlId: 'scene', move: 'next', value: 0 }],
    ['scene 2', set(1, 'scene')],
    ['mix up 5', { kind: 'stepControl', controlId: 'mix', by: 5, from: 0, to: 127, atEnd: 'stop' }],
    [
      'sweep mix 0 100 2s',
      { kind: 'sweepControl', controlId: 'mix', from: 0, to: 127, ms: 2000, curve: 'straight' },
    ],
    ['alternate mix 20 60', { kind: 'alternateControl', controlId: 'mix', a: 25, b: 76 }],
    ['freeze', { kind: 'alternateControl', controlId: 'strict', a: 127, b: 0 }],
    ['b3 14 7f echo', { kind: 'raw', deviceId: 'echo', hex: 'B3 14 7F' }],
    ['cc 99 64 echo', { kind: 'raw', deviceId: 'echo', hex: 'B3 63 40' }],
  ] as const)('"%s"', (typed, action) => {
    expect(first(typed)?.action).toMatchObject(action)
  })

  it('a hold is one thing down and another up', () => {
    const reading = first('hold octaver on')!
    expect([reading.action, reading.release]).toMatchObject([
      { kind: 'contact', does: 'close' },
      { kind: 'contact', does: 'open' },
    ])
    const place = { of: 'switch', slot: slot(2), event: 'press', position: 0 } as const
    const row = done(rig, addReading(rig, place, reading, id('p'))).switches['new-one-2']!
    expect([row.positions[0]!.length, row.release.length]).toEqual([1, 1])
  })

  // CC n with a value v sends v: the data bytes of M1 v4.2.1 (from memory), whatever unit a chart gives them.
  it.each([
    ['cc 20 64', 'B3 14 40'],
    ['cc20 64', 'B3 14 40'],
    ['CC#20 = 64', 'B3 14 40'],
    ['echo cc 20 127', 'B3 14 7F'],
    ['cc 20 100 ch 4', 'B3 14 64'],
    ['cc 20 35 %', 'B3 14 2C'],
    ['pc 12 ch 4', 'C3 0C'],
  ])('"%s" is raw: %s', (typed, hex) => {
    const taken = likeliest(readPhrase(rig, typed, doing))
    expect(taken && hexOf(encodeMessages(readingSends(rig, taken, doing)))).toBe(hex)
  })

  it('a number no chart has is asked, and never sent to another device in silence', () => {
    const asked = readPhrase(rig, 'cc 99 64', doing)
    expect(asked.length).toBeGreaterThan(1)
    expect(likeliest(asked)).toBeNull()
    expect(likeliest(readPhrase(rig, 'pc 5', doing))).toBeNull()
    expect(bytes('cc 20 128')).toBe('nothing')
    expect(bytes('cc 20 64 ch 16')).toBe('nothing')
    expect(readTurns(rig, 'cc 99 127 / cc 99 0', doing)).toBeNull()
  })

  it.each([
    ['hold tuner', 'tuner', 'tuner'],
    ['hold freeze', 'setControl', 'setControl'],
    ['tuner hold', 'tuner', 'tuner'],
    ['momentary octaver', 'contact', 'contact'],
    ['hold note 60 echo', 'note', 'note'],
    ['hold clock', 'clock', 'clock'],
    ['hold shift', 'layer', undefined],
  ] as const)('"%s" ends as the foot comes off', (typed, down, up) => {
    const all = readPhrase(rig, typed, doing)
    expect(all.every(isHeld)).toBe(true)
    expect([all[0]?.action.kind, all[0]?.release?.kind]).toEqual([down, up])
  })

  it.each([
    'hold verse',
    'hold mix 80',
    'hold echo 12',
    'hold bank 2',
    'hold tap',
    'hold wait 50',
    'hold panic',
    'hold sweep mix 0 100',
    'hold next scene',
    'hold tempo 120',
    'hold alternate mix 20 60',
    'hold loop record',
    'hold next bank',
  ])('"%s" is refused, and said to be', (typed) => {
    expect(readPhrase(rig, typed, doing)).toEqual([])
    expect(cannotHold(rig, typed, doing)?.action).toBeDefined()
    expect(cannotHold(rig, typed.replace('hold ', ''), doing)).toBeNull()
  })

  it('"on" is on, also where it is a word of the name', () => {
    const named = { ...rig.controls.strict!, name: 'Echo on' }
    const other = { ...rig, controls: { ...rig.controls, strict: named } }
    const taken = (typed: string) => readPhrase(other, typed, doing)[0]
    expect(taken('echo on')?.action).toMatchObject({ kind: 'setControl', controlId: 'strict', value: 127 })
    expect(taken('echo off')?.action).toMatchObject({ kind: 'setControl', controlId: 'strict', value: 0 })
    expect(taken('hold echo on')).toMatchObject({
      action: { kind: 'setControl', value: 127 },
      release: { kind: 'setControl', value: 0 },
    })
    expect(first('tuner on')?.action).toMatchObject({ kind: 'tuner', does: 'on' })
  })

  it('both decimal signs, in values, tempos, sweeps and pauses', () => {
    expect(['mix 35,5', 'mix 35.5', 'mix 35,5 %'].map((typed) => first(typed)?.action)).toEqual(
      Array(3).fill(set(45)),
    )
    expect(first('tempo 93,8')?.action).toEqual({ kind: 'tempo', does: 'set', bpm: 93.8 })
    expect(first('sweep mix 0 100 0,5s')?.action).toMatchObject({ ms: 500 })
  })

  it('a preset nothing is known of is made with it', () => {
    const reading = first('echo 77')!
    expect(bytes('echo 77')).toBe('C3 4C')
    const place = { of: 'switch', slot: slot(2), event: 'press', position: 0 } as const
    const after = done(rig, addReading(rig, place, reading, id('made')))
    expect(after.presets.made).toMatchObject({ deviceId: 'echo', index: 76 })
  })

  it('says what it will send, and nothing for words that mean nothing', () => {
    expect(bytes('mix 35')).toBe('B3 14 2C')
    expect(bytes('hall 300')).toBe('B4 00 00 B4 20 02 C4 2B')
    expect(['mix 135', 'zebra', 'verse zebra', '', '   '].map(bytes)).toEqual(
      Array.from({ length: 5 }, () => 'nothing'),
    )
  })

  it('every offer is an action that may be kept', () => {
    for (const typed of ['e', 'on', 'next', 'echo', 'mix 1', 'bank', 'hold on', 'b3 14 7f', 'note 60 echo'])
      for (const reading of readPhrase(rig, typed, doing)) {
        const place = { of: 'switch', slot: slot(3), event: 'press', position: 0 } as const
        done(rig, addReading(rig, place, reading, id('made')))
      }
  })
})

describe('lists and switches', () => {
  it('order and removal in any list', () => {
    const rig = floorRig({ longPress: [set(1), set(2), set(3)] })
    const place = {
      of: 'switch',
      slot: { ...slot(1), newId: id('x') },
      event: 'longPress',
      position: 0,
    } as const
    const moved = done(rig, moveAction(rig, place, 0, 2))
    expect(actionsAt(moved, place)).toEqual([set(2), set(3), set(1)])
    expect(actionsAt(done(rig, removeAction(rig, place, 1)), place)).toEqual([set(1), set(3)])
    expect([moveAction(rig, place, 0, 3), removeAction(rig, place, 5)]).toEqual([null, null])
  })

  it('copies, moves and swaps all that a switch does, and undoes it', () => {
    const rig = floorRig(
      { positions: [[set(1)], [set(2)]], longPress: [set(3)], group: 'a', label: 'First' },
      { more: [makeSwitch('one', 2, [[set(9)]], { label: 'Second' })] },
    )
    const first = rig.switches['one-1']!
    const copied = done(rig, copySwitch(rig, first.id, slot(2)))
    expect(copied.switches['one-2']).toEqual({ ...first, id: 'one-2', number: 2 })
    const moved = done(rig, moveSwitch(rig, first.id, slot(2, 'two')))
    // Its row goes with it, and so does what names it.
    expect(
      Object.values(moved.switches).map(({ id: of, bankId, number, label }) => [of, bankId, number, label]),
    ).toEqual(expect.arrayContaining([['one-1', 'two', 2, 'First']]))
    const swapped = done(rig, swapSwitches(rig, first.id, slot(2)))
    expect([swapped.switches['one-1']!.label, swapped.switches['one-2']!.label]).toEqual(['Second', 'First'])
    expect([moveSwitch(rig, first.id, slot(1)), swapSwitches(rig, first.id, slot(1))]).toEqual([null, null])
  })

  it('clears a switch that a pedal names as its inspector does, by key or by button, one or several', () => {
    const plain = floorRig({ positions: [[set(1)]] }, { more: [makeSwitch('one', 2, [[set(2)]])] })
    const works = { kind: 'switch', switchId: id('one-1') } as const
    const pedal: Pedal = {
      ...makePedal('foot', [makeRoleOf([], { kind: 'held', switchId: id('one-1') })]),
      off: { kind: 'heel', delayMs: 600, zone: 3, toe: 'latching', works },
    }
    const rig: Rig = { ...plain, pedals: { foot: pedal } }
    const byButton = done(rig, removeRow(rig, 'clearSwitch', 'switches', 'one-1'))
    expect(done(rig, clearSwitches(rig, ['one-1']))).toEqual(byButton)
    expect(byButton.switches['one-1']).toBeUndefined()
    expect(Object.keys(done(rig, clearSwitches(rig, ['one-1', 'one-2', 'gone'])).switches)).toEqual([])
    expect(Object.keys(done(rig, clearBank(rig, id('one'))).switches)).toEqual([])
    expect(clearSwitches(rig, ['gone'])).toBeNull()
    // Moved away and moved over, and copied over with its whole bank.
    const moved = done(rig, moveSwitch(rig, id('one-1'), slot(3)))
    expect(moved.pedals).toEqual(rig.pedals)
    done(rig, moveSwitch(rig, id('one-2'), slot(1)))
    let n = 0
    done(
      rig,
      copyBank(rig, id('two'), id('one'), () => id(`copied-${n++}`)),
    )
  })

  it('changes several at once, and fills a bank from sounds', () => {
    const rig = floorRig({})
    const grouped = done(
      rig,
      changeSwitches(rig, [slot(1), slot(2)], (one) => ({ ...one, group: 'parts' })),
    )
    expect([grouped.switches['one-1']!.group, grouped.switches['new-one-2']!.group]).toEqual([
      'parts',
      'parts',
    ])
    const filled = done(rig, fillBank(rig, [slot(1), slot(2), slot(3)], [id('verse'), id('chorus')]))
    expect([filled.switches['one-1']!.positions, filled.switches['new-one-2']!.positions]).toEqual([
      [[sound('verse')]],
      [[sound('chorus')]],
    ])
    expect(filled.switches['new-one-3']).toBeUndefined()
  })

  it('a switch in every bank gives way to one that a bank says itself', () => {
    const rig = floorRig(
      { positions: [[set(1)]], everywhere: true },
      { more: [makeSwitch('two', 1, [[set(2)]]), makeSwitch('three', 1, [[]])] },
    )
    const here = (bank: string, layer: 'base' | 'shift' = 'base') =>
      switchesHere(rig, bank, layer).get(placeKey({ jack: '', number: 1 }))?.id
    expect([here('one'), here('two'), here('three'), here('one', 'shift')]).toEqual([
      'one-1',
      'two-1',
      // A row that does nothing says nothing else.
      'one-1',
      undefined,
    ])
  })

  it('what a macro or a bank names goes with it', () => {
    const rig = floorRig(
      { positions: [[{ kind: 'macro', macroId: id('m') }, goTo('two')]] },
      { macros: [['m', [set(1)]]], controller: { home: id('two') } },
    )
    expect(done(rig, removeRow(rig, 'removeMacro', 'macros', 'm')).switches['one-1']!.positions).toEqual([
      [goTo('two')],
    ])
    const without = done(rig, removeRow(rig, 'removeBank', 'banks', 'two'))
    expect([without.controllers.controller!.home, without.switches['one-1']!.positions[0]!.length]).toEqual([
      null,
      1,
    ])
    // A controller takes its banks, and what mentions those forgets them.
    const other = floorRig({}, { macros: [['m', [goTo('two')]]] })
    expect(
      done(other, removeRow(other, 'removeController', 'controllers', 'controller')).macros.m!.actions,
    ).toEqual([])
  })

  it('no macro runs itself, by way of others or not', () => {
    const loop: readonly (readonly [string, Action[]])[] = [
      ['a', [{ kind: 'macro', macroId: id('b') }]],
      ['b', [{ kind: 'macro', macroId: id('a') }]],
    ]
    expect(rigProblems(floorRig({}, { macros: loop })).map(({ code }) => code)).toEqual([
      'ownMacro',
      'ownMacro',
    ])
    const rig = floorRig({}, { macros: [loop[0]!, ['b', [set(1)]]] })
    const edit: Edit = {
      label: 'changeMacro',
      changes: [
        {
          table: 'macros',
          id: 'b',
          before: rig.macros.b!,
          after: { ...rig.macros.b!, actions: loop[1]![1] },
        },
      ],
    }
    expect(applyEdit(rig, edit)).toMatchObject({ ok: false, refusal: { code: 'invalid' } })
  })
})

describe('copies with series', () => {
  const series = (positions: Action[][], kind: Parameters<typeof copySeries>[3], copies = 2) => {
    let made = 0
    const rig = floorRig({ positions })
    const slots = Array.from({ length: copies }, (_, n) => slot(n + 2))
    const plan = copySeries(rig, rig.switches['one-1']!, slots, kind, () => id(`made-${made++}`))
    return { plan, rig: plan.edit ? done(rig, plan.edit) : rig }
  }
  const actionsOf = (rig: Rig) => [2, 3].map((n) => rig.switches[`new-one-${n}`]?.positions[0]?.[0])

  it('next preset: those with a row, and those that are made', () => {
    const { rig, plan } = series([[{ kind: 'recallPreset', presetId: id('dotted') }]], 'preset')
    expect(plan.missing).toBe(0)
    expect(
      actionsOf(rig).map((one) => one?.kind === 'recallPreset' && rig.presets[one.presetId]!.index),
    ).toEqual([12, 13])
  })

  it('next sound, value, CC, channel, each to its end', () => {
    expect(series([[sound('verse')]], 'sound').plan.missing).toBe(1)
    expect(actionsOf(series([[set(126)]], 'value').rig)).toEqual([set(127), undefined])
    expect(actionsOf(series([[set(1, 'mix')]], 'controller').rig)).toEqual([set(1, 'on'), set(1, 'strict')])
    const raw = (hex: string): Action => ({ kind: 'raw', deviceId: id('echo'), hex })
    expect(actionsOf(series([[raw('B3 14 7F')]], 'channel').rig)).toEqual([raw('B4 14 7F'), raw('B5 14 7F')])
    expect(actionsOf(series([[raw('B3 7E 05')]], 'controller').rig)).toEqual([raw('B3 7F 05'), undefined])
    expect(actionsOf(series([[set(1)]], 'same').rig)).toEqual([set(1), set(1)])
  })
})

describe('banks', () => {
  const banks = [
    makeBank('one', 0, 'One'),
    makeBank('two', 1, 'Two'),
    makeBank('three', 2, 'Three', { pageOf: id('two') }),
  ]
  const rig = floorRig(
    { positions: [[sound('verse'), goTo('two')]] },
    {
      banks,
      more: [
        makeSwitch('two', 1, [[sound('chorus')]]),
        makeSwitch('two', 2, [[{ kind: 'travel', to: 'page', bankId: null }]]),
        makeSwitch('three', 1, [[{ kind: 'travel', to: 'home', bankId: null }]]),
      ],
    },
  )

  it('are moved, swapped, copied and cleared, names and all', () => {
    const order = (one: Rig) => byIndex(one.banks).map((bank) => bank.id)
    expect(order(done(rig, moveBank(rig, id('three'), -2)))).toEqual(['three', 'one', 'two'])
    expect(order(done(rig, swapBanks(rig, id('one'), id('three'))))).toEqual(['three', 'two', 'one'])
    expect([moveBank(rig, id('one'), -1), swapBanks(rig, id('one'), id('one'))]).toEqual([null, null])
    let n = 0
    const copied = done(
      rig,
      copyBank(rig, id('two'), id('one'), () => id(`copy-${n++}`)),
    )
    expect(Object.values(copied.switches).filter(({ bankId }) => bankId === 'one')).toHaveLength(2)
    expect(Object.keys(done(rig, clearBank(rig, id('two'))).switches)).toEqual(['one-1', 'three-1'])
  })

  it('are a map with presses between sounds', () => {
    const map = bankMap(rig, id('controller'))!
    const at = (bank: string, layer = 'base') =>
      map.spots.findIndex((one) => one.bank.id === bank && one.layer === layer)
    expect(map.presses[at('one')]![at('three')]).toBe(2)
    expect([
      pressesBetween(map, id('verse'), id('chorus')),
      pressesBetween(map, id('chorus'), id('verse')),
    ]).toEqual([2, 3])
    expect(map.noWayHome).toEqual([])
  })

  // "Preset 24, six a bank: bank 4, switch 6"; n is bank ceil(n / 6), switch (n - 1) mod 6 + 1 (common practice).
  it.each([
    [24, 6, 4, 6],
    [1, 6, 1, 1],
    [7, 6, 2, 1],
    [300, 10, 30, 10],
  ])('preset %i of %i a bank is bank %i, switch %i', (nth, perBank, bank, number) => {
    expect(bankAndSwitch(nth, perBank)).toEqual({ bank, number })
    expect(nthOf(bank, number, perBank)).toBe(nth)
  })
})

describe('numbered combinations kept by a controller', () => {
  it('hold what fits, and say what must stand on the switch itself', () => {
    const rig = floorRig(
      { positions: [[sound('verse')], [sound('chorus')]] },
      { controller: { combos: { count: 1, first: 1, channels: 4, highestProgram: 11 as never } } },
    )
    const combos = combosOf(rig, rig.controllers.controller!)
    expect(combos.map(({ sound: { id: name }, index, shown }) => [name, index, shown])).toEqual([
      ['verse', 0, 1],
      // Its program is beyond the list's, so nothing of it lives there.
      ['chorus', null, null],
    ])
    expect(combos[0]).toMatchObject({
      programs: [{ deviceId: 'echo', channel: 4, program: 11 }],
      outside: [
        { deviceId: 'echo', why: 'control' },
        { deviceId: 'octaver', why: 'contact' },
      ],
    })
    expect(combos[1]!.outside[0]).toEqual({ deviceId: 'echo', why: 'program' })
  })
})
