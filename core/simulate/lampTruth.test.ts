import { describe, expect, it } from 'vitest'
import { applyEdit } from '../rig/applyEdit'
import { editRow } from '../rig/edits/editRow'
import { makeSwitch } from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import type { Footswitch } from '../rig/table/switch'
import { own } from '../base/own'
import { deviceState, type FloorState, type StepResult } from './floor'
import { lampTruth, type LampTruth } from './lampTruth'
import { floorRig, onFloor } from './testing/makeFloor'
import { settle, startFloor, step, stepAndSettle, stomp } from './step'
import { FloorTrail } from './trail'

/** Lamps lie since the link is one way: a recall that resets a block is not heard by the controller (common practice). */

const set = (controlId: string, value: number): Action => ({
  kind: 'setControl',
  controlId: onFloor(controlId),
  value,
})
const recall = (presetId: string): Action => ({ kind: 'recallPreset', presetId: onFloor(presetId) })
const alternate = (controlId: string): Action => ({
  kind: 'alternateControl',
  controlId: onFloor(controlId),
  a: 127,
  b: 0,
})

/** The echo's preset "Dotted eighth" has its effect off, "Long tape" says nothing of it. */
function rigOf(one: Partial<Footswitch>, two: Partial<Footswitch> = {}): Rig {
  const rig = floorRig(one, { more: [makeSwitch('one', 2, two.positions ?? [[recall('dotted')]], two)] })
  const edit = editRow(rig, 'changePreset', 'presets', 'dotted', {
    recalls: [
      { controlId: onFloor('on'), value: 0 },
      { controlId: onFloor('mix'), value: 44 },
    ],
  })!
  const done = applyEdit(rig, edit)
  if (!done.ok) throw new Error(JSON.stringify(done.refusal))
  return done.value
}

const after = (rig: Rig, ...ids: string[]): FloorState =>
  ids.reduce((state, id) => stomp(rig, state, onFloor(id), state.at + 1_000_000).state, startFloor(rig).state)

const said = (rig: Rig, state: FloorState, id = 'one-1'): readonly [boolean, LampTruth['verdict']] | null => {
  const truth = lampTruth(rig, rig.switches[id]!, state)
  return truth && [truth.isLit, truth.verdict]
}

describe('a lamp and the truth', () => {
  it('of an alternating switch is true until a recall resets its block', () => {
    const rig = rigOf({ positions: [[alternate('on')]] })
    expect(said(rig, after(rig))).toEqual([false, 'unknown'])
    expect(said(rig, after(rig, 'one-1'))).toEqual([true, 'true'])
    expect(said(rig, after(rig, 'one-1', 'one-1'))).toEqual([false, 'true'])
    const lying = after(rig, 'one-1', 'one-2')
    expect(said(rig, lying)).toEqual([true, 'lies'])
    expect(lampTruth(rig, rig.switches['one-1']!, lying)!.against).toEqual([{ kind: 'on', controlId: 'on' }])
    // The next press sends what it already is: nothing is heard, and the lamp is right again.
    expect(said(rig, after(rig, 'one-1', 'one-2', 'one-1'))).toEqual([false, 'true'])
  })

  it('of a device that changes over at each message lies at every second press', () => {
    const rig = rigOf({ positions: [[set('turns', 127)]] })
    expect(said(rig, after(rig, 'one-1'))).toEqual([true, 'true'])
    expect(said(rig, after(rig, 'one-1', 'one-1'))).toEqual([true, 'lies'])
    expect(said(rig, after(rig, 'one-1', 'one-1', 'one-1'))).toEqual([true, 'true'])
  })

  it('lies dark where something else switched the block on', () => {
    const rig = rigOf(
      { positions: [[set('on', 127)], [set('on', 0)]] },
      { positions: [[{ kind: 'raw', deviceId: onFloor('echo'), hex: 'B3 15 7F' }]] },
    )
    expect(said(rig, after(rig, 'one-2'))).toEqual([false, 'lies'])
  })

  it("of a sound takes what the player set since for the player's doing", () => {
    const rig = rigOf(
      { positions: [[{ kind: 'recallSound', soundId: onFloor('verse') }]] },
      { positions: [[set('mix', 90)]] },
    )
    expect(said(rig, after(rig, 'one-1'))).toEqual([true, 'true'])
    expect(said(rig, after(rig, 'one-1', 'one-2'))).toEqual([true, 'true'])
  })

  it('says nothing of what only fires, and nothing where it is dark in every position', () => {
    const fires = rigOf({ positions: [[set('go', 127)]] })
    expect(said(fires, after(fires, 'one-1'))).toBe(null)
    const dark = rigOf({ positions: [[alternate('on')]], lamps: [{ colour: '', light: 'off' }] })
    expect(said(dark, after(dark, 'one-1', 'one-2'))).toBe(null)
  })

  it('in colours of its own says which position is so', () => {
    const lamps = [
      { colour: 'red', light: 'steady' as const },
      { colour: 'blue', light: 'steady' as const },
    ]
    const rig = rigOf({ positions: [[set('on', 127)], [set('on', 0)]], lamps })
    expect(said(rig, after(rig, 'one-1', 'one-1'))).toEqual([true, 'true'])
    expect(said(rig, after(rig, 'one-1', 'one-2'))).toEqual([true, 'lies'])
  })
})

describe('why a lamp and the truth part', () => {
  it('is told by what happened last to either', () => {
    const rig = rigOf({ positions: [[alternate('on')]] })
    const trail = new FloorTrail()
    let state = startFloor(rig).state
    const note = (result: StepResult) => {
      trail.note(rig, state, result)
      state = result.state
    }
    note(stomp(rig, state, onFloor('one-1'), 1_000_000))
    note(stomp(rig, state, onFloor('one-2'), 2_000_000))
    // A program change of two bytes, 320 µs each (M1 v4.2.1; from memory).
    expect(trail.why(rig, { kind: 'on', controlId: 'on' })).toEqual({
      kind: 'recalled',
      deviceId: 'echo',
      preset: 11,
      at: 2_000_640,
      by: 'one-2',
    })
    note(step(rig, state, { kind: 'power', deviceId: onFloor('echo'), isOn: false, at: 3_000_000 }))
    expect(trail.why(rig, { kind: 'on', controlId: 'on' })).toMatchObject({ kind: 'power', at: 3_000_000 })
    expect(said(rig, state)).toEqual([true, 'lies'])
  })

  it('is the loss where a control came while its device was loading', () => {
    const rig = floorRig({ positions: [[recall('long'), set('on', 127)]] }, { deafMs: 20 })
    const trail = new FloorTrail()
    const start = startFloor(rig).state
    trail.note(rig, start, stomp(rig, start, onFloor('one-1'), 1_000_000))
    expect(trail.why(rig, { kind: 'value', controlId: 'on', value: 127 })).toMatchObject({
      kind: 'lost',
      by: 'one-1',
    })
  })
})

describe('power', () => {
  it('takes from a device all it remembers, and those behind it hear nothing while it is off', () => {
    const rig = rigOf({ positions: [[recall('long'), recall('drowned')]] })
    const on = after(rig, 'one-1')
    expect([deviceState(on, 'echo').preset, deviceState(on, 'reverb').preset]).toEqual([12, 299])
    const off = step(rig, on, { kind: 'power', deviceId: onFloor('echo'), isOn: false, at: on.at }).state
    expect(deviceState(off, 'echo').preset).toBe(null)
    const pressed = stomp(rig, off, onFloor('one-1'))
    // The echo hands on what comes to the reverb: without power it does not (common practice).
    expect(pressed.wire.map(({ heardBy }) => heardBy)).toEqual(pressed.wire.map(() => []))
    const again = step(rig, pressed.state, {
      kind: 'power',
      deviceId: onFloor('echo'),
      isOn: true,
      at: pressed.state.at,
    })
    expect(
      stomp(rig, again.state, onFloor('one-1')).wire.some(({ heardBy }) => heardBy.includes(onFloor('echo'))),
    ).toBe(true)
  })

  it('at everything on does what the controller does then, and what its first bank does where it says so', () => {
    const rig = rigOf({ positions: [[]] })
    const controller = { ...rig.controllers.controller!, onPower: [set('mix', 64)], entersAtPower: true }
    const bank = { ...rig.banks['one']!, enter: [recall('dotted')] }
    const told: Rig = {
      ...rig,
      controllers: { controller },
      banks: { ...rig.banks, one: bank },
    }
    const sent = settle(told, startFloor(told).state).wire.map(({ bytes }) => [...bytes])
    expect(sent).toEqual([
      [0xb3, 20, 64],
      [0xc3, 11],
    ])
    const quiet = { ...told, controllers: { controller: { ...controller, entersAtPower: false } } }
    expect(settle(quiet, startFloor(quiet).state).wire).toHaveLength(1)
  })
})

describe('from here to there', () => {
  const rig = rigOf({ positions: [[alternate('on')]] })
  const bytes = (result: StepResult) => result.wire.map((one) => [...one.bytes])

  it('sends nothing of a sound that is there already, and only what is not so of one that nearly is', () => {
    const verse = stepAndSettle(rig, startFloor(rig).state, {
      kind: 'need',
      soundId: onFloor('verse'),
      at: 0,
    })
    expect(bytes(verse)).toEqual([[0xc3, 11]])
    expect(own(verse.state.known.presets, 'echo')).toBe(11)
    const again = stepAndSettle(rig, verse.state, {
      kind: 'need',
      soundId: onFloor('verse'),
      at: verse.state.at,
    })
    expect(bytes(again)).toEqual([])
    const moved = stepAndSettle(rig, again.state, {
      kind: 'act',
      actions: [set('mix', 99)],
      at: again.state.at + 1000,
    })
    const back = stepAndSettle(rig, moved.state, {
      kind: 'need',
      soundId: onFloor('verse'),
      at: moved.state.at,
    })
    // The mix of "Dotted eighth", without recalling it again: no hole.
    expect(bytes(back)).toEqual([[0xb3, 20, 44]])
  })

  it('puts right only what is not as the controller believes, what changes over too', () => {
    const lying = after(rig, 'one-1', 'one-2')
    const right = stepAndSettle(rig, lying, { kind: 'putRight', at: lying.at })
    expect(bytes(right)).toEqual([[0xb3, 21, 127]])
    expect(said(rig, right.state)).toEqual([true, 'true'])
    const turns = rigOf({ positions: [[set('turns', 127)]] })
    const twice = after(turns, 'one-1', 'one-1')
    const turned = stepAndSettle(turns, twice, { kind: 'putRight', at: twice.at })
    expect([bytes(turned), said(turns, turned.state)]).toEqual([[[0xb3, 23, 127]], [true, 'true']])
    expect(bytes(stepAndSettle(turns, turned.state, { kind: 'putRight', at: turned.state.at }))).toEqual([])
  })
})
