import {
  lastOrder,
  nextFreeChannel,
  PLAIN_128,
  requireU7,
  type Controller,
  type ControllerId,
  type Device,
  type DeviceId,
  type Rig,
} from '#core'

/** A controller as most are (common practice); its manual says what to change. */
export const startingController = (rig: Rig, id: ControllerId): Controller => ({
  id,
  order: lastOrder(rig.controllers),
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
})

/** A device on the next free channel; on none when all 16 are taken. */
export const startingDevice = (rig: Rig, id: DeviceId): Device => ({
  id,
  order: lastOrder(rig.devices),
  name: `Device ${Object.keys(rig.devices).length + 1}`,
  channel: nextFreeChannel(rig) ?? 'none',
  numbering: PLAIN_128,
})
