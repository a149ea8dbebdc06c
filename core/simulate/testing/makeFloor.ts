import {
  makeBank,
  makeCable,
  makeControl,
  makeController,
  makeDevice,
  makeMacro,
  makePart,
  makePort,
  makePreset,
  makeRig,
  makeRole,
  makeShow,
  makeSong,
  makeSound,
  makeSwitch,
} from '../../rig/testing/makeRig'
import type { Rig } from '../../rig/rig'
import type { Action } from '../../rig/table/action'
import type { Bank } from '../../rig/table/bank'
import type { Control } from '../../rig/table/control'
import type { Controller } from '../../rig/table/controller'
import { USUAL_TAP_IN } from '../../rig/table/tapIn'
import type { Footswitch, SwitchId } from '../../rig/table/switch'
import { floorAtPowerOn, joined, still, type StepResult } from '../floor'
import { settle, step } from '../step'

/** One rig with something for every kind of action, for tests: an echo on 4, an octaver on a switching output. */

const control = (id: string, number: number, name: string, reading: Control['reading']) =>
  makeControl(id, 'echo', number, { name, reading })

export const onFloor = (id: string) => id as never

/** A rig whose switch 1 of bank one does what is given; `more` are further switches. */
export function floorRig(
  one: Partial<Footswitch>,
  {
    controller = {},
    more = [],
    banks = [makeBank('one', 0, 'One'), makeBank('two', 1, 'Two'), makeBank('three', 2, 'Three')],
    macros = [],
    deafMs = 0,
  }: {
    readonly controller?: Partial<Controller>
    readonly more?: readonly Footswitch[]
    readonly banks?: readonly Bank[]
    readonly macros?: readonly (readonly [string, readonly Action[]])[]
    readonly deafMs?: number
  } = {},
): Rig {
  return makeRig({
    controllers: [
      makeController({
        events: ['press', 'release', 'longPress', 'doublePress'],
        hasShift: true,
        waitMs: 5000,
        macros: 8,
        ports: [
          makePort('out', makeRole('midiOut')),
          makePort('relay1', makeRole('switchOut', { does: ['Octave'] })),
          makePort('foot', makeRole('switchIn', { action: 'either' })),
        ],
        ...controller,
      }),
    ],
    devices: [
      makeDevice('echo', 4, {
        name: 'Tape echo',
        deafMs,
        bypass: { kind: 'control', controlId: onFloor('on'), off: 0, on: 127 },
        tapIn: { ...USUAL_TAP_IN, place: { kind: 'control', controlId: onFloor('go') } },
      }),
      makeDevice('reverb', 5, {
        name: 'Hall reverb',
        order: 2,
        numbering: {
          style: 'plain',
          first: 1,
          digits: 3,
          count: 300,
          bankSelect: 'both',
          programsPerBank: 128,
        },
      }),
      makeDevice('octaver', 'none', {
        name: 'Octaver',
        kind: 'plain',
        order: 3,
        bypass: { kind: 'contact', off: 'open' },
        ports: [makePort('remote', makeRole('switchIn', { action: 'latching' }))],
      }),
      makeDevice('pedal', 'none', {
        name: 'Footswitch',
        kind: 'pedal',
        order: 4,
        ports: [makePort('plug', makeRole('switchOut', { by: 'foot' }))],
      }),
    ],
    cables: [
      makeCable('controller.out', 'echo.in'),
      makeCable('echo.thru', 'reverb.in'),
      makeCable('controller.relay1', 'octaver.remote', { lead: 'ts' }),
      makeCable('pedal.plug', 'controller.foot', { lead: 'ts' }),
    ],
    controls: [
      control('mix', 20, 'Mix', {
        kind: 'range',
        unit: '%',
        low: 0,
        high: 100,
        scale: 'linear',
        from: 0,
        to: 127,
      }),
      control('on', 21, 'On', { kind: 'switch', isStrict: false }),
      control('strict', 22, 'Freeze', { kind: 'switch', isStrict: true }),
      control('turns', 23, 'Reverse', { kind: 'toggle', value: 127 }),
      control('picky', 24, 'Halve', { kind: 'toggle', value: 127, at: 'value' }),
      control('go', 25, 'Tap', { kind: 'trigger', value: 127 }),
      control('scene', 26, 'Scene', {
        kind: 'named',
        names: [0, 1, 2].map((value) => ({ value, name: `Scene ${value + 1}` })),
      }),
      control('tuner', 27, 'Tuner', { kind: 'switch', isStrict: false }),
      control('record', 28, 'Loop record', { kind: 'trigger', value: 127 }),
      control('mode', 29, 'Mode', { kind: 'increment', up: 1, down: 0 }),
    ],
    presets: [
      makePreset('dotted', 'echo', 11, 'Dotted eighth', {
        recalls: [{ controlId: onFloor('mix'), value: 44 }],
      }),
      makePreset('long', 'echo', 12, 'Long tape'),
      makePreset('drowned', 'reverb', 299, 'Drowned hall'),
    ],
    sounds: [
      makeSound('verse', {
        echo: { kind: 'preset', presetId: onFloor('dotted'), values: [] },
        octaver: { kind: 'contacts', closes: ['remote'] },
      }),
      makeSound('chorus', { echo: { kind: 'preset', presetId: onFloor('long'), values: [] } }, { order: 2 }),
    ],
    songs: [makeSong('air', 96), makeSong('reel', 140, { order: 2 })],
    parts: [makePart('air', 1, 'verse'), makePart('air', 2, 'chorus'), makePart('reel', 1, 'verse')],
    shows: [makeShow('show', ['air', 'reel'])],
    macros: macros.map(([id, actions]) => makeMacro(id, actions)),
    banks,
    switches: [makeSwitch('one', 1, one.positions ?? [[]], one), ...more],
  })
}

/** Down and up of switch 1, or another, each at so many ms; then time until all is done. */
export function feet(
  rig: Rig,
  moves: readonly (readonly [ms: number, kind: 'press' | 'release', id?: string])[],
  start = floorAtPowerOn(rig),
): StepResult {
  const first = still(start)
  const done = moves.reduce(
    (before, [ms, kind, id = 'one-1']) =>
      joined(before, step(rig, before.state, { kind, switchId: id as SwitchId, at: ms * 1000 })),
    first,
  )
  return joined(done, settle(rig, done.state))
}

/** A plain step: down at `ms`, up 80 ms later. */
export const stepAt = (ms: number, id = 'one-1') =>
  [
    [ms, 'press', id],
    [ms + 80, 'release', id],
  ] as const
