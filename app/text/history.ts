import type { FieldDifference, RowDifference, SentDifference, Shown } from '#core/history'
import type { EditLabel, TableName } from '#core/rig'
import { EDIT_TEXT } from './edits'
import { hexText } from './keyIn'
import { dateText, dayText } from '#shared/words/times'

/** What a row of a table is called, one of it. */
const ROW_TEXT: Record<TableName, string> = {
  about: 'The rig',
  controllers: 'Controller',
  devices: 'Device',
  controls: 'Control',
  presets: 'Preset',
  pairs: 'Learned pair',
  sounds: 'Sound',
  macros: 'List of actions',
  songs: 'Song',
  parts: 'Part',
  shows: 'Show',
  banks: 'Bank',
  switches: 'Switch',
  pedals: 'Pedal',
  cables: 'Cable',
  marks: 'Tick',
  runs: 'Run',
  rides: 'Ride',
  practices: 'Practice',
  nevers: 'Check of your own',
  keyIns: 'Place in the controller',
  dumps: 'Dump',
  notes: 'Logbook line',
}

/** What fields are called; most are of several tables. */
const FIELD_TEXT: { readonly [field: string]: string } = {
  name: 'name',
  order: 'order',
  unsaid: 'what sounds leave unsaid',
  school: 'how sounds are made',
  showId: 'show that is on',
  player: 'player',
  rows: 'rows of switches',
  columns: 'switches in a row',
  keepsSwitches: 'switches it keeps to itself',
  bankCount: 'banks',
  firstBank: 'first bank',
  messagesPerEvent: 'messages on a switch',
  labelLength: 'letters of a label',
  firstPreset: 'first preset',
  highestProgram: 'highest program',
  sendsBankSelect: 'sends bank select',
  events: 'presses it knows',
  pressWithLong: 'press beside a long press',
  colours: 'colours of lamps',
  sendsClock: 'sends clock',
  followsClock: 'follows clock',
  tapForgetsMs: 'tap is forgotten after, ms',
  waitMs: 'wait between messages, ms',
  runningStatus: 'running status',
  separateOutputs: 'outputs apart',
  builtInPedals: 'pedals built in',
  home: 'home bank',
  onPower: 'at power-on',
  entersAtPower: 'enters its bank at power-on',
  longMs: 'long press after, ms',
  doubleMs: 'double press within, ms',
  onBank: 'on a bank change',
  hasShift: 'shift layer',
  thinsPedals: 'leaves pedal values out',
  macros: 'lists it keeps',
  keepsShow: 'keeps the show',
  combos: 'combinations it keeps',
  columnMm: 'mm between switches',
  rowMm: 'mm between rows',
  keeps: 'what it keeps',
  chords: 'two switches at once',
  editGesture: 'what opens its editor',
  keying: 'front panel',
  saving: 'how it saves',
  ports: 'jacks',
  spot: 'place on the map',
  kind: 'kind',
  channel: 'channel',
  factoryChannel: 'channel from the factory',
  isChannelFixed: 'channel is fixed',
  sharesChannel: 'shares its channel',
  numbering: 'numbering',
  receivesPrograms: 'receives program changes',
  sendsProgramsBack: 'sends program changes back',
  givesClock: 'gives clock',
  clockHarms: 'misbehaves on clock',
  tapIn: 'taps it takes',
  looper: 'looper',
  relays: 'contacts',
  bypass: 'bypass',
  rest: 'rest',
  deafMs: 'deaf after a recall, ms',
  whileDeaf: 'what comes while deaf',
  gap: 'gap at a recall',
  powerOn: 'preset at power-on',
  dumping: 'what its dumps look like',
  deviceId: 'device',
  section: 'section',
  address: 'number it is sent as',
  reading: 'how its value reads',
  map: 'where its number is kept',
  division: 'division',
  source: 'where it is from',
  note: 'note',
  origin: 'copied from',
  index: 'number',
  purpose: 'purpose',
  notes: 'notes',
  level: 'level',
  recalls: 'what it recalls',
  entered: 'numbers entered in it',
  lacks: 'what it lacks',
  closes: 'contacts it closes',
  by: 'switched by',
  a: 'state A',
  b: 'state B',
  isLocked: 'locked',
  losesAll: 'loses all',
  learned: 'what was learned',
  parentId: 'variant of',
  colour: 'colour',
  tempo: 'tempo',
  cells: 'what devices should be',
  sending: 'order of sending',
  actions: 'actions',
  tonight: 'tonight',
  countIn: 'beats before',
  key: 'key',
  beatsPerBar: 'beats in a bar',
  songId: 'song',
  soundId: 'sound',
  lasts: 'how long it lasts',
  ahead: 'rest before it',
  songIds: 'songs in order',
  stepsOn: 'how it steps on',
  controllerId: 'controller',
  pageOf: 'page of',
  enter: 'on coming to it',
  leave: 'on leaving it',
  bankId: 'bank',
  number: 'number',
  jack: 'jack',
  layer: 'layer',
  everywhere: 'in every bank',
  label: 'label',
  positions: 'what presses do',
  release: 'what letting go does',
  longPress: 'what a long press does',
  doublePress: 'what a double press does',
  group: 'group',
  lamps: 'lamps',
  isPinned: 'stays in its place',
  place: 'place',
  roles: 'roles',
  takeover: 'how it takes over',
  everyMs: 'least time between values, ms',
  calibration: 'calibration',
  off: 'automatic bypass',
  from: 'from',
  to: 'to',
  lead: 'cable',
  adapters: 'adapters',
  centimetres: 'length, cm',
  line: 'line',
  said: 'what it said',
  revision: 'revision',
  at: 'time',
  steps: 'steps',
  length: 'length',
  seen: 'what was seen',
  on: 'day',
  moves: 'moves',
  toes: 'toe switch',
  meant: 'rests that were meant',
  calls: 'calls',
  misses: 'misses',
  wrongSteps: 'wrong steps',
  found: 'found',
  foundMs: 'time to find, ms',
  pairs: 'changes that failed',
  things: 'what must not be so',
  content: 'what it holds',
  how: 'how it is known',
  of: 'device then',
  messages: 'bytes',
  about: 'what it is about',
  text: 'text',
  fact: 'what it is',
}

export const fieldText = (field: string): string => FIELD_TEXT[field] ?? field

const isOther = (value: Shown): value is { readonly kind: 'other' } =>
  typeof value === 'object' && value !== null

function valueText(field: string, value: Shown): string {
  if (value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  // Ids mean nothing to a player.
  if (isOther(value) || /Id$|^id$|^home$|^pageOf$/.test(field)) return ''
  if (typeof value === 'number') return String(value)
  return field === 'at' ? dayText(value) : `“${value}”`
}

/** "channel from 3 to 4", "label “Verse”", "jacks". */
function differenceText({ field, before, after, parts }: FieldDifference): string {
  if (parts.length > 0)
    return parts
      .map((one) => `${one.name} from ${one.before ?? 'nothing'} to ${one.after ?? 'nothing'}`)
      .join(', ')
  const [was, is] = [valueText(field, before), valueText(field, after)]
  const name = fieldText(field)
  return was === '' || is === '' ? name : `${name} from ${was} to ${is}`
}

/** "Device Tape echo: channel from 3 to 4", "New bank: Verses". */
export function rowText({ table, name, kind, fields }: RowDifference): string {
  const noun = ROW_TEXT[table]
  const shown = table === 'practices' ? dateText(name) : name
  if (kind !== 'changed') {
    const who = [noun.charAt(0).toLowerCase() + noun.slice(1), shown].filter(Boolean).join(': ')
    return `${kind === 'made' ? 'New' : 'Removed'} ${who}`
  }
  const told = fields.filter(({ field }) => field !== 'order' || fields.length === 1).map(differenceText)
  return `${[noun, shown].filter(Boolean).join(' ')}: ${told.join('; ')}`
}

/** The first rows of an edit, and how many more: many of one kind are counted. */
export function rowsText(rows: readonly RowDifference[], more: number): string {
  const all = rows.length + more
  const [first] = rows
  if (!first) return all === 0 ? '' : `${all} things`
  if (all > 3 && rows.every(({ table, kind }) => table === first.table && kind === first.kind))
    return `${ROW_TEXT[first.table]}, ${all} times: ${first.kind === 'made' ? 'new' : first.kind}`
  return [...rows.slice(0, 2).map(rowText), ...(all > 2 ? [`and ${all - 2} more`] : [])].join('. ')
}

/** Rows of which a player tells one from another only where they stand: many of a kind are counted. */
const COUNTED: readonly TableName[] = ['keyIns', 'marks', 'practices']

/** A line for each row, and one for many of a kind. */
export function rowLines(rows: readonly RowDifference[]): { readonly key: string; readonly text: string }[] {
  const groups = new Map<string, RowDifference[]>()
  for (const row of rows) {
    const key = COUNTED.includes(row.table)
      ? `${row.table}/${row.kind}`
      : `${row.table}/${row.kind}/${row.id}`
    groups.set(key, [...(groups.get(key) ?? []), row])
  }
  return [...groups].flatMap(([key, some]) =>
    some.length > 3
      ? [{ key, text: rowsText(some, 0) }]
      : some.map((row) => ({ key: `${key}/${row.id}`, text: rowText(row) })),
  )
}

/** "Change channel": what was done, begun with a capital. */
export const labelText = (label: EditLabel): string => {
  const text = EDIT_TEXT[label]
  return text.charAt(0).toUpperCase() + text.slice(1)
}

const EVENT_TEXT: Record<SentDifference['event'], string> = {
  press: 'pressed',
  release: 'let go',
  longPress: 'held',
  doublePress: 'twice',
}

/** "Bank 2, switch 3 “Chorus”, pressed". */
export function stepPlaceText({ bank, layer, jack, number, label, event, position }: SentDifference): string {
  const parts = [
    `Bank ${bank}`,
    `${jack === '' ? 'switch' : jack} ${number}${layer === 'shift' ? ', shift' : ''}${label ? ` “${label}”` : ''}`,
    position > 0 ? `press ${position + 1}` : EVENT_TEXT[event],
  ]
  return parts.join(', ')
}

/** A line of what is sent: a message in words, or what it says already. */
export function sentLineText(line: string): string {
  return /^[0-9A-F]{2}( |$)/.test(line) ? hexText(line) : line
}
