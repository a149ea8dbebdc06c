import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { hexOf } from '../midi/hexBytes'
import { makeBank, makeSwitch, recallSound } from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { switchesHere } from '../rig/switchesHere'
import type { BankId } from '../rig/table/bank'
import type { Action } from '../rig/table/action'
import { makeShowRig } from '../show/testing/makeShowRig'
import type { FloorState } from '../simulate/floor'
import { floorRig, onFloor } from '../simulate/testing/makeFloor'
import { settle, startFloor, stomp } from '../simulate/step'
import { hearStep } from './hearStep'

const known = (bankId: string, layer: 'base' | 'shift' = 'base', next = {}) => ({
  bankId: bankId as BankId,
  layer,
  next,
})

describe('a step on a real controller', () => {
  it('is known by its messages, in any order, wherever it was made: generated', () => {
    let [sure, several] = [0, 0]
    for (const seed of seeds(40, 1)) {
      const rig = makeShowRig(seed)
      const begun = settle(rig, startFloor(rig).state).state
      for (const bank of Object.values(rig.banks))
        for (const one of switchesHere(rig, bank.id, 'base').values()) {
          const there: FloorState = { ...begun, known: { ...begun.known, bankId: bank.id } }
          const sent = stomp(rig, there, one.id).sent.map(({ bytes }) => hexOf(bytes))
          if (sent.length === 0) continue
          const heard = hearStep(rig, known(bank.id), sent.toReversed())
          if (heard.kind === 'several') {
            several++
            expect(heard.steps.map(({ switchId }) => switchId)).toContain(one.id)
            continue
          }
          expect(heard).toMatchObject({
            kind: 'step',
            step: { switchId: one.id, bankId: bank.id, jack: one.jack, number: one.number, how: 'press' },
          })
          sure++
          // From another bank it is found too, since nothing tells that the bank was turned.
          const far = Object.values(rig.banks).find(({ id }) => id !== bank.id)
          const again = hearStep(rig, known(far?.id ?? bank.id), sent)
          expect(
            again.kind === 'step' && [again.step, ...again.also].map(({ switchId }) => switchId),
          ).toContain(one.id)
        }
    }
    expect(sure).toBeGreaterThan(runs(150))
    expect(several).toBe(0)
  })

  const wait: Action = { kind: 'wait', ms: 300 }
  const sound = (name: string): Action => recallSound(name)
  const rig: Rig = (() => {
    const base = floorRig({ positions: [[sound('verse')], [sound('chorus')]] })
    const switches = [
      makeSwitch('one', 2, [[sound('chorus')]]),
      makeSwitch('one', 3, [[sound('verse'), wait, sound('chorus')]], { longPress: [sound('chorus')] }),
      makeSwitch('two', 1, [[sound('verse')]]),
    ]
    return {
      ...base,
      banks: { ...base.banks, two: makeBank('two', 1, 'Two') },
      switches: { ...base.switches, ...Object.fromEntries(switches.map((one) => [one.id, one])) },
    } as Rig
  })()
  const begun = settle(rig, startFloor(rig).state).state
  const bytesOf = (name: string) => stomp(rig, begun, onFloor(name)).sent.map(({ bytes }) => hexOf(bytes))

  it('is not guessed where several under the foot send the same', () => {
    const chorus = bytesOf('one-2')
    expect(chorus.length).toBeGreaterThan(0)
    const heard = hearStep(rig, known('one'), chorus)
    expect(heard.kind).toBe('several')
    expect(heard.kind === 'several' && heard.steps.map(({ switchId, how }) => `${switchId} ${how}`)).toEqual(
      expect.arrayContaining(['one-2 press', 'one-3 long']),
    )
  })

  it('goes by the position that is next, and says where else the same is sent', () => {
    const verse = bytesOf('one-1')
    const heard = hearStep(rig, known('two'), verse)
    expect(heard).toMatchObject({ kind: 'step', step: { switchId: 'two-1', bankId: 'two' } })
    expect(heard.kind === 'step' && heard.also.map(({ switchId }) => switchId)).toEqual(
      expect.arrayContaining(['one-1', 'one-3']),
    )
  })

  it('is known by what it sends before a pause; what comes later is named', () => {
    const verse = bytesOf('one-1')
    const all = { ...rig, switches: { 'one-3': rig.switches['one-3']! } } as Rig
    const heard = hearStep(all, known('one'), verse)
    expect(heard).toMatchObject({ kind: 'step', step: { switchId: 'one-3', how: 'press' } })
    expect(heard.kind === 'step' && heard.step.later.length).toBeGreaterThan(0)
  })

  it('of a switch that stands in every bank but this one is not taken for one of them', () => {
    const tap = makeSwitch('two', 5, [[sound('chorus')]], { everywhere: true })
    const over = makeSwitch('one', 5, [[sound('verse')]])
    const all = { ...rig, switches: { [tap.id]: tap, [over.id]: over } } as Rig
    const chorus = bytesOf('one-2')
    expect(hearStep(all, known('one'), chorus)).toMatchObject({ kind: 'several' })
    expect(hearStep(all, known('two'), chorus)).toMatchObject({
      kind: 'step',
      step: { switchId: tap.id, bankId: 'two' },
    })
  })

  it('is nothing where no switch sends just that', () => {
    expect(hearStep(rig, known('one'), ['B0 01 02'])).toEqual({ kind: 'nothing' })
    expect(hearStep(rig, known('one'), [])).toEqual({ kind: 'nothing' })
    expect(hearStep(rig, known('one'), [...bytesOf('one-2'), 'B0 01 02'])).toEqual({ kind: 'nothing' })
    expect(
      hearStep({ ...rig, controllers: {}, banks: {}, switches: {} }, known('one'), bytesOf('one-2')),
    ).toEqual({
      kind: 'nothing',
    })
  })
})
