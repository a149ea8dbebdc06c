import * as fc from 'fast-check'
import type { U7 } from '../../base/u7'
import { contactsOf } from '../cabling/contacts'
import { inOrder, type Rig } from '../rig'
import { ACTION_KINDS, type Action, type ActionKind, type ActionOf } from '../table/action'
import { LOOPER_FUNCTIONS } from '../table/action/looper'
import { highestValue, type Control } from '../table/control'

/** Null where the rig has nothing that an action of this kind could name. */
type Sample<Kind extends ActionKind> = (rig: Rig) => fc.Arbitrary<ActionOf<Kind>> | null

const pick = <Value>(all: readonly Value[]): fc.Arbitrary<Value> | null =>
  all.length === 0 ? null : fc.constantFrom(...all)

/** One of those there are. */
const some = <Value>(...all: readonly (fc.Arbitrary<Value> | null | undefined)[]): fc.Arbitrary<Value> =>
  fc.oneof(...all.filter((one) => one !== null && one !== undefined))

/** The ends and the middle, where readings turn, come up more often than the rest. */
const valueOf = ({ address }: Control): fc.Arbitrary<number> => {
  const highest = highestValue(address)
  const middle = Math.floor(highest / 2)
  return fc.oneof(fc.constantFrom(0, middle, middle + 1, highest), fc.nat({ max: highest }))
}

const free = (rig: Rig) => inOrder(rig.controls).filter(({ kind }) => kind !== 'reserved')
const receivers = (rig: Rig) => inOrder(rig.devices).filter(({ kind }) => kind === 'receiver')
const two = <Value>(one: fc.Arbitrary<Value>) => fc.tuple(one, one)

/** Messages of the channel of the device and of another, bank select and program among them, an exclusive one. */
const BYTES = ['14 7F', '14 00', '00 01', '20 02'].flatMap((data) => [`B0 ${data}`, `B3 ${data}`])
const HEX = [...BYTES, 'C0 03', 'C1 04', '90 3C 40', 'F0 7D 01 F7', 'B0 14 7F C0 04']

/** A generator for each kind of action, of those that a rig could hold: a new kind does not compile without. */
const ACTION_SAMPLES: { readonly [Kind in ActionKind]: Sample<Kind> } = {
  recallSound: (rig) =>
    pick(inOrder(rig.sounds))?.map(({ id }) => ({ kind: 'recallSound', soundId: id })) ?? null,
  recallPreset: (rig) =>
    pick(Object.values(rig.presets))?.map(({ id }) => ({ kind: 'recallPreset', presetId: id })) ?? null,
  stepPreset: (rig) =>
    pick(receivers(rig))?.chain(({ id, numbering: { count } }) => {
      const index = fc.nat({ max: count - 1 })
      return fc
        .record({
          by: fc.constantFrom(1 as const, -1 as const),
          ends: two(fc.oneof(fc.nat({ max: Math.min(5, count - 1) }), index)),
          list: fc.oneof(
            { weight: 3, arbitrary: fc.constant<number[]>([]) },
            { weight: 1, arbitrary: fc.array(index, { minLength: 1, maxLength: 3 }) },
          ),
          atEnd: fc.constantFrom('wrap' as const, 'stop' as const),
        })
        .map(({ ends, ...rest }) => ({
          kind: 'stepPreset' as const,
          deviceId: id,
          from: Math.min(...ends),
          to: Math.max(...ends),
          ...rest,
        }))
    }) ?? null,
  setControl: (rig) =>
    pick(free(rig))?.chain((control) =>
      valueOf(control).map((value) => ({ kind: 'setControl', controlId: control.id, value })),
    ) ?? null,
  alternateControl: (rig) =>
    pick(free(rig))?.chain((control) =>
      two(valueOf(control)).map(([a, b]) => ({ kind: 'alternateControl', controlId: control.id, a, b })),
    ) ?? null,
  stepControl: (rig) =>
    pick(free(rig))?.chain((control) =>
      fc.record({
        kind: fc.constant('stepControl'),
        controlId: fc.constant(control.id),
        by: fc.constantFrom(-40, -1, 1, 7),
        from: valueOf(control),
        to: valueOf(control),
        atEnd: fc.constantFrom('wrap', 'stop'),
      }),
    ) ?? null,
  sweepControl: (rig) =>
    pick(free(rig))?.chain((control) =>
      fc.record({
        kind: fc.constant('sweepControl'),
        controlId: fc.constant(control.id),
        from: fc.option(valueOf(control)),
        to: valueOf(control),
        ms: fc.integer({ min: 20, max: 400 }),
        curve: fc.constantFrom('straight', 'slowStart', 'slowEnd', 'slowBoth'),
      }),
    ) ?? null,
  scene: (rig) =>
    pick(free(rig).filter(({ reading }) => reading.kind === 'named'))?.chain(({ id, reading }) =>
      fc.record({
        kind: fc.constant('scene'),
        controlId: fc.constant(id),
        move: fc.constantFrom('to', 'next', 'previous'),
        value: fc.constantFrom(...(reading.kind === 'named' ? reading.names.map(({ value }) => value) : [])),
      }),
    ) ?? null,
  note: (rig) =>
    pick(receivers(rig))?.chain(({ id }) =>
      fc.record({
        kind: fc.constant('note'),
        deviceId: fc.constant(id),
        note: fc.constantFrom(36 as U7, 60 as U7),
        velocity: fc.constantFrom(1 as U7, 100 as U7),
        does: fc.constantFrom('on', 'off', 'strike'),
        ms: fc.integer({ min: 1, max: 200 }),
      }),
    ) ?? null,
  raw: (rig) =>
    pick(receivers(rig))?.chain(({ id }) =>
      fc.constantFrom(...HEX).map((hex) => ({ kind: 'raw', deviceId: id, hex })),
    ) ?? null,
  wait: () => fc.integer({ min: 1, max: 120 }).map((ms) => ({ kind: 'wait', ms })),
  contact: (rig) =>
    pick(
      inOrder(rig.devices).flatMap((device) =>
        contactsOf(rig, device).flatMap(({ id, output }) =>
          output === null ? [] : [{ deviceId: device.id, contactId: id }],
        ),
      ),
    )?.chain((names) =>
      fc
        .record({
          does: fc.constantFrom('close' as const, 'open' as const, 'change' as const, 'pulse' as const),
          times: fc.integer({ min: 1, max: 3 }),
          closedMs: fc.integer({ min: 5, max: 60 }),
          openMs: fc.integer({ min: 5, max: 60 }),
        })
        .map(({ openMs, ...rest }) => ({
          kind: 'contact' as const,
          ...names,
          ...rest,
          everyMs: rest.closedMs + openMs,
        })),
    ) ?? null,
  tap: (rig) => {
    const triggers = free(rig).filter(({ reading }) => reading.kind === 'trigger')
    return fc
      .constantFrom(null, ...triggers.map(({ id }) => id))
      .map((controlId) => ({ kind: 'tap', controlId }))
  },
  tapOut: (rig) =>
    pick(inOrder(rig.devices).filter(({ tapIn }) => tapIn !== null))?.map(({ id }) => ({
      kind: 'tapOut',
      deviceId: id,
    })) ?? null,
  tempo: () =>
    fc.constantFrom(
      ...[50, 93.8, 120, 200].map((bpm) => ({ kind: 'tempo' as const, does: 'set' as const, bpm })),
      ...[-1.5, 2].map((bpm) => ({ kind: 'tempo' as const, does: 'nudge' as const, bpm })),
      { kind: 'tempo' as const, does: 'stored' as const, bpm: 0 },
    ),
  clock: () =>
    fc
      .constantFrom('start' as const, 'stop' as const, 'continue' as const, 'change' as const)
      .map((does) => ({ kind: 'clock', does })),
  tuner: (rig) =>
    pick(free(rig).filter(({ reading }) => reading.kind === 'switch' || reading.kind === 'toggle'))?.chain(
      ({ id }) =>
        fc
          .constantFrom('on' as const, 'off' as const, 'change' as const)
          .map((does) => ({ kind: 'tuner', controlId: id, does })),
    ) ?? null,
  looper: (rig) =>
    pick(free(rig).filter(({ reading }) => reading.kind === 'trigger'))?.chain(({ id }) =>
      fc.constantFrom(...LOOPER_FUNCTIONS).map((does) => ({ kind: 'looper', controlId: id, does })),
    ) ?? null,
  travel: (rig) =>
    some<ActionOf<'travel'>>(
      fc.record({
        kind: fc.constant('travel'),
        to: fc.constantFrom('next', 'previous', 'back', 'home', 'page'),
        bankId: fc.constant(null),
      }),
      pick(Object.values(rig.banks))?.map(({ id }) => ({ kind: 'travel', to: 'bank', bankId: id })),
    ),
  showStep: (rig) =>
    some<ActionOf<'showStep'>>(
      fc.record({
        kind: fc.constant('showStep'),
        to: fc.constantFrom('nextPart', 'previousPart', 'nextSong', 'previousSong'),
        songId: fc.constant(null),
      }),
      pick(Object.values(rig.songs))?.map(({ id }) => ({ kind: 'showStep', to: 'song', songId: id })),
    ),
  layer: () =>
    fc
      .constantFrom('hold' as const, 'change' as const, 'shift' as const, 'base' as const)
      .map((does) => ({ kind: 'layer', does })),
  macro: (rig) => pick(inOrder(rig.macros))?.map(({ id }) => ({ kind: 'macro', macroId: id })) ?? null,
  allOff: () => fc.constant({ kind: 'allOff' }),
  resync: () => fc.constant({ kind: 'resync' }),
}

/** How often each kind comes up against the others; a kind that is left out once, one at 0 never. */
export type Weights = { readonly [Kind in ActionKind]?: number }

/** Any action that a rig could hold, of every kind it has something for. */
export const actionsOf = (rig: Rig, weights: Weights = {}): fc.Arbitrary<Action> =>
  fc.oneof(
    ...ACTION_KINDS.flatMap((kind) => {
      const weight = weights[kind] ?? 1
      const arbitrary = weight === 0 ? null : (ACTION_SAMPLES[kind] as Sample<ActionKind>)(rig)
      return arbitrary ? [{ weight, arbitrary }] : []
    }),
  )
