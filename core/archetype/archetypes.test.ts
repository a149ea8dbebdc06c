import { describe, expect, it } from 'vitest'
import { findings } from '../check/findings'
import { applyEdit } from '../rig/applyEdit'
import type { Edit } from '../rig/edit'
import { emptyRig, type Rig } from '../rig/rig'
import { controllerSchema } from '../rig/table/controller'
import { deviceSchema } from '../rig/table/device'
import { addController, addDevice, duplicateDevice } from './addBox'
import { CONTROLLERS, DEVICES } from './archetypes'

const SPOT = { x: 0, y: 0 }
function done(rig: Rig, edit: Edit): Rig {
  const applied = applyEdit(rig, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
  return applied.value
}
const withController = (key: string): Rig => {
  const rig = emptyRig('Test')
  return done(
    rig,
    addController(
      rig,
      CONTROLLERS.find((one) => one.key === key)!,
      'controller' as never,
      SPOT,
    ),
  )
}
const kind = (key: string) => DEVICES.find((one) => one.key === key)!
const ids = (name: string) => ({ device: name as never, cable: `c-${name}` as never })

describe('kinds to start from', () => {
  it.each(CONTROLLERS.map((one) => [one.key, one] as const))(
    'controller %s is a sound row',
    (_, { fields }) => {
      expect(controllerSchema.safeParse({ ...fields, id: 'x', order: 1, spot: null }).success).toBe(true)
    },
  )

  it.each(DEVICES.map((one) => [one.key, one] as const))('device %s is a sound row', (_, { fields }) => {
    expect(deviceSchema.safeParse({ ...fields, id: 'x', order: 1, spot: null }).success).toBe(true)
  })

  it('have keys of their own', () => {
    const keys = [...CONTROLLERS, ...DEVICES].map(({ key }) => key)
    expect(new Set(keys).size).toBe(keys.length)
  })
})

describe('adding a device', () => {
  it.each(DEVICES.map(({ key }) => [key]))('%s comes into a rig without a fault', (key) => {
    const rig = withController('tenSwitch')
    expect(findings(done(rig, addDevice(rig, kind(key), ids('one'), SPOT)))).toEqual([])
  })

  it('sets a shared jack to the role its cable asks for, and switches on the thru before it', () => {
    let rig = withController('eightSwitch')
    rig = done(rig, addDevice(rig, kind('preamp'), ids('preamp'), SPOT))
    rig = done(rig, addDevice(rig, kind('delay'), ids('delay'), SPOT))
    expect(rig.devices.delay?.ports[0]).toMatchObject({ role: 2, factoryRole: 0 })
    expect(rig.devices.preamp?.ports[1]?.roles[0]).toMatchObject({ passes: 'on' })
    expect(rig.cables['c-delay']).toMatchObject({
      from: { id: 'preamp', port: 'thru' },
      adapters: ['dinTrsB'],
    })
    expect(findings(rig)).toEqual([])
  })

  it('keeps a maker’s default channel while it is free, then takes the next free one', () => {
    let rig = withController('eightSwitch')
    for (const name of ['a', 'b']) rig = done(rig, addDevice(rig, kind('preamp'), ids(name), SPOT))
    expect([rig.devices.a?.channel, rig.devices.b?.channel]).toEqual([1, 2])
    expect([rig.devices.a?.name, rig.devices.b?.name]).toEqual(['Preamp', 'Preamp 2'])
  })

  it('a 17th receiver comes with no channel, and that is found with no fix', () => {
    let rig = withController('eightSwitch')
    for (let n = 0; n < 17; n++) rig = done(rig, addDevice(rig, kind('presetPedal'), ids(`d${n}`), SPOT))
    expect(rig.devices.d16?.channel).toBe('none')
    const found = findings(rig).find(({ code }) => code === 'noChannel')
    expect(found?.facts).toEqual({ device: 'Preset pedal 17', free: null, isFixed: false })
    expect(found).not.toHaveProperty('fix')
  })

  it('a 17th receiver finds a channel on another output that is kept apart', () => {
    let rig = withController('tenSwitch')
    for (let n = 0; n < 17; n++) rig = done(rig, addDevice(rig, kind('presetPedal'), ids(`d${n}`), SPOT))
    expect(Object.values(rig.devices).every(({ channel }) => typeof channel === 'number')).toBe(true)
    expect(findings(rig).filter(({ about }) => about.field === 'channel')).toEqual([])
  })

  it('a copy stands behind its model with a channel and a name of its own', () => {
    let rig = withController('eightSwitch')
    for (const name of ['a', 'b']) rig = done(rig, addDevice(rig, kind('presetPedal'), ids(name), SPOT))
    rig = done(rig, duplicateDevice(rig, rig.devices.a!, { device: 'copy' as never }, SPOT))
    expect(rig.devices.copy).toMatchObject({ name: 'Preset pedal 3', channel: 3 })
    expect(rig.devices.copy!.order).toBeGreaterThan(rig.devices.a!.order)
    expect(rig.devices.copy!.order).toBeLessThan(rig.devices.b!.order)
  })
})
