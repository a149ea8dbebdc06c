import { describe, expect, it } from 'vitest'
import { applyEdit } from '../../rig/applyEdit'
import { makeBank, makeCable, makeShow, makeSwitch } from '../../rig/testing/makeRig'
import type { Rig } from '../../rig/rig'
import type { Action } from '../../rig/table/action'
import type { Controller } from '../../rig/table/controller'
import type { Footswitch } from '../../rig/table/switch'
import { floorRig, onFloor as id } from '../../simulate/testing/makeFloor'
import { findings, type Finding } from '../findings'
import { codes, expectFixable, requireFinding } from '../testing/makeFinding'

const set = (value: number, controlId = 'mix'): Action => ({
  kind: 'setControl',
  controlId: id(controlId),
  value,
})
const recall = (presetId = 'dotted'): Action => ({ kind: 'recallPreset', presetId: id(presetId) })
const travel = (to: 'home' | 'next' | 'back'): Action => ({ kind: 'travel', to, bankId: null })
const goTo = (bankId: string): Action => ({ kind: 'travel', to: 'bank', bankId: id(bankId) })
const sound = (soundId: string): Action => ({ kind: 'recallSound', soundId: id(soundId) })

type Code = Finding['code']
/** The code is there with the one, and gone with the other. */
function expectBoth(code: Code, wrong: Rig, right: Rig): void {
  expect(codes(wrong)).toContain(code)
  expect(codes(right)).not.toContain(code)
}
const one = (fields: Partial<Footswitch>, controller: Partial<Controller> = {}, deafMs = 0) =>
  floorRig(fields, { controller, deafMs })

describe('how a switch and a device agree', () => {
  it('two presses a change, mended by sending one value', () => {
    const two = one({ positions: [[set(127, 'picky')], [set(0, 'picky')]] })
    expect(requireFinding(two, 'parity').facts).toMatchObject({
      device: 'Tape echo',
      mode: 'alternate',
      pressesAChange: 2,
      after: { off: ['on', 'on', 'off'] },
    })
    const mended = expectFixable(two, 'parity')
    expect(mended.switches['one-1']!.positions).toEqual([[set(127, 'picky')]])
    // What else the two positions do is not taken away.
    const more = one({
      positions: [
        [set(127, 'picky'), set(3)],
        [set(0, 'picky'), set(9)],
      ],
    })
    expect(requireFinding(more, 'parity').fix).toBeUndefined()
  })

  it('an alternating action the same; a device that follows is right', () => {
    const alternates = (controlId: string) =>
      one({ positions: [[{ kind: 'alternateControl', controlId: id(controlId), a: 127, b: 0 }]] })
    expectBoth('parity', alternates('turns'), alternates('on'))
    expect(expectFixable(alternates('picky'), 'parity').switches['one-1']!.positions).toEqual([
      [set(127, 'picky')],
    ])
  })

  it('a value between on a strict switch', () => {
    expectBoth(
      'strictValue',
      one({ positions: [[set(64, 'strict')]] }),
      one({ positions: [[set(64, 'on')]] }),
    )
    expect(
      expectFixable(one({ positions: [[set(64, 'strict')]] }), 'strictValue').switches['one-1']!.positions,
    ).toEqual([[set(127, 'strict')]])
    expectBoth(
      'strictValue',
      one({ longPress: [{ kind: 'alternateControl', controlId: id('strict'), a: 100, b: 0 }] }),
      one({ longPress: [{ kind: 'alternateControl', controlId: id('strict'), a: 127, b: 0 }] }),
    )
    const sweep: Action = {
      kind: 'sweepControl',
      controlId: id('strict'),
      from: 0,
      to: 127,
      ms: 500,
      curve: 'straight',
    }
    expect(codes(one({ positions: [[sweep]] }))).toContain('strictValue')
  })
})

describe('what a switch sends', () => {
  it('a control before the recall that undoes it, whatever the gesture', () => {
    const wrong = one({ doublePress: [set(9), recall()] })
    expect(requireFinding(wrong, 'undoneSet').facts).toMatchObject({ isSure: true, preset: 'Dotted eighth' })
    expect(expectFixable(wrong, 'undoneSet').switches['one-1']!.doublePress).toEqual([recall(), set(9)])
    // The preset says nothing of it: it may.
    expect(requireFinding(one({ positions: [[set(9), recall('long')]] }), 'undoneSet').severity).toBe(
      'warning',
    )
    // The preset recalls that very value; another device's recall.
    expect(codes(one({ positions: [[set(44), recall()]] }))).not.toContain('undoneSet')
    const scene = (value: number): Action => ({ ...set(value), kind: 'scene', move: 'to' }) as Action
    expect(codes(one({ positions: [[scene(44), recall()]] }))).not.toContain('undoneSet')
    expect(codes(one({ positions: [[scene(9), recall()]] }))).toContain('undoneSet')
    expect(codes(one({ positions: [[set(9), recall('drowned')]] }))).not.toContain('undoneSet')
    expect(codes(one({ positions: [[set(9), sound('verse')]] }))).toContain('undoneSet')
  })

  it('controls lost while a device loads, mended by a wait where the controller can', () => {
    const wrong = one({ positions: [[recall(), set(9)]] }, {}, 60)
    expect(requireFinding(wrong, 'lostOnSwitch').facts).toMatchObject({
      messages: 1,
      waitMs: 60,
      canWait: true,
    })
    expect(expectFixable(wrong, 'lostOnSwitch').switches['one-1']!.positions).toEqual([
      [recall(), { kind: 'wait', ms: 60 }, set(9)],
    ])
    const cannot = one({ positions: [[recall(), set(9)]] }, { waitMs: 10 }, 60)
    expect(requireFinding(cannot, 'lostOnSwitch').fix).toBeUndefined()
    expect(codes(one({ positions: [[set(9), recall('drowned')]] }, {}, 60))).not.toContain('lostOnSwitch')
  })

  it('more messages than one gesture holds, counted with macros and all', () => {
    const many = Array.from({ length: 5 }, (_, n) => set(n))
    expectBoth(
      'overfullSwitch',
      one({ longPress: many }, { messagesPerEvent: 4 }),
      one({ longPress: many }, { messagesPerEvent: 5 }),
    )
    const macro = floorRig(
      { positions: [[{ kind: 'macro', macroId: id('m') }, set(1)]] },
      { controller: { messagesPerEvent: 5 }, macros: [['m', many]] },
    )
    expect(requireFinding(macro, 'overfullSwitch').facts).toMatchObject({ messages: 6, most: 5 })
  })

  it('too long until all is ready', () => {
    const slow = one({ positions: [[set(1), { kind: 'wait', ms: 340 }, recall()]] }, {}, 60)
    expect(requireFinding(slow, 'slowSwitch').facts).toMatchObject({ last: 'Tape echo', ms: 402 })
    expect(codes(one({ positions: [[set(1), { kind: 'wait', ms: 200 }, recall()]] }, {}, 60))).not.toContain(
      'slowSwitch',
    )
    // A sweep is meant to take its time.
    const sweep: Action = {
      kind: 'sweepControl',
      controlId: id('mix'),
      from: 0,
      to: 127,
      ms: 5000,
      curve: 'straight',
    }
    expect(codes(one({ positions: [[sweep]] }))).not.toContain('slowSwitch')
  })

  it('the same on two gestures', () => {
    const twins = one({ positions: [[set(9)]], longPress: [set(9)] })
    expect(requireFinding(twins, 'twinGestures').facts.other.event).toBe('longPress')
    expect(expectFixable(twins, 'twinGestures').switches['one-1']!.longPress).toEqual([])
    expectBoth(
      'twinGestures',
      one({ positions: [[set(9)], [set(3)], [set(9)]] }),
      one({ positions: [[set(9)], [set(3)], [set(8)]] }),
    )
    // What hangs on where the show is does the same only where the same step is asked.
    const goOn = (to: 'nextPart' | 'nextSong'): Action => ({ kind: 'showStep', to, songId: null })
    expectBoth(
      'twinGestures',
      one({ positions: [[goOn('nextPart')]], longPress: [goOn('nextPart')] }),
      one({ positions: [[goOn('nextPart')]], longPress: [goOn('nextSong')] }),
    )
    // Sent by way of a sound or by hand is the same on the wire, and another thing to the lamps.
    expect(codes(one({ positions: [[travel('next')]], longPress: [goTo('three')] }))).not.toContain(
      'twinGestures',
    )
  })

  it('a switch that does nothing now', () => {
    const none = floorRig({ positions: [[set(9)]] })
    const deaf = {
      ...none,
      devices: { ...none.devices, echo: { ...none.devices.echo!, channel: 'none' as const } },
    }
    expectBoth('silentSwitch', deaf, none)
    // A step in a show goes somewhere, or the show has nowhere to go.
    const toReel: Action = { kind: 'showStep', to: 'song', songId: 'reel' as never }
    const shown = one({ positions: [[toReel]] })
    const short = makeShow('show', ['air'])
    expectBoth('silentSwitch', { ...shown, shows: { show: short } }, shown)
    expect(requireFinding({ ...shown, shows: { show: short } }, 'silentSwitch').facts.why).toBe('noPart')
    const back: Action = { kind: 'showStep', to: 'previousPart', songId: null }
    expectBoth('silentSwitch', { ...one({ positions: [[back]] }), shows: {} }, one({ positions: [[back]] }))
    // One that only answers to a long press, or that travels, does something.
    expect(codes(one({ longPress: [set(1)] }))).not.toContain('silentSwitch')
    expect(codes(one({ positions: [[travel('back')]] }))).not.toContain('silentSwitch')
    expectBoth('silentSwitch', one({ positions: [[set(1)], []] }), one({ positions: [[set(1)], [set(2)]] }))
  })
})

describe('ways through the banks', () => {
  const banks = [makeBank('one', 0, 'One'), makeBank('two', 1, 'Two')]
  const walk = (more: readonly Footswitch[], first: Action[][] = [[goTo('two')]]) =>
    floorRig({ positions: first }, { banks, more })

  it('a bank with no way back home', () => {
    const stuck = walk([makeSwitch('two', 1, [[set(1)]])])
    expect(requireFinding(stuck, 'noWayBack').facts).toMatchObject({
      name: 'Two',
      isDeadEnd: true,
      home: 'One',
    })
    expectBoth('noWayBack', stuck, walk([makeSwitch('two', 1, [[travel('home')]])]))
    // A switch that stands in every bank, or the controller's own bank keys, lead out as well.
    expect(codes(walk([makeSwitch('one', 8, [[travel('home')]], { everywhere: true })]))).not.toContain(
      'noWayBack',
    )
    expect(
      codes(floorRig({ positions: [[goTo('two')]] }, { banks, controller: { keepsSwitches: 2 } })),
    ).not.toContain('noWayBack')
    // Nothing leads there: that is another finding.
    expect(codes(walk([], [[set(1)]]))).not.toContain('noWayBack')
  })

  it('a shift layer that is left by the switch that turned it on, unless that is covered', () => {
    const change: Action = { kind: 'layer', does: 'change' }
    const covered = makeSwitch('one', 1, [[set(3)]], { layer: 'shift', id: id('shifted') })
    expectBoth('noWayBack', walk([covered], [[change]]), walk([], [[change]]))
    const hold = walk([covered], [[{ kind: 'layer', does: 'hold' }]])
    expect(codes(hold)).not.toContain('noWayBack')
  })

  it('a sound no switch reaches, and one in a bank no switch leads to', () => {
    const some = walk([makeSwitch('two', 1, [[sound('chorus'), travel('home')]])], [[sound('verse')]])
    expect(requireFinding(some, 'unreachedSound').facts).toEqual({ sound: 'chorus', isStranded: true })
    const all = walk(
      [makeSwitch('two', 1, [[sound('chorus'), travel('home')]]), makeSwitch('one', 2, [[goTo('two')]])],
      [[sound('verse')]],
    )
    expect(codes(all)).not.toContain('unreachedSound')
    expect(requireFinding(walk([], [[sound('verse')]]), 'unreachedSound').facts.isStranded).toBe(false)
    // While no switch recalls any sound, nothing is said of sounds.
    expect(codes(walk([], [[set(1)]]))).not.toContain('unreachedSound')
  })

  it('controls tried out that nothing sends', () => {
    const rig = floorRig({ positions: [[set(1)]] })
    const tested = {
      ...rig,
      controls: { ...rig.controls, scene: { ...rig.controls.scene!, source: 'tested' as const } },
    }
    expect(requireFinding(tested, 'unsentControl').facts.controls).toEqual(['Scene'])
    const sent = applyEdit(tested, {
      label: 'addAction',
      changes: [
        {
          table: 'switches',
          id: 'one-1',
          before: tested.switches['one-1']!,
          after: { ...tested.switches['one-1']!, release: [set(1, 'scene')] },
        },
      ],
    })
    expect(sent.ok && codes(sent.value)).not.toContain('unsentControl')
  })
})

describe('what the controller has', () => {
  const beyond = (rig: Rig) =>
    findings(rig).flatMap((finding) => (finding.code === 'beyondController' ? [finding.facts.what] : []))

  it.each([
    ['release', { release: [set(1)] }, { events: ['press'] }],
    ['longPress', { longPress: [set(1)] }, { events: ['press'] }],
    ['doublePress', { doublePress: [set(1)] }, { events: ['press'] }],
    ['shift', { layer: 'shift' }, { hasShift: false }],
    ['wait', { release: [{ kind: 'wait', ms: 50 }] }, { waitMs: 20 }],
    ['macros', { positions: [[{ kind: 'macro', macroId: id('m') }]] }, { macros: 0 }],
    ['label', { label: 'Chorus, drive', positions: [[set(1)]] }, { labelLength: 8 }],
    ['clock', { positions: [[{ kind: 'clock', does: 'start' }]] }, { sendsClock: false }],
    ['colours', { positions: [[set(1)]], lamps: [{ colour: 'red', light: 'steady' }] }, { colours: 0 }],
    ['jack', { jack: 'foot9', number: 1, positions: [[set(1)]] }, {}],
  ] as const)('lacks %s', (what, fields, controller) => {
    const asked = { positions: [[set(2)]], ...fields } as unknown as Partial<Footswitch>
    const make = (limits: object) => floorRig(asked, { controller: limits, macros: [['m', [set(1)]]] })
    expect(beyond(make(controller))).toContain(what)
    if (what !== 'jack') expect(beyond(make({}))).not.toContain(what)
  })

  it('a footswitch on a jack with nothing plugged in', () => {
    const rig = floorRig({ jack: 'foot', positions: [[set(1)]] })
    expect(beyond(rig)).toEqual([])
    expect(beyond({ ...rig, cables: { a: makeCable('controller.out', 'echo.in') } } as never)).toEqual([
      'unplugged',
    ])
  })

  it('proposes a label that fits and reads like no other', () => {
    const rig = floorRig(
      { label: 'Chorus, drive', positions: [[set(1)]] },
      { controller: { labelLength: 6 }, more: [makeSwitch('one', 2, [[set(2)]], { label: 'Chorus' })] },
    )
    const mended = expectFixable(rig, 'beyondController')
    const label = mended.switches['one-1']!.label
    expect([[...label].length <= 6, label.toLowerCase() === 'chorus']).toEqual([true, false])
  })

  it('gestures it keeps for itself', () => {
    const keeps = (fields: Partial<Controller['keeps'][number]>): Partial<Controller> => ({
      keeps: [
        {
          numbers: [],
          how: 'longPress',
          afterMs: null,
          does: 'opens editing',
          opensEditing: true,
          ...fields,
        },
      ],
    })
    const long = { positions: [[set(1)]], longPress: [set(2)] }
    expectBoth('keptGesture', one(long, keeps({})), one({ positions: [[set(1)]] }, keeps({})))
    expect(expectFixable(one(long, keeps({})), 'keptGesture').switches['one-1']!.longPress).toEqual([])
    // It opens editing only after two seconds: the long press at 500 ms comes first, and the foot must come off.
    const later = one(long, keeps({ afterMs: 2000 }))
    expect(codes(later)).not.toContain('keptGesture')
    expect(requireFinding(later, 'editingOnStage').severity).toBe('warning')
    const held = one({ positions: [[set(127, 'on')]], release: [set(0, 'on')] }, keeps({ afterMs: 2000 }))
    expect(requireFinding(held, 'editingOnStage').severity).toBe('error')
    expectBoth('editingOnStage', held, one({ positions: [[set(127, 'on')]] }, keeps({ afterMs: 2000 })))
    expectBoth(
      'keptGesture',
      one({ positions: [[set(1)]] }, keeps({ how: 'press', numbers: [1] })),
      one({ positions: [[set(1)]] }, keeps({ how: 'press', numbers: [2] })),
    )
    expectBoth(
      'keptGesture',
      one({ doublePress: [set(1)] }, keeps({ how: 'doublePress' })),
      one({ longPress: [set(1)] }, keeps({ how: 'doublePress' })),
    )
    const together = keeps({ how: 'together', numbers: [2, 1] })
    const both = floorRig(
      { positions: [[set(1)]] },
      { controller: together, more: [makeSwitch('one', 2, [[set(2)]])] },
    )
    expectBoth('keptGesture', both, one({ positions: [[set(1)]] }, together))
    expect(codes(both).filter((code) => code === 'keptGesture')).toHaveLength(1)
  })

  it('numbers it cannot send, on any gesture', () => {
    const list = { highestProgram: 5 as never }
    const ofSwitch = (rig: Rig) =>
      findings(rig).find(({ code, about }) => code === 'unsendablePreset' && about.table === 'switches')
    expect(ofSwitch(one({ doublePress: [set(1)] }, list))).toBeUndefined()
    const wrong = one({ doublePress: [recall()] }, list)
    const mended = applyEdit(wrong, ofSwitch(wrong)!.fix!)
    expect(mended.ok && mended.value.switches['one-1']!.doublePress).toEqual([])
  })
})
