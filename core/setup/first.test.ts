import { describe, expect, it } from 'vitest'
import { CONTROLLERS, DEVICES } from '../archetype/archetypes'
import { findings } from '../check/findings'
import { applyEdit } from '../rig/applyEdit'
import { invertEdit, type Edit } from '../rig/edit'
import { powerPlan } from '../rig/cabling/power'
import { isReached } from '../rig/cabling/signal'
import { receivers } from '../rig/channels'
import { emptyRig, type Rig } from '../rig/rig'
import { deviceState, floorAtPowerOn } from '../simulate/floor'
import { stomp } from '../simulate/step'
import { firstFloor } from './firstFloor'
import { firstSound } from './firstSound'

const ids = () => {
  let n = 0
  return () => `id${n++}`
}
const kinds = (...keys: string[]) => keys.map((key) => DEVICES.find((one) => one.key === key)!)
const controller = (key: string) => CONTROLLERS.find((one) => one.key === key)!
function done(rig: Rig, edit: Edit | null): Rig {
  const applied = edit && applyEdit(rig, edit)
  if (!applied?.ok) throw new Error(JSON.stringify(applied))
  return applied.value
}
const built = (controllerKey: string, ...keys: string[]): Rig =>
  done(
    emptyRig('New'),
    firstFloor(emptyRig('New'), { controller: controller(controllerKey), devices: kinds(...keys) }, ids()),
  )

describe('a whole floor at once', () => {
  it('comes cabled, powered, with channels, and undone in one step', () => {
    const edit = firstFloor(
      emptyRig('New'),
      { controller: controller('eightSwitch'), devices: kinds('delay', 'reverb', 'preamp') },
      ids(),
    )!
    const rig = done(emptyRig('New'), edit)
    expect(receivers(rig).every(({ id }) => isReached(rig, id))).toBe(true)
    expect(powerPlan(rig).consumers.every(({ by }) => by.length === 1)).toBe(true)
    expect(new Set(receivers(rig).map(({ channel }) => channel)).size).toBe(3)
    expect(findings(rig)).toEqual([])
    expect(applyEdit(rig, invertEdit(edit))).toEqual({ ok: true, value: emptyRig('New') })
  })

  it('uses what can hand on before it brings a thru box in, and one before two', () => {
    const names = (rig: Rig) => Object.values(rig.devices).map(({ name }) => name)
    expect(names(built('eightSwitch', 'delay', 'preamp'))).not.toContain('MIDI thru box')
    expect(
      names(built('eightSwitch', 'delay', 'reverb', 'preamp')).filter((name) => /thru box/.test(name)),
    ).toHaveLength(1)
  })

  it('of any controller with one of every device: nothing reached is missed, and what is left is a finding', () => {
    for (const { key } of CONTROLLERS) {
      const rig = built(key, ...DEVICES.map((one) => one.key))
      const silent = receivers(rig).filter(({ id }) => !isReached(rig, id))
      const said = new Set(findings(rig).map(({ about }) => about.id))
      for (const { id } of silent) expect(said).toContain(id)
      expect(silent.length).toBeLessThan(3)
    }
  })

  it('is nothing without a box but the controller', () => {
    expect(Object.keys(built('fourSwitch').controllers)).toHaveLength(1)
  })
})

describe('a first sound', () => {
  const rig = built('eightSwitch', 'delay', 'reverb', 'preamp')
  const idOf = (name: string) => Object.values(rig.devices).find((one) => one.name === name)!.id
  const texts = new Map([
    [idOf('Delay') as string, 'B4'],
    [idOf('Reverb'), '5'],
    [idOf('Preamp'), '12'],
    ['gone', '1'],
  ])

  it('is on a switch, and one step puts every device right', () => {
    const made = firstSound(rig, ' Verse ', texts, ids())
    if (!made.ok) throw new Error(JSON.stringify(made.refusal))
    const after = done(rig, made.value.edit)
    expect(Object.values(after.switches)).toMatchObject([{ number: 1, label: 'Verse' }])
    const [footswitch] = Object.values(after.switches)
    const { state } = stomp(after, floorAtPowerOn(after), footswitch!.id)
    // What a display shows first is program 0: B4 is 11, 12 is 11 (common practice).
    expect(deviceState(state, idOf('Delay')).preset).toBe(11)
    expect(deviceState(state, idOf('Preamp')).preset).toBe(11)
    expect(applyEdit(after, invertEdit(made.value.edit))).toEqual({ ok: true, value: rig })
    const next = ids()
    const more = () => `more-${next()}`
    // The second goes on the next switch of the same bank.
    const second = firstSound(after, 'Chorus', texts, more)
    expect(second).toMatchObject({ ok: true, value: { number: 2 } })
  })

  it('says what is not understood, of which device, and makes nothing', () => {
    const wrong = new Map(texts).set(idOf('Delay'), 'Z99')
    expect(firstSound(rig, 'Verse', wrong, ids())).toMatchObject({ ok: false, refusal: { code: 'cells' } })
    expect(firstSound(rig, '  ', texts, ids())).toMatchObject({ refusal: { code: 'noName' } })
    expect(firstSound(rig, 'Verse', new Map(), ids())).toMatchObject({ refusal: { code: 'noCells' } })
    expect(firstSound(emptyRig('x'), 'Verse', texts, ids())).toMatchObject({
      refusal: { code: 'noController' },
    })
  })
})
