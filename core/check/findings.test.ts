import { describe, expect, it } from 'vitest'
import {
  makeBank,
  makeController,
  makeDevice,
  makePreset,
  makeRig,
  makeSwitch,
  recall,
  smallRig,
} from '../rig/testing/makeRig'
import { findings } from './findings'
import { codes, expectFixable, requireFinding } from './testing/makeFinding'

it('finds nothing in a rig that is right', () => {
  expect(findings(smallRig())).toEqual([])
})

describe('shared channel', () => {
  const rig = makeRig({
    devices: [makeDevice('a', 1), makeDevice('b', 1, { order: 2 }), makeDevice('c', 2, { order: 3 })],
  })

  it('is about the later device, with the next free channel as its fix', () => {
    expect(findings(rig)).toMatchObject([
      {
        code: 'sharedChannel',
        severity: 'error',
        about: { table: 'devices', id: 'b', field: 'channel' },
        facts: { channel: 1, device: 'b', holder: 'a', free: 3 },
      },
    ])
    expectFixable(rig, 'sharedChannel')
  })

  it('has no fix when all 16 are taken', () => {
    const devices = Array.from({ length: 17 }, (_, n) =>
      makeDevice(`d${n}`, Math.min(n + 1, 16), { order: n }),
    )
    const [found] = findings(makeRig({ devices }))
    expect(found?.facts).toMatchObject({ free: null })
    expect(found).not.toHaveProperty('fix')
  })
})

describe('silent switch', () => {
  const device = makeDevice('a', 1)
  const preset = makePreset('p', 'a', 0)
  const withSwitch = (positions: ReturnType<typeof recall>[], channel: number | 'none' = 1) =>
    makeRig({
      devices: [{ ...device, channel: channel as never }],
      presets: [preset],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, positions, { label: 'Lead' })],
    })

  it('finds an empty one, and clears it', () => {
    expect(findings(withSwitch([[]]))).toMatchObject([
      { code: 'silentSwitch', severity: 'hint', facts: { label: 'Lead', presses: [1], of: 1, why: 'empty' } },
    ])
    expectFixable(withSwitch([[]]), 'silentSwitch')
  })

  it('finds the press of an alternate that sends nothing', () => {
    expect(findings(withSwitch([recall('p'), []]))).toMatchObject([
      { severity: 'warning', facts: { presses: [2], of: 2, why: 'empty' } },
    ])
  })

  it('finds one whose devices listen on no channel', () => {
    expect(findings(withSwitch([recall('p')], 'none'))).toMatchObject([
      { code: 'noChannel' },
      { code: 'silentSwitch', facts: { why: 'unheard' } },
    ])
  })
})

describe('unsendable preset', () => {
  const withController = (fields: object, index: number) =>
    makeRig({
      controllers: [makeController(fields)],
      devices: [
        makeDevice('reverb', 5, {
          numbering: { ...makeDevice('x', 1).numbering, count: 300, bankSelect: 'both' },
        }),
      ],
      presets: [makePreset('p', 'reverb', index)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [recall('p')])],
    })

  // Common practice: a list that stops at 100 cannot reach preset 126.
  it("finds a preset past the end of the controller's list", () => {
    const rig = withController({ highestProgram: 99 }, 125)
    expect(findings(rig)).toMatchObject([
      {
        code: 'unsendablePreset',
        facts: { display: '126', program: 125, why: 'listStops', highestProgram: 99 },
      },
    ])
    expectFixable(rig, 'unsendablePreset')
  })

  it('finds a bank the controller cannot select', () => {
    const rig = withController({ sendsBankSelect: false }, 299)
    expect(requireFinding(rig, 'unsendablePreset')).toMatchObject({
      facts: { display: '300', bank: 2, program: 43, why: 'noBankSelect' },
    })
    // What it does reach hangs on the bank the device was left in.
    expect(requireFinding(rig, 'noBankSelect').facts).toMatchObject({ banks: 3, first: '1', last: '128' })
    expectFixable(rig, 'unsendablePreset')
  })

  it('has nothing against presets that can be sent', () => {
    expect(codes(withController({ highestProgram: 99 }, 99))).toEqual([])
    expect(codes(withController({ sendsBankSelect: false }, 127))).toEqual(['noBankSelect'])
  })
})
