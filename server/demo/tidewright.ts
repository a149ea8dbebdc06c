import { CONTROLLERS, DEVICES } from '#core/archetype'
import { requireChannel } from '#core/base'
import { learnedText } from '#core/chart'
import { LOOP_CHARTS } from '#core/looper'
import {
  BLANK_BANK,
  BLANK_PRESET,
  BLANK_SWITCH,
  applyEdit,
  cableBetween,
  emptyRig,
  editRow,
  endOf,
  layCable,
  type Action,
  type Bank,
  type CableId,
  type Control,
  type Controller,
  type Device,
  type Edit,
  type Footswitch,
  type Preset,
  type Rig,
  type Song,
  USUAL_TAP_IN,
  USUAL_SONG,
} from '#core/rig'
import { at, controls, pairs } from './charts'
import { pedalSteps } from './pedals'
import { CONDUCTED, partsOfShow } from './show'
import { storyOf, type Story } from './story'
import { soundSteps } from './sounds'
import { switchStepsOfDemo } from './switches'

const control = (id: string) => id as Control['id']

/** The demo rig: the bass chair in the pit of an invented musical, two numbers of the show. */
export const tidewright = (): Rig => story().rig

/** The demo with how it came about: as it was begun, and what was done to it in three weeks, edit by edit. */
export const story = (): Story => (told ??= storyOf(planned()))
/** Made once: nothing changes it. */
let told: Story | null = null

function planned(): Rig {
  const boxes: Rig = {
    ...emptyRig('Pit bass, The Tidewright'),
    controllers: byId([controller]),
    devices: byId(devices),
    controls: byId(controls),
    presets: byId(presets),
    banks: byId(banks),
    songs: byId(songs),
    switches: byId(switches),
    pairs: byId(pairs),
  }
  const learned = (rig: Rig) =>
    editRow(rig, 'changePair', 'pairs', pairs[0]!.id, { learned: learnedText(rig, pairs[0]!) })
  return [
    ...CABLES.map(layable),
    learned,
    ...soundSteps,
    ...partsOfShow,
    ...switchStepsOfDemo,
    ...pedalSteps,
  ].reduce(done, boxes)
}

/** Does what a player would do by hand; the demo is wrong when it cannot be done. */
function done(rig: Rig, make: (rig: Rig) => Edit | null): Rig {
  const edit = make(rig)
  const applied = edit && applyEdit(rig, edit)
  if (!applied?.ok) throw new RangeError(`The demo rig cannot be made: ${JSON.stringify(applied)}`)
  return applied.value
}

/** From, to, length in cm, colour. */
const CABLES: readonly (readonly [from: string, to: string, centimetres: number, colour: string])[] = [
  ['controller.out', 'preamp.in', 600, 'Blue'],
  ['preamp.thru', 'relay.in', 60, 'Blue'],
  ['relay.thru', 'hub.in', 60, 'Blue'],
  ['hub.out1', 'echo.jack', 30, 'Green'],
  ['hub.out2', 'reverb.in', 45, 'Green'],
  ['hub.out3', 'host.in', 45, 'Green'],
  ['hub.out4', 'looper.in', 45, 'Green'],
  ['host.host1', 'synth.usb', 100, ''],
  ['relay.amp', 'amp.foot', 300, 'Red'],
  ['controller.relay1', 'octaver.remote', 90, 'Red'],
  ['controller.relay2', 'tremolo.tap', 90, 'Red'],
  ['sweep.plug', 'controller.exp1', 90, 'Black'],
  ['sweep.toe', 'controller.foot', 90, 'Black'],
  ['fade.plug', 'controller.exp2', 90, 'Black'],
  ['bass.jack', 'octaver.input', 500, 'White'],
  ['octaver.output', 'tremolo.input', 30, 'White'],
  ['tremolo.output', 'preamp.input', 60, 'White'],
  ['preamp.send', 'echo.input', 45, 'White'],
  ['echo.output', 'reverb.input', 30, 'White'],
  ['reverb.output', 'looper.input', 30, 'White'],
  ['looper.output', 'preamp.return', 60, 'White'],
  ['preamp.output', 'isolating.input', 60, 'White'],
  ['isolating.output', 'amp.input', 300, 'White'],
  ['isolating.isolated', 'desk.left', 1000, 'White'],
  ['supply.outlet1', 'preamp.power', 60, ''],
  ['supply.outlet2', 'echo.power', 60, ''],
  ['supply.outlet3', 'reverb.power', 60, ''],
  ['supply.outlet4', 'relay.power', 60, ''],
  ['supply.outlet5', 'controller.power', 600, ''],
  ['supply.outlet6', 'hub.power', 60, ''],
  ['supply.outlet6', 'octaver.power', 60, ''],
  ['supply.outlet7', 'host.power', 60, ''],
]

const layable =
  ([from, to, centimetres, colour]: (typeof CABLES)[number], order: number) =>
  (rig: Rig): Edit | null => {
    const [a, b] = [from, to].map((end) => endOf(rig, ...(end.split('.') as [string, string])))
    const cable = cableBetween(rig, a!, b!, `cable-${order + 1}` as CableId)
    return cable && layCable(rig, { ...cable, centimetres, colour })
  }

const byId = <Row extends { readonly id: string }>(rows: readonly Row[]) =>
  Object.fromEntries(rows.map((row) => [row.id, row]))

/** A row made from a kind of device the app ships, with what differs here. */
function device(
  id: string,
  order: number,
  kind: string,
  spot: readonly [column: number, row: number],
  fields: Partial<Device> = {},
): Device {
  const archetype = DEVICES.find(({ key }) => key === kind)
  if (!archetype) throw new RangeError(`There is no kind of device called ${kind}`)
  return { ...archetype.fields, id: id as Device['id'], order, spot: spotOf(...spot), ...fields }
}

const spotOf = (column: number, row: number) => ({ x: column * 168, y: row * 112 })

const controller: Controller = {
  ...CONTROLLERS.find(({ key }) => key === 'eightSwitch')!.fields,
  id: 'controller' as Controller['id'],
  order: 1,
  spot: spotOf(0, 0),
}

const channel = requireChannel

/** Its remote jack wants the contact kept closed, not a pulse. */
const OCTAVER_JACKS: Device['ports'] = DEVICES.find(({ key }) => key === 'plainPedal')!.fields.ports.map(
  (port) => ({
    ...port,
    roles: port.roles.map((role) =>
      role.kind === 'switchIn' ? { ...role, action: 'latching' as const } : role,
    ),
  }),
)

/** In the pit everything is mono: both stand in the loop of a mono preamp. */
const inMono = (kind: string): Device['ports'] =>
  DEVICES.find(({ key }) => key === kind)!.fields.ports.map((port) => ({
    ...port,
    roles: port.roles.map((role) => (role.kind === 'audioOut' ? { ...role, sound: 'mono' as const } : role)),
  }))

/** The reverb stumbles over clock: the hub keeps it back from that output. */
const HUB_JACKS: Device['ports'] = DEVICES.find(({ key }) => key === 'trsHub')!.fields.ports.map((port) =>
  port.id === 'out2'
    ? {
        ...port,
        roles: port.roles.map((role) =>
          role.kind === 'midiOut' ? { ...role, clock: 'kept' as const } : role,
        ),
      }
    : port,
)

const devices: readonly Device[] = [
  device('preamp', 1, 'preamp', [1, 0], {
    name: 'Bass preamp',
    channel: channel(1),
    bypass: { kind: 'control', controlId: control('preamp-on'), off: 0, on: 127 },
    rest: { preset: 2, values: [at('preamp-blend', 127)], closes: [] },
    whileDeaf: 'keeps',
  }),
  device('echo', 2, 'delay', [3, 1], {
    name: 'Tape echo',
    ports: inMono('delay'),
    channel: channel(4),
    bypass: { kind: 'preset', index: 0 },
    rest: { preset: 0, values: [], closes: [] },
    deafMs: 60,
    whileDeaf: 'keeps',
    gap: { heard: 'clear', ms: 80 },
  }),
  device('reverb', 3, 'reverb', [1, 1], {
    name: 'Hall reverb',
    ports: inMono('reverb'),
    channel: channel(5),
    bypass: { kind: 'preset', index: 0 },
    rest: { preset: 0, values: [], closes: [] },
    powerOn: 0,
    followsClock: false,
    clockHarms: true,
  }),
  device('relay', 4, 'relayAmp', [2, 0], {
    channel: channel(6),
    factoryChannel: channel(6),
    rest: { preset: 0, values: [], closes: [] },
    powerOn: 0,
  }),
  device('synth', 5, 'presetPedal', [3, 2], {
    name: 'Bass synth',
    channel: channel(7),
    bypass: { kind: 'preset', index: 9 },
    rest: { preset: 9, values: [at('synth-resonance', 0)], closes: [] },
    whileDeaf: 'keeps',
    ports: [
      {
        id: 'usb',
        name: 'USB',
        roles: [{ kind: 'usb', end: 'device', passes: 'never' }],
        role: 0,
        factoryRole: 0,
      },
    ],
  }),
  device('hub', 6, 'trsHub', [2, 1], { name: 'TRS hub', ports: HUB_JACKS }),
  device('host', 7, 'usbHostBox', [2, 2]),
  device('octaver', 8, 'plainPedal', [0, 1], {
    name: 'Octaver',
    bypass: { kind: 'contact', off: 'open' },
    rest: { preset: null, values: [], closes: [] },
    ports: OCTAVER_JACKS,
  }),
  device('sweep', 9, 'toePedal', [0, 2], { name: 'Wah and volume pedal' }),
  device('fade', 16, 'expressionPedal', [1, 3], { name: 'Fade pedal' }),
  device('tremolo', 17, 'tapPedal', [4, 2], {
    name: 'Tremolo',
    tapIn: { ...USUAL_TAP_IN, place: { kind: 'contact', contactId: 'tap' }, low: 40, high: 300 },
  }),
  device('looper', 18, 'looper', [4, 1], {
    name: 'Loop pedal',
    ports: inMono('looper'),
    channel: channel(8),
    bypass: { kind: 'none' },
    rest: null,
    receivesPrograms: false,
    sendsProgramsBack: false,
    followsClock: false,
    looper: {
      ...LOOP_CHARTS.twoSwitch,
      inputs: LOOP_CHARTS.twoSwitch.inputs.map((input, n) => ({
        ...input,
        by: { kind: 'control', controlId: control(n === 0 ? 'loop-one' : 'loop-two') },
      })),
    },
  }),
  device('amp', 10, 'amp', [3, 0], { name: 'Bass amp' }),
  device('fuzz', 12, 'plainPedal', [4, 0], { name: 'Old fuzz', ports: [] }),
  device('bass', 13, 'instrument', [0, 3], { name: 'Bass guitar' }),
  device('isolating', 14, 'isolatingBox', [2, 3]),
  device('desk', 15, 'mixer', [3, 3], { name: 'Pit desk' }),
  device('supply', 11, 'powerSupply', [1, 2], { name: 'Pit power supply' }),
]

/** `index` counts from 0, as presets are stored. */
const preset = (
  id: string,
  deviceId: string,
  index: number,
  name: string,
  fields: Partial<Preset> = {},
): Preset => ({
  ...BLANK_PRESET,
  id: id as Preset['id'],
  deviceId: deviceId as Device['id'],
  index,
  name,
  ...fields,
})

const presets: readonly Preset[] = [
  preset('preamp-round', 'preamp', 2, 'Round', {
    purpose: 'rhythm',
    level: 8,
    recalls: [at('preamp-drive', 20), at('preamp-volume', 100)],
  }),
  preset('preamp-grit', 'preamp', 7, 'Grit', {
    purpose: 'drive',
    level: 9,
    recalls: [at('preamp-drive', 90), at('preamp-volume', 110)],
  }),
  preset('preamp-shout', 'preamp', 8, 'Shout', {
    purpose: 'lead',
    level: 10,
    recalls: [at('preamp-drive', 104), at('preamp-volume', 122)],
  }),
  preset('preamp-upright', 'preamp', 11, 'Upright', {
    purpose: 'clean',
    level: 8,
    recalls: [at('preamp-drive', 6), at('preamp-volume', 98)],
  }),
  preset('preamp-pizzicato', 'preamp', 14, 'Pizzicato', {
    purpose: 'clean',
    level: 5,
    recalls: [at('preamp-drive', 0), at('preamp-volume', 70)],
  }),
  preset('echo-off', 'echo', 0, 'Off', { purpose: 'blank', recalls: [at('echo-mix', 0)] }),
  preset('echo-dotted', 'echo', 11, 'Dotted eighth', {
    purpose: 'effect',
    notes: 'The chorus of Undertow; repeats must die before the break.',
    recalls: [at('echo-mix', 44), at('echo-repeats', 38), at('echo-division', 1)],
  }),
  preset('echo-wide', 'echo', 12, 'Dotted, wide', {
    purpose: 'effect',
    recalls: [at('echo-mix', 70), at('echo-repeats', 38), at('echo-division', 1)],
  }),
  preset('echo-long', 'echo', 17, 'Long tape', { purpose: 'pad', recalls: [at('echo-mix', 64)] }),
  preset('reverb-off', 'reverb', 0, 'Off', { purpose: 'blank', recalls: [at('reverb-mix', 0)] }),
  preset('reverb-room', 'reverb', 11, 'Net loft', { purpose: 'clean', recalls: [at('reverb-mix', 25)] }),
  preset('reverb-drowned', 'reverb', 299, 'Drowned hall', {
    purpose: 'pad',
    recalls: [at('reverb-mix', 89), at('reverb-type', 4)],
  }),
  preset('relay-clean', 'relay', 0, 'Clean'),
  preset('relay-drive', 'relay', 1, 'Drive', { closes: ['channel'] }),
  preset('relay-boost', 'relay', 2, 'Drive, boost', { closes: ['channel', 'boost'] }),
  preset('synth-sub', 'synth', 0, 'Sub', { entered: [control('synth-wah')] }),
  preset('synth-silent', 'synth', 9, 'Silent', { purpose: 'blank', entered: [control('synth-wah')] }),
  preset('synth-bell', 'synth', 1, 'Bell buoy', { lacks: [control('synth-wah')] }),
]

const song = (id: string, order: number, name: string, tempo: number, countIn: number): Song => ({
  id: id as Song['id'],
  order,
  name,
  tempo,
  tonight: null,
  countIn,
  notes: '',
  ...USUAL_SONG,
})

const songs: readonly Song[] = [
  song('net', 1, 'Net menders', 96, 4),
  song('low', 2, 'Undertow', 72, 8),
  song('storm', 3, 'The storm', 132, 4),
  song('walk', 4, "Entr'acte", 118, 4),
  song('end', 5, 'Finale', 140, 4),
  ...CONDUCTED,
]

const bank = (id: string, index: number, name: string, songId: string): Bank => ({
  ...BLANK_BANK,
  songId: songId as Song['id'],
  enter: [{ kind: 'tapOut', deviceId: 'tremolo' as Device['id'] }],
  id: id as Bank['id'],
  controllerId: controller.id,
  index,
  name,
})

const banks: readonly Bank[] = [
  bank('menders', 0, 'Net menders', 'net'),
  bank('undertow', 1, 'Undertow', 'low'),
]

const recall = (...ids: string[]): Action[] =>
  ids.map((id) => ({ kind: 'recallPreset', presetId: id as Preset['id'] }))

const footswitch = (bankId: string, number: number, label: string, ...positions: Action[][]): Footswitch => ({
  ...BLANK_SWITCH,
  id: `${bankId}-${number}` as Footswitch['id'],
  bankId: bankId as Bank['id'],
  number,
  label,
  positions,
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
