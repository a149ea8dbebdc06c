import { describe, expect, it } from 'vitest'
import { proofOf } from '../../prove/proof'
import type { Rig } from '../../rig/rig'
import { makeBank, makeController, makeSwitch } from '../../rig/testing/makeRig'
import type { Action } from '../../rig/table/action'
import { floorRig, onFloor } from '../../simulate/testing/makeFloor'
import { findings } from '../findings'
import { proofReport } from './proofReport'

const sound = (soundId: string): Action => ({ kind: 'recallSound', soundId: onFloor(soundId) })
const reported = (rig: Rig) => {
  const lines = proofReport(rig, [...proofOf(rig)], findings(rig))
  return (line: string) => lines.find((one) => one.line === line)!
}
const rig = floorRig({ positions: [[sound('verse')]] }, { more: [makeSwitch('one', 2, [[sound('chorus')]])] })

describe('what a proof says beside what else is found', () => {
  it('a sound that cannot be sent does not hold', () => {
    const holding = (one: Rig) => reported(one)('sounds').holds.map(({ about }) => about.id)
    // The octaver's lead is the wrong kind in this rig: what speaks of it does not hold either.
    const [lead] = reported(rig)('sounds').errors
    expect(lead?.code).toBe('wrongContact')
    const cables = Object.fromEntries(Object.entries(rig.cables).filter(([id]) => id !== lead!.about.id))
    const echo = { ...rig.devices['echo']!, channel: 'none' as const }
    const silent: Rig = { ...rig, cables, devices: { ...rig.devices, echo } }
    expect(reported(silent)('sounds').errors.map(({ code }) => code)).toContain('noChannel')
    expect(holding(silent)).toEqual([])
  })

  it('an error beside a sound is told of those that inherit its cell, and of no other', () => {
    const { verse } = rig.sounds
    const child = {
      ...verse!,
      id: onFloor('child'),
      name: 'Child',
      order: 9,
      parentId: onFloor('verse'),
      cells: [],
    }
    const one = {
      ...rig,
      sounds: { ...rig.sounds, child },
      switches: { ...rig.switches, 'one-3': makeSwitch('one', 3, [[sound('child')]]) },
    } as unknown as Rig
    const error = {
      code: 'soundCannot',
      severity: 'error',
      about: { table: 'sounds', id: 'verse', field: 'cells.echo' },
      facts: { sound: '', device: '', why: 'noWay', control: '' },
    } as const
    const proved = ['verse', 'child', 'chorus'].map((id) => ({
      line: 'sounds' as const,
      about: { table: 'sounds' as const, id },
      verdict: { kind: 'holds' as const },
    }))
    const line = proofReport(one, proved, [error]).find((two) => two.line === 'sounds')!
    expect([line.fails, line.holds.map(({ about }) => about.id)]).toEqual([2, ['chorus']])
  })

  it('names what it does not look at, and nothing the rig has not got', () => {
    expect(reported(rig)('lamps').notLooked).toEqual([])
    const second = makeController({ id: onFloor('second'), order: 2 })
    const more = {
      ...rig,
      controllers: { ...rig.controllers, second },
      banks: { ...rig.banks, other: makeBank('other', 0, 'Other', { controllerId: onFloor('second') }) },
      switches: {
        ...rig.switches,
        'other-1': makeSwitch('other', 1, [[sound('verse')]]),
        'one-3': makeSwitch('one', 3, [[{ kind: 'travel', to: 'back', bankId: null }]]),
      },
    } as unknown as Rig
    expect(reported(more)('lamps').notLooked).toEqual(['controllers', 'backTwice'])
    expect(reported(more)('ways').notLooked).toEqual(['controllers', 'backTwice'])
    const unrecalled = floorRig({ positions: [[sound('verse')]] })
    expect(reported(unrecalled)('sounds').notLooked).toContain('unrecalled')
  })
})
