import { makeCable, makeController, makeDevice, makePort, makeRole } from '../../rig/testing/makeRig'
import type { Controller } from '../../rig/table/controller'
import type { Device } from '../../rig/table/device'
import type { AutoOff, Pedal, PedalRole, Target } from '../../rig/table/pedal'

/** Builders for tests of pedals. */

export const makeTarget = (controlId: string, fields: Partial<Target> = {}): Target => ({
  controlId: controlId as Target['controlId'],
  number: null,
  sends: { heel: 0, toe: 127 },
  device: null,
  curve: { kind: 'linear' },
  from: 0,
  to: 100,
  ...fields,
})

export const makeRoleOf = (
  targets: readonly Target[],
  when: PedalRole['when'] = { kind: 'always' },
): PedalRole => ({
  name: '',
  when,
  targets: [...targets],
})

/** In the controller's jack `exp`. */
export const makePedal = (id: string, roles: readonly PedalRole[], fields: Partial<Pedal> = {}): Pedal => ({
  id: id as Pedal['id'],
  order: 1,
  name: id,
  place: { kind: 'jack', table: 'controllers', id: 'controller', port: 'exp' },
  roles: [...roles],
  takeover: 'leaps',
  everyMs: 0,
  calibration: null,
  off: null,
  ...fields,
})

export const makeOff = (fields: Partial<AutoOff> = {}): AutoOff => ({
  kind: 'heel',
  delayMs: 600,
  zone: 3,
  toe: 'latching',
  works: { kind: 'control', controlId: 'on' as never, off: 0, on: 127 },
  ...fields,
})

/** A controller with a DIN out, a jack for expression and one for a footswitch. */
export const pedalController = (fields: Partial<Controller> = {}): Controller => {
  const plain = makeController()
  return {
    ...plain,
    ports: [
      ...plain.ports,
      makePort('exp', makeRole('expressionIn')),
      makePort('foot', makeRole('switchIn', { action: 'either' })),
    ],
    ...fields,
  }
}

/** A pedal box with a sweep and a toe switch. */
export const pedalBox = (id = 'sweep', fields: Partial<Device> = {}): Device =>
  makeDevice(id, 'none', {
    kind: 'pedal',
    order: 9,
    ports: [
      makePort('plug', makeRole('expressionOut')),
      makePort('toe', makeRole('switchOut', { by: 'foot', action: 'latching' })),
    ],
    ...fields,
  })

export const pedalCable = makeCable('sweep.plug', 'controller.exp', { lead: 'trs' })
