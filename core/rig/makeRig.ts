import { requireChannel } from '../base/channel'
import { requireU7 } from '../base/u7'
import { PLAIN_128 } from './numbering/numbering'
import { emptyRig, type Rig } from './rig'
import type { Bank } from './table/bank'
import type { Controller } from './table/controller'
import type { Device } from './table/device'
import type { Preset } from './table/preset'
import type { Action } from './table/action'
import type { Footswitch } from './table/switch'

/** Builders for tests: rows with everything usual filled in, and a rig from such rows. */

export const makeController = (fields: Partial<Controller> = {}): Controller => ({
  id: 'controller' as Controller['id'],
  order: 1,
  name: 'Foot controller',
  rows: 2,
  columns: 4,
  bankCount: 30,
  firstBank: 1,
  messagesPerEvent: 16,
  labelLength: 16,
  firstPreset: 1,
  highestProgram: requireU7(127),
  sendsBankSelect: true,
  ...fields,
})

export const makeDevice = (
  id: string,
  channel: Device['channel'] | number,
  fields: Partial<Device> = {},
): Device => ({
  id: id as Device['id'],
  order: 1,
  name: id,
  channel: typeof channel === 'number' ? requireChannel(channel) : channel,
  numbering: PLAIN_128,
  ...fields,
})

export const makePreset = (id: string, deviceId: string, index: number, name = ''): Preset => ({
  id: id as Preset['id'],
  deviceId: deviceId as Device['id'],
  index,
  name,
})

export const makeBank = (id: string, index: number, name = ''): Bank => ({
  id: id as Bank['id'],
  controllerId: 'controller' as Controller['id'],
  index,
  name,
})

export const recall = (...presetIds: string[]): Action[] =>
  presetIds.map((id) => ({ kind: 'recallPreset', presetId: id as Preset['id'] }))

export const makeSwitch = (
  bankId: string,
  number: number,
  positions: Footswitch['positions'],
  fields: Partial<Footswitch> = {},
): Footswitch => ({
  id: `${bankId}-${number}` as Footswitch['id'],
  bankId: bankId as Bank['id'],
  number,
  label: '',
  positions,
  release: [],
  ...fields,
})

export interface RigRows {
  readonly controllers?: readonly Controller[]
  readonly devices?: readonly Device[]
  readonly presets?: readonly Preset[]
  readonly banks?: readonly Bank[]
  readonly switches?: readonly Footswitch[]
}

export function makeRig(rows: RigRows = {}): Rig {
  const byId = <Row extends { readonly id: string }>(list: readonly Row[] = []) =>
    Object.fromEntries(list.map((row) => [row.id, row]))
  return {
    ...emptyRig('Test rig'),
    controllers: byId(rows.controllers ?? [makeController()]),
    devices: byId(rows.devices),
    presets: byId(rows.presets),
    banks: byId(rows.banks),
    switches: byId(rows.switches),
  }
}

/** A preamp on 1 and an echo on 4 with A1 to P8; one bank whose switch 2 recalls both. */
export const smallRig = (): Rig =>
  makeRig({
    devices: [
      makeDevice('preamp', 1),
      makeDevice('echo', 4, {
        order: 2,
        numbering: {
          style: 'banked',
          count: 128,
          bankSelect: 'none',
          programsPerBank: 128,
          bank: { symbols: 'letters' },
          slot: { symbols: 'digits', first: 1 },
          slots: 8,
          separator: '',
        },
      }),
    ],
    presets: [
      makePreset('grit', 'preamp', 7, 'Grit'),
      makePreset('round', 'preamp', 2, 'Round'),
      makePreset('dotted', 'echo', 11, 'Dotted eighth'),
    ],
    banks: [makeBank('one', 0, 'One'), makeBank('two', 1, 'Two')],
    switches: [
      makeSwitch('one', 1, [recall('round'), recall('grit')], { label: 'Drive' }),
      makeSwitch('one', 2, [recall('grit', 'dotted')], { label: 'Chorus' }),
    ],
  })
