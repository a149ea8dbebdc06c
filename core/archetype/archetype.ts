import { requireU7 } from '#core/base'
import { PLAIN_128, USUAL_SWITCHING, type Controller, type Device } from '#core/rig'

/** A kind of foot controller or device to start from: generic, by what it does; the player's manual says what differs. */
export interface ControllerArchetype {
  readonly key: string
  readonly fields: Omit<Controller, 'id' | 'order' | 'spot'>
}

/** A kind of device to begin with: what such a box usually is, and the controls it usually has. */
export interface DeviceArchetype {
  readonly key: string
  readonly fields: Omit<Device, 'id' | 'order' | 'spot'>
}

/** What a controller is unless its file says otherwise (common practice). */
export const usualController: Omit<ControllerArchetype['fields'], 'name' | 'rows' | 'columns' | 'ports'> = {
  keepsSwitches: 0,
  bankCount: 30,
  firstBank: 1,
  messagesPerEvent: 16,
  labelLength: 16,
  firstPreset: 1,
  highestProgram: requireU7(127),
  sendsBankSelect: true,
  events: ['press', 'release', 'longPress'],
  pressWithLong: 'release',
  colours: 8,
  sendsClock: true,
  waitMs: 0,
  runningStatus: false,
  separateOutputs: false,
  builtInPedals: 0,
  ...USUAL_SWITCHING,
  // Opening an editor by holding for 2 s (common practice).
  keeps: [{ numbers: [], how: 'longPress', afterMs: 2000, does: 'opens editing', opensEditing: true }],
  chords: '',
  editGesture: 'Hold one switch for two seconds',
  saving: { how: 'explicit', losesEdits: true },
}

/** What a device is unless its file says otherwise (common practice): deaf for 20 ms after a recall, a slight dip. */
export const usualDevice: Omit<DeviceArchetype['fields'], 'name' | 'ports'> = {
  kind: 'receiver',
  channel: 'none',
  factoryChannel: 'omni',
  isChannelFixed: false,
  sharesChannel: false,
  numbering: PLAIN_128,
  receivesPrograms: true,
  sendsProgramsBack: false,
  followsClock: false,
  givesClock: false,
  clockHarms: false,
  tapIn: null,
  looper: null,
  dumping: null,
  relays: [],
  bypass: { kind: 'none' },
  rest: null,
  deafMs: 20,
  whileDeaf: 'loses',
  gap: { heard: 'slight', ms: 20 },
  powerOn: null,
  saving: { how: 'explicit', losesEdits: true },
}

/** For what has no presets and answers to nothing. */
export const unheard: Pick<DeviceArchetype['fields'], 'factoryChannel' | 'receivesPrograms' | 'saving'> = {
  factoryChannel: 'none',
  receivesPrograms: false,
  saving: { how: 'itself', losesEdits: false },
}
