import { describe, expect, it } from 'vitest'
import { CONTROLLERS } from '../archetype/archetypes'
import {
  makeBank,
  makeController,
  makeDevice,
  makePort,
  makePreset,
  makeRig,
  makeRole,
  makeSwitch,
  recall,
} from '../rig/testing/makeRig'
import { abilityFor, lacking, requirements } from './requirements'

const rig = makeRig({
  devices: [
    makeDevice('a', 1, { followsClock: true }),
    makeDevice('b', 2, {
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
    makeDevice('sweep', 'none', {
      order: 3,
      kind: 'pedal',
      ports: [makePort('plug', makeRole('expressionOut'))],
    }),
  ],
  presets: [makePreset('p', 'a', 99), makePreset('q', 'b', 299)],
  banks: [makeBank('one', 0), makeBank('five', 4)],
  switches: [
    makeSwitch('one', 1, [recall('p', 'q')]),
    makeSwitch('one', 2, [recall('p')]),
    makeSwitch('five', 1, [recall('p')], { release: recall('p') }),
  ],
})
const asked = requirements(rig, rig.controllers.controller!)
const wanted = Object.fromEntries(asked.map(({ need, wanted: much }) => [need, much]))

describe('what a rig asks of its controller', () => {
  it('is counted from the switches and the floor', () => {
    expect(wanted).toEqual({
      switches: 2,
      banks: 5,
      // One program change, and two bank selects with a program change.
      messages: 4,
      highestProgram: 99,
      bankSelect: 1,
      holds: 1,
      midiOut: 1,
      expressionInputs: 1,
      clock: 1,
    })
  })

  it('names who asks', () => {
    expect(asked.find(({ need }) => need === 'bankSelect')?.by).toEqual(['b'])
    expect(asked.find(({ need }) => need === 'clock')?.by).toEqual(['a'])
  })

  it('and what a kind of controller lacks of it', () => {
    const three = CONTROLLERS.find(({ key }) => key === 'threeSwitch')!
    expect(lacking(three.fields, asked).map(({ need }) => need)).toEqual([
      'bankSelect',
      'expressionInputs',
      'clock',
    ])
    const eight = CONTROLLERS.find(({ key }) => key === 'eightSwitch')!
    expect(lacking(eight.fields, asked)).toEqual([])
  })

  it('is nothing for a rig that has nothing', () => {
    const empty = makeRig()
    expect(requirements(empty, empty.controllers.controller!)).toEqual([])
  })
})

describe('what a controller can do', () => {
  it('counts contacts one by one, a shared jack for each role, and keeps back the switches it needs itself', () => {
    const controller = makeController({
      keepsSwitches: 2,
      builtInPedals: 1,
      ports: [
        makePort('relay', makeRole('switchOut', { poles: 2 })),
        makePort('multi', makeRole('midiOut', { plug: 'trsA' }), makeRole('expressionIn')),
      ],
    })
    expect(
      (['switches', 'switchingOutputs', 'expressionInputs', 'midiOut', 'usbHost'] as const).map((need) =>
        abilityFor(controller, need),
      ),
    ).toEqual([6, 2, 2, 1, 0])
  })
})
