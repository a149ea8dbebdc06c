import * as fc from 'fast-check'
import type { Rig } from '../../rig/rig'
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
  makeSwitch,
} from '../../rig/testing/makeRig'
import type { Action } from '../../rig/table/action'
import type { Control } from '../../rig/table/control'
import type { ControllerEvent } from '../../rig/table/controller'

/** Generated rigs for tests of the floor: small, and full of everything that takes time. */

const pick = <Value>(all: readonly Value[]) => fc.constantFrom(...all)
const value = fc.integer({ min: 0, max: 127 })

const READINGS: readonly Control['reading'][] = [
  { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
  { kind: 'range', unit: 'ms', low: 20, high: 900, scale: 'linear', from: 10, to: 100 },
  { kind: 'switch', isStrict: false },
  { kind: 'toggle', value: 127 },
  { kind: 'toggle', value: 100, at: 'value' },
  { kind: 'trigger', value: 127 },
]

const DEVICES = ['a', 'b', 'c'] as const
const CONTROLS = DEVICES.flatMap((device) => [`${device}-x`, `${device}-y`])
const PRESETS = DEVICES.flatMap((device) => [`${device}-1`, `${device}-2`])
const BANKS = ['one', 'two'] as const
const id = <Name extends string>(name: string) => name as never as Name

const plainAction: fc.Arbitrary<Action> = fc.oneof(
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('recallPreset'), presetId: pick(PRESETS) }) },
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('setControl'), controlId: pick(CONTROLS), value }) },
  fc.record({ kind: fc.constant('alternateControl'), controlId: pick(CONTROLS), a: value, b: value }),
  fc.record({
    kind: fc.constant('stepControl'),
    controlId: pick(CONTROLS),
    by: pick([-40, -1, 1, 7]),
    from: value,
    to: value,
    atEnd: pick(['wrap', 'stop']),
  }),
  fc.record({
    kind: fc.constant('sweepControl'),
    controlId: pick(CONTROLS),
    from: fc.option(value),
    to: value,
    ms: fc.integer({ min: 20, max: 400 }),
    curve: pick(['straight', 'slowStart', 'slowEnd', 'slowBoth']),
  }),
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('wait'), ms: fc.integer({ min: 1, max: 120 }) }) },
  fc.record({
    kind: fc.constant('travel'),
    to: pick(['next', 'previous', 'back', 'home']),
    bankId: fc.constant(null),
  }),
  fc.record({ kind: fc.constant('travel'), to: fc.constant('bank'), bankId: pick(BANKS) }),
  fc.record({ kind: fc.constant('layer'), does: pick(['hold', 'change', 'base', 'shift']) }),
  fc.record({ kind: fc.constant('tempo'), does: fc.constant('set'), bpm: pick([50, 93.8, 120, 200]) }),
  fc.record({ kind: fc.constant('tempo'), does: fc.constant('nudge'), bpm: pick([-1.5, 2]) }),
  fc.record({ kind: fc.constant('tap'), controlId: fc.constant(null) }),
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('showStep'),
      to: pick(['nextPart', 'previousPart', 'nextSong', 'previousSong']),
      songId: fc.constant(null),
    }),
  },
  fc.record({
    kind: fc.constant('showStep'),
    to: fc.constant('song'),
    songId: pick(['slow', 'fast', 'none']),
  }),
) as fc.Arbitrary<Action>

const action = fc.oneof(
  { weight: 12, arbitrary: plainAction },
  {
    weight: 1,
    arbitrary: fc.record({ kind: fc.constant('macro'), macroId: pick(['m']) }) as fc.Arbitrary<Action>,
  },
)
const list = fc.array(action, { maxLength: 4 })
const maybe = fc.oneof({ weight: 2, arbitrary: fc.constant<Action[]>([]) }, { weight: 1, arbitrary: list })

const anySwitch = fc.record({
  positions: fc.array(list, { minLength: 1, maxLength: 3 }),
  release: maybe,
  longPress: maybe,
  doublePress: maybe,
})

/** A rig of one controller and three devices, two banks of three switches, the first of each with one in the shift layer. */
export const rigsWithTime: fc.Arbitrary<Rig> = fc
  .record({
    events: fc.subarray<ControllerEvent>(['release', 'longPress', 'doublePress']),
    pressWithLong: pick(['press', 'release'] as const),
    longMs: fc.integer({ min: 100, max: 600 }),
    doubleMs: fc.integer({ min: 100, max: 400 }),
    runningStatus: fc.boolean(),
    separateOutputs: fc.boolean(),
    readings: fc.array(pick(READINGS), { minLength: 6, maxLength: 6 }),
    deaf: fc.array(pick([0, 2, 20, 60]), { minLength: 3, maxLength: 3 }),
    keeps: fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
    recalled: fc.array(fc.tuple(value, value), { minLength: 6, maxLength: 6 }),
    switches: fc.array(anySwitch, { minLength: 8, maxLength: 8 }),
    macro: fc.array(plainAction, { maxLength: 3 }),
    enters: fc.array(maybe, { minLength: 4, maxLength: 4 }),
  })
  .map((made) =>
    makeRig({
      controllers: [
        makeController({
          events: ['press', ...made.events],
          pressWithLong: made.pressWithLong,
          longMs: made.longMs,
          doubleMs: made.doubleMs,
          runningStatus: made.runningStatus,
          separateOutputs: made.separateOutputs,
          hasShift: true,
          ports: [makePort('out', makeRole('midiOut')), makePort('out2', makeRole('midiOut'))],
        }),
      ],
      devices: DEVICES.map((name, n) =>
        makeDevice(name, n + 1, {
          order: n,
          deafMs: made.deaf[n]!,
          whileDeaf: made.keeps[n] ? 'keeps' : 'loses',
        }),
      ),
      // Two on one output behind each other, one on the other output.
      cables: [
        makeCable('controller.out', 'a.in'),
        makeCable('a.thru', 'b.in'),
        makeCable('controller.out2', 'c.in'),
      ],
      controls: CONTROLS.map((name, n) =>
        makeControl(name, name[0]!, 20 + (n % 2), { reading: made.readings[n]!, order: n }),
      ),
      presets: PRESETS.map((name, n) =>
        makePreset(name, name[0]!, (n % 2) + 3, '', {
          recalls: made.recalled[n]!.map((sent, at) => ({
            controlId: id(`${name[0]}-${at === 0 ? 'x' : 'y'}`),
            value: sent,
          })),
        }),
      ),
      macros: [makeMacro('m', made.macro)],
      // A song that stores no tempo, one that comes twice, a part left out tonight.
      songs: [makeSong('slow', 72), makeSong('fast', 168), makeSong('none', null)],
      parts: [
        makePart('slow', 1, null),
        makePart('slow', 2, null),
        makePart('fast', 1, null, { tonight: { isOut: true, soundId: null, since: '2026-11-26' } }),
        makePart('fast', 2, null),
        makePart('none', 1, null),
      ],
      shows: [makeShow('show', ['slow', 'none', 'fast', 'slow'])],
      banks: BANKS.map((name, n) =>
        makeBank(name, n, '', { enter: made.enters[n * 2]!, leave: made.enters[n * 2 + 1]! }),
      ),
      switches: made.switches.map(({ positions, ...lists }, n) =>
        n < 6
          ? makeSwitch(BANKS[n % 2]!, Math.floor(n / 2) + 1, positions, lists)
          : makeSwitch(BANKS[n % 2]!, 1, positions, {
              ...lists,
              id: id(`${BANKS[n % 2]}-1-shift`),
              layer: 'shift',
            }),
      ),
    }),
  )

/** A foot on a switch after so many ms: down where it was up, up where it was down. */
export interface Foot {
  readonly after: number
  readonly number: number
}

export const anyFeet: fc.Arbitrary<Foot[]> = fc.array(
  fc.record({
    after: fc.oneof(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 40, max: 500 })),
    number: fc.integer({ min: 1, max: 3 }),
  }),
  { minLength: 2, maxLength: 12 },
)
