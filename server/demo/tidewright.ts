import {
  ABOUT_ID,
  PLAIN_128,
  requireChannel,
  requireU7,
  type Action,
  type Bank,
  type Controller,
  type Device,
  type Footswitch,
  type Preset,
  type Rig,
} from '#core'

/** The demo rig: the bass chair in the pit of an invented musical, two numbers of the show. */
export function tidewright(): Rig {
  return {
    about: { [ABOUT_ID]: { id: ABOUT_ID, name: 'Pit bass, The Tidewright' } },
    controllers: byId([controller]),
    devices: byId(devices),
    presets: byId(presets),
    banks: byId(banks),
    switches: byId(switches),
  }
}

const byId = <Row extends { readonly id: string }>(rows: readonly Row[]) =>
  Object.fromEntries(rows.map((row) => [row.id, row]))

const controller: Controller = {
  id: 'controller' as Controller['id'],
  order: 1,
  name: 'Eight-switch controller',
  rows: 2,
  columns: 4,
  bankCount: 30,
  firstBank: 1,
  messagesPerEvent: 16,
  labelLength: 16,
  firstPreset: 1,
  highestProgram: requireU7(127),
  sendsBankSelect: true,
}

const device = (
  id: string,
  order: number,
  name: string,
  channel: number,
  numbering: Device['numbering'],
): Device => ({
  id: id as Device['id'],
  order,
  name,
  channel: requireChannel(channel),
  numbering,
})

const devices: readonly Device[] = [
  device('preamp', 1, 'Bass preamp', 1, PLAIN_128),
  device('echo', 2, 'Tape echo', 4, {
    style: 'banked',
    count: 128,
    bankSelect: 'none',
    programsPerBank: 128,
    bank: { symbols: 'letters' },
    slot: { symbols: 'digits', first: 1 },
    slots: 8,
    separator: '',
  }),
  device('reverb', 3, 'Hall reverb', 5, { ...PLAIN_128, digits: 3, count: 300, bankSelect: 'both' }),
  device('relay', 4, 'Amp relay box', 6, { ...PLAIN_128, count: 16 }),
]

/** `index` counts from 0, as presets are stored. */
const preset = (id: string, deviceId: string, index: number, name: string): Preset => ({
  id: id as Preset['id'],
  deviceId: deviceId as Device['id'],
  index,
  name,
})

const presets: readonly Preset[] = [
  preset('preamp-round', 'preamp', 2, 'Round'),
  preset('preamp-grit', 'preamp', 7, 'Grit'),
  preset('preamp-upright', 'preamp', 11, 'Upright'),
  preset('echo-off', 'echo', 0, 'Off'),
  preset('echo-dotted', 'echo', 11, 'Dotted eighth'),
  preset('echo-long', 'echo', 17, 'Long tape'),
  preset('reverb-off', 'reverb', 0, 'Off'),
  preset('reverb-room', 'reverb', 11, 'Net loft'),
  preset('reverb-drowned', 'reverb', 299, 'Drowned hall'),
  preset('relay-clean', 'relay', 0, 'Clean'),
  preset('relay-drive', 'relay', 1, 'Drive'),
]

const bank = (id: string, index: number, name: string): Bank => ({
  id: id as Bank['id'],
  controllerId: controller.id,
  index,
  name,
})

const banks: readonly Bank[] = [bank('menders', 0, 'Net menders'), bank('undertow', 1, 'Undertow')]

const recall = (...ids: string[]): Action[] =>
  ids.map((id) => ({ kind: 'recallPreset', presetId: id as Preset['id'] }))

const footswitch = (bankId: string, number: number, label: string, ...positions: Action[][]): Footswitch => ({
  id: `${bankId}-${number}` as Footswitch['id'],
  bankId: bankId as Bank['id'],
  number,
  label,
  positions,
  release: [],
})

const switches: readonly Footswitch[] = [
  footswitch('menders', 1, 'Verse, dry', recall('preamp-round', 'echo-off', 'reverb-off', 'relay-clean')),
  footswitch(
    'menders',
    2,
    'Chorus, drive',
    recall('preamp-grit', 'echo-dotted', 'reverb-off', 'relay-drive'),
  ),
  footswitch('menders', 3, 'Solo, hall', recall('preamp-grit', 'echo-off', 'reverb-drowned', 'relay-drive')),
  footswitch('undertow', 1, 'Low tide', recall('preamp-upright', 'echo-off', 'reverb-room', 'relay-clean')),
  footswitch('undertow', 2, 'Swell', recall('preamp-upright', 'echo-long', 'reverb-drowned', 'relay-clean')),
  footswitch('undertow', 5, 'Amp drive', recall('relay-drive'), recall('relay-clean')),
]
