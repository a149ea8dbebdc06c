import { requireChannel } from '../../base/channel'
import { emptyRig, inOrder, type Rig } from '../rig'
import { BLANK_BANK, type Bank } from '../table/bank'
import { USUAL_SWITCHING, type Controller } from '../table/controller'
import type { Dump } from '../table/dump'
import type { Note } from '../table/note'
import type { KeyIn } from '../table/keyIn'
import type { Macro } from '../table/macro'
import type { Cable, CableEnd } from '../table/cable'
import type { Device } from '../table/device'
import type { Mark } from '../table/mark'
import type { Port, Role, RoleKind, RoleOf } from '../table/port'
import type { Pedal } from '../table/pedal'
import { BLANK_PRESET, type Preset } from '../table/preset'
import type { Control } from '../table/control'
import type { Never } from '../table/never'
import type { Pair } from '../table/pair'
import type { Run } from '../table/run'
import type { Action } from '../table/action'
import type { Part } from '../table/part'
import { USUAL_SHOW, type Show } from '../table/show'
import { USUAL_SONG, type Song } from '../table/song'
import { BLANK_SOUND, type Cell, type Sound } from '../table/sound'
import { BLANK_SWITCH, type Footswitch } from '../table/switch'

/** Builders for tests: rows with everything usual filled in, and a rig from such rows. */

const ROLES: { readonly [Kind in RoleKind]: RoleOf<Kind> } = {
  midiIn: { kind: 'midiIn', plug: 'din', merges: false, phantom: 'none' },
  midiOut: { kind: 'midiOut', plug: 'din', isThru: false, passes: 'never', blocks: [], phantom: 'none' },
  usb: { kind: 'usb', end: 'device', passes: 'never' },
  air: { kind: 'air', passes: 'never' },
  switchOut: {
    kind: 'switchOut',
    poles: 1,
    rest: 'open',
    first: 'tip',
    does: [],
    by: 'relay',
    action: 'momentary',
  },
  switchIn: { kind: 'switchIn', poles: 1, rest: 'open', first: 'tip', does: [], action: 'momentary' },
  expressionOut: { kind: 'expressionOut', wiper: 'tip' },
  expressionIn: { kind: 'expressionIn', wiper: 'tip' },
  audioOut: { kind: 'audioOut', sound: 'mono', use: 'main', isolated: false },
  audioIn: { kind: 'audioIn', sound: 'mono', use: 'main' },
  powerOut: { kind: 'powerOut', volts: 9, current: 'dc', centre: 'negative', milliamps: 500 },
  powerIn: { kind: 'powerIn', volts: 9, current: 'dc', centre: 'negative', milliamps: 100 },
}

export const makeRole = <Kind extends RoleKind>(kind: Kind, fields: Partial<RoleOf<Kind>> = {}): Role =>
  ({ ...ROLES[kind], ...fields }) as Role

export const makePort = (id: string, ...roles: Role[]): Port => ({
  id,
  name: id,
  roles,
  role: 0,
  factoryRole: 0,
})

const dinIn = makePort('in', makeRole('midiIn'))
const dinThru = makePort('thru', makeRole('midiOut', { isThru: true, passes: 'always' }))
const dinOut = makePort('out', makeRole('midiOut'))

const saving = { how: 'explicit', losesEdits: true } as const

/** An eight-switch controller with one DIN out. */
export const makeController = (fields: Partial<Controller> = {}): Controller => ({
  id: 'controller' as Controller['id'],
  order: 1,
  name: 'Foot controller',
  rows: 2,
  columns: 4,
  keepsSwitches: 0,
  bankCount: 30,
  firstBank: 1,
  messagesPerEvent: 16,
  labelLength: 16,
  firstPreset: 1,
  highestProgram: 127 as Controller['highestProgram'],
  sendsBankSelect: true,
  events: ['press', 'release'],
  pressWithLong: 'release',
  colours: 8,
  sendsClock: true,
  waitMs: 0,
  runningStatus: false,
  separateOutputs: false,
  builtInPedals: 0,
  ...USUAL_SWITCHING,
  chords: '',
  editGesture: '',
  saving,
  ports: [dinOut],
  spot: null,
  ...fields,
})

/** A receiver with DIN in and thru. */
export const makeDevice = (
  id: string,
  channel: Device['channel'] | number,
  fields: Partial<Device> = {},
): Device => ({
  id: id as Device['id'],
  order: 1,
  name: id,
  kind: 'receiver',
  channel: typeof channel === 'number' ? requireChannel(channel) : channel,
  factoryChannel: 'omni',
  isChannelFixed: false,
  sharesChannel: false,
  numbering: {
    style: 'plain',
    first: 1,
    digits: 1,
    count: 128,
    bankSelect: 'none',
    programsPerBank: 128,
  },
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
  deafMs: 0,
  whileDeaf: 'loses',
  gap: { heard: 'none', ms: 0 },
  powerOn: null,
  saving,
  ports: [dinIn, dinThru],
  spot: null,
  ...fields,
})

/** "controller.out" or "echo.in": a box and one of its jacks. */
export function makeEnd(text: string): CableEnd {
  const [id = '', port = ''] = text.split('.')
  return { table: id.startsWith('controller') ? 'controllers' : 'devices', id, port }
}

let laid = 0
export const makeCable = (from: string, to: string, fields: Partial<Cable> = {}): Cable => ({
  id: `${from}-${to}`.replaceAll('.', '_') as Cable['id'],
  order: laid++,
  from: makeEnd(from),
  to: makeEnd(to),
  lead: 'din3',
  adapters: [],
  centimetres: 60,
  colour: '',
  ...fields,
})

export const makePreset = (
  id: string,
  deviceId: string,
  index: number,
  name = '',
  fields: Partial<Preset> = {},
): Preset => ({
  ...BLANK_PRESET,
  id: id as Preset['id'],
  deviceId: deviceId as Device['id'],
  index,
  name,
  ...fields,
})

export const makeBank = (id: string, index: number, name = '', fields: Partial<Bank> = {}): Bank => ({
  ...BLANK_BANK,
  id: id as Bank['id'],
  controllerId: 'controller' as Controller['id'],
  index,
  name,
  ...fields,
})

export const makeMacro = (id: string, actions: readonly Action[], fields: Partial<Macro> = {}): Macro => ({
  id: id as Macro['id'],
  order: 1,
  name: id,
  actions: [...actions],
  ...fields,
})

/** A CC from 0 to 100 %. */
export const makeControl = (
  id: string,
  deviceId: string,
  number: number,
  fields: Partial<Control> = {},
): Control => ({
  id: id as Control['id'],
  deviceId: deviceId as Device['id'],
  order: number,
  name: id,
  section: '',
  address: { kind: 'cc', number: number as never },
  reading: { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
  kind: 'fixed',
  map: 'device',
  division: null,
  source: 'maker',
  note: '',
  origin: '',
  ...fields,
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
  ...BLANK_SWITCH,
  positions,
  ...fields,
})

export const makeSound = (
  id: string,
  cells: { readonly [deviceId: string]: Cell },
  fields: Partial<Sound> = {},
): Sound => ({
  ...BLANK_SOUND,
  id: id as Sound['id'],
  order: 1,
  name: id,
  cells: Object.entries(cells).map(([deviceId, cell]) => ({ deviceId: deviceId as Device['id'], cell })),
  ...fields,
})

export const recallSound = (id: string): Action => ({ kind: 'recallSound', soundId: id as Sound['id'] })

export const makeSong = (id: string, tempo: number | null, fields: Partial<Song> = {}): Song => ({
  id: id as Song['id'],
  order: 1,
  name: id,
  tempo,
  tonight: null,
  countIn: null,
  notes: '',
  ...USUAL_SONG,
  ...fields,
})

export const makePart = (
  songId: string,
  order: number,
  soundId: string | null,
  fields: Partial<Part> = {},
): Part => ({
  id: `${songId}-part-${order}` as Part['id'],
  songId: songId as Song['id'],
  order,
  name: '',
  soundId: soundId as Part['soundId'],
  lasts: null,
  ahead: null,
  tonight: null,
  ...fields,
})

export const makeShow = (id: string, songIds: readonly string[], fields: Partial<Show> = {}): Show => ({
  id: id as Show['id'],
  order: 1,
  name: id,
  songIds: [...songIds] as Show['songIds'],
  ...USUAL_SHOW,
  ...fields,
})

export interface RigRows {
  readonly controllers?: readonly Controller[]
  readonly devices?: readonly Device[]
  readonly presets?: readonly Preset[]
  readonly banks?: readonly Bank[]
  readonly switches?: readonly Footswitch[]
  /** One behind the other, in their order, unless given. */
  readonly cables?: readonly Cable[]
  readonly marks?: readonly Mark[]
  readonly controls?: readonly Control[]
  readonly pairs?: readonly Pair[]
  readonly sounds?: readonly Sound[]
  readonly macros?: readonly Macro[]
  readonly pedals?: readonly Pedal[]
  readonly songs?: readonly Song[]
  readonly parts?: readonly Part[]
  readonly shows?: readonly Show[]
  readonly runs?: readonly Run[]
  readonly nevers?: readonly Never[]
  readonly keyIns?: readonly KeyIn[]
  readonly dumps?: readonly Dump[]
  readonly notes?: readonly Note[]
}

/** From the controller's out to the first receiver, from its thru to the next, and so on. */
function chained(rig: Rig): Cable[] {
  const [controller] = inOrder(rig.controllers)
  const chain = inOrder(rig.devices).filter(({ ports }) => ports.includes(dinIn))
  if (!controller?.ports.includes(dinOut)) return []
  return chain.map(({ id }, n) =>
    makeCable(n === 0 ? `${controller.id}.out` : `${chain[n - 1]!.id}.thru`, `${id}.in`),
  )
}

export function makeRig(rows: RigRows = {}): Rig {
  const byId = <Row extends { readonly id: string }>(list: readonly Row[] = []) =>
    Object.fromEntries(list.map((row) => [row.id, row]))
  const rig: Rig = {
    ...emptyRig('Test rig'),
    controllers: byId(rows.controllers ?? [makeController()]),
    devices: byId(rows.devices),
    presets: byId(rows.presets),
    banks: byId(rows.banks),
    switches: byId(rows.switches),
    marks: byId(rows.marks),
    controls: byId(rows.controls),
    pairs: byId(rows.pairs),
    sounds: byId(rows.sounds),
    macros: byId(rows.macros),
    pedals: byId(rows.pedals),
    songs: byId(rows.songs),
    parts: byId(rows.parts),
    shows: byId(rows.shows),
    runs: byId(rows.runs),
    nevers: byId(rows.nevers),
    keyIns: byId(rows.keyIns),
    dumps: byId(rows.dumps),
    notes: byId(rows.notes),
  }
  return { ...rig, cables: byId(rows.cables ?? chained(rig)) }
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
