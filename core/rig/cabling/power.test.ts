import { describe, expect, it } from 'vitest'
import { makeCable, makeDevice, makePort, makeRig, makeRole } from '../testing/makeRig'
import type { Cable } from '../table/cable'
import { freeOutlet, powerMismatch, powerPlan } from './power'

const gives = (milliamps: number, fields: object = {}) => makeRole('powerOut', { milliamps, ...fields })
const needs = (milliamps: number, fields: object = {}) => makeRole('powerIn', { milliamps, ...fields })
const supply = makeDevice('supply', 'none', {
  kind: 'supply',
  ports: [
    makePort('big', gives(1000)),
    makePort('small', gives(120)),
    makePort('other', gives(500, { volts: 12 })),
  ],
})
const fed = (id: string, milliamps: number) =>
  makeDevice(id, 'none', { kind: 'plain', order: 2, ports: [makePort('power', needs(milliamps))] })
const feed = (outlet: string, id: string): Cable =>
  makeCable(`supply.${outlet}`, `${id}.power`, { lead: 'power' })

describe('the power plan', () => {
  const rig = makeRig({
    devices: [supply, fed('a', 100), fed('b', 200), fed('c', 50)],
    cables: [feed('big', 'a'), feed('big', 'b')],
  })

  it('adds up what hangs on each outlet, and names who has none', () => {
    const { outlets, consumers } = powerPlan(rig)
    expect(outlets.map(({ port, drawn, feeds }) => [port.id, drawn, feeds.length])).toEqual([
      ['big', 300, 2],
      ['small', 0, 0],
      ['other', 0, 0],
    ])
    expect(consumers.map(({ box, by }) => [box.name, by.length])).toEqual([
      ['a', 1],
      ['b', 1],
      ['c', 0],
    ])
  })

  it('offers the smallest free outlet that is enough and of the right voltage', () => {
    const wants = (milliamps: number, fields: object = {}) => {
      const role = needs(milliamps, fields)
      return role.kind === 'powerIn' ? (freeOutlet(rig, role)?.port.id ?? null) : null
    }
    expect([wants(100), wants(120), wants(121), wants(100, { volts: 12 })]).toEqual([
      'small',
      'small',
      null,
      'other',
    ])
  })

  it('polarity is no matter for AC', () => {
    const [ac, other] = [gives(100, { current: 'ac' }), needs(100, { current: 'ac', centre: 'positive' })]
    if (ac.kind !== 'powerOut' || other.kind !== 'powerIn') throw new Error('roles')
    expect(powerMismatch(ac, other)).toBeNull()
  })
})
