import { own } from '#core/base'
import {
  addRow,
  BLANK_BANK,
  editRow,
  putSwitch,
  switchAt,
  type BankId,
  type Edit,
  type Footswitch,
  type ListPlace,
  type MacroId,
  type PresetId,
  type Rig,
  type SwitchId,
  type DeviceId,
  type SongId,
} from '#core/rig'
import {
  addReading,
  doingFirst,
  readPhrase,
  type SwitchEvent,
  plannedLoop,
  planLooper,
} from '#core/switching'

/**
 * The demo's further banks and switches, as a player would type them: what stands behind a gesture is typed into its
 * field, phrase by phrase.
 */

type Bank = readonly [
  id: string,
  name: string,
  fields?: Partial<typeof BLANK_BANK>,
  enter?: readonly string[],
  leave?: readonly string[],
]

const song = (id: string) => id as SongId

const BANKS: readonly Bank[] = [
  ['storm', 'Storm', { colour: 'Red', songId: song('storm') }, ['tap out tremolo']],
  [
    'storm2',
    'Storm, after',
    { colour: 'Red', pageOf: 'storm' as BankId, songId: song('storm') },
    [],
    ['stop switch on loop', 'stop switch off loop'],
  ],
  ['entracte', "Entr'acte", { colour: 'Green', songId: song('walk') }, ['tap out tremolo']],
  ['finale', 'Finale', { colour: 'Amber', songId: song('end') }, ['tap out tremolo']],
  ['repairs', 'Repairs', { colour: 'White' }],
  // For the numbers without a bank of their own: any sound, directly.
  ['any', 'Any sound', { colour: 'White' }],
  ['more', 'More sounds', { colour: 'White', pageOf: 'any' as BankId }],
]

/** Positions one after the other; then what the other gestures do. */
interface Line {
  readonly at: readonly [bank: string, number: number, layer?: 'shift' | 'base', jack?: string]
  readonly label?: string
  readonly press?: readonly (readonly string[])[]
  readonly release?: readonly string[]
  readonly longPress?: readonly string[]
  readonly doublePress?: readonly string[]
  readonly more?: Partial<Footswitch>
}

const everywhere = { everywhere: true }
const group = (name: string) => ({ group: name })

const SWITCHES: readonly Line[] = [
  // Under the left foot in every bank: on, to the shift layer, home.
  {
    at: ['menders', 5],
    label: 'On',
    press: [['next bank']],
    longPress: ['shift'],
    doublePress: ['home'],
    more: everywhere,
  },
  { at: ['menders', 1, 'shift'], press: [['verse, dry']] },
  { at: ['menders', 2, 'shift'], press: [['verse, pushed']] },
  {
    at: ['menders', 3, 'shift'],
    label: 'Tuner',
    press: [['mute and tuner']],
    more: { ...everywhere, lamps: [{ colour: 'Blue', light: 'flash' }] },
  },
  { at: ['menders', 6, 'shift'], label: 'Octave, held', press: [['hold octaver']], more: everywhere },
  { at: ['menders', 7, 'shift'], label: 'All off', press: [['everything off']], more: everywhere },
  { at: ['menders', 8, 'shift'], label: 'Resync', press: [['resync']], more: everywhere },
  {
    at: ['menders', 1, 'base', 'foot'],
    label: 'Wah',
    press: [['wah on synth'], ['wah off synth']],
    more: everywhere,
  },
  // Its switch 5 is another here, so the way on stands beside it.
  { at: ['undertow', 4], label: 'On', press: [['next bank']], longPress: ['shift'], doublePress: ['home'] },
  { at: ['undertow', 1, 'shift'], press: [['low tide']] },
  { at: ['undertow', 2, 'shift'], press: [['swell']] },
  { at: ['undertow', 6], press: [['swell, doubled']] },
  { at: ['undertow', 7], press: [['shout, learned']] },
  { at: ['undertow', 8], label: 'Blend', press: [['alternate blend 100 60']] },
  { at: ['storm', 1], press: [['storm solo']], more: group('Storm') },
  { at: ['storm', 2], press: [['storm, an octave down']], more: group('Storm') },
  { at: ['storm', 3], press: [['chorus, drive']], more: group('Storm') },
  { at: ['storm', 4], label: 'Freeze', press: [['freeze']] },
  { at: ['storm', 6], label: 'Scene', press: [['next scene']] },
  {
    at: ['storm', 7],
    label: 'Wow',
    press: [['wow 0'], ['wow 30'], ['wow 70']],
    more: {
      lamps: [
        { colour: '', light: 'off' },
        { colour: 'Amber', light: 'steady' },
        { colour: 'Red', light: 'tempo' },
      ],
    },
  },
  { at: ['storm', 8], label: 'After', press: [['page']] },
  { at: ['storm2', 1], press: [['gale']] },
  { at: ['storm2', 2], press: [['lantern']] },
  { at: ['storm2', 6], label: 'Filter', press: [['sweep filter 0 100 2s']] },
  { at: ['storm2', 7], label: 'Unison', press: [['b6 23 40 synth']] },
  { at: ['storm2', 8], label: 'Storm', press: [['page']] },
  { at: ['entracte', 1], press: [["entr'acte walk"]], more: group('Walk') },
  { at: ['entracte', 2], press: [['pizzicato']], more: group('Walk') },
  { at: ['entracte', 3], press: [['bell buoy sound']], more: group('Walk') },
  { at: ['entracte', 4], label: 'Song tempo', press: [['tempo back']] },
  { at: ['entracte', 6], label: 'Tap', press: [['tap tempo echo']] },
  { at: ['entracte', 7], label: 'Slower', press: [['tempo -1']] },
  { at: ['entracte', 8], label: 'Faster', press: [['tempo +1']] },
  { at: ['finale', 1], press: [['finale']] },
  { at: ['finale', 2], label: 'Bows', press: [['bows']] },
  { at: ['finale', 3], label: 'Hall up', press: [['hall mix up 8']] },
  { at: ['finale', 4], label: 'Back', press: [['back']] },
  { at: ['finale', 6], label: 'Echo on', press: [['next echo preset']] },
  { at: ['finale', 8], press: [['blackout']] },
  { at: ['repairs', 1], label: 'Clock', press: [['clock']] },
  { at: ['repairs', 2], label: 'Octave stab', press: [['octaver pulse 2']] },
  { at: ['repairs', 3], label: 'Amp, drive', press: [['relay drive', 'wait 30', 'hall off']] },
  { at: ['storm', 4, 'shift'], label: 'Buoy bell', press: [['note 60 synth']] },
  { at: ['finale', 7], label: 'Echo loop', press: [['looper record']] },
  { at: ['repairs', 8], label: 'Home', press: [['home']] },
  {
    at: ['menders', 4, 'shift'],
    label: 'Any sound',
    press: [['bank any sound', 'shift off']],
    more: everywhere,
  },
  ...['verse, dry', 'verse, pushed', 'chorus, drive', 'storm solo'].map((sound, n): Line => ({
    at: ['any', n + 1],
    press: [[sound]],
  })),
  { at: ['any', 6], press: [['lantern pad']] },
  { at: ['any', 7], press: [['low tide']] },
  { at: ['any', 8], label: 'More', press: [['page']] },
  ...['swell', 'bell buoy sound', 'pizzicato', 'gale'].map((sound, n): Line => ({
    at: ['more', n + 1],
    press: [[sound]],
  })),
  { at: ['more', 6], press: [['finale']] },
  { at: ['more', 7], press: [['blackout']] },
  { at: ['more', 8], label: 'Any', press: [['page']] },
]

const MACRO = { id: 'bows' as MacroId, name: 'Bows', does: ['finale', 'tempo 140'] }

/** What the controller of the demo knows beyond what its kind does. */
const CONTROLLER_KNOWS = {
  events: ['press', 'release', 'longPress', 'doublePress'],
  hasShift: true,
  keepsShow: true,
  macros: 16,
  waitMs: 50,
  home: 'menders' as BankId,
  keeps: [{ numbers: [2], how: 'longPress', afterMs: 3000, does: 'opens editing', opensEditing: true }],
} as const

type Step = (rig: Rig) => Edit | null

const typedInto =
  (placeAt: (rig: Rig) => ListPlace, phrase: string): Step =>
  (rig) => {
    const place = placeAt(rig)
    const doing =
      place.of === 'switch'
        ? doingFirst(rig, switchAt(rig, place.slot))
        : doingFirst(
            rig,
            switchAt(rig, { bankId: 'menders' as BankId, number: 1, newId: 'none' as SwitchId }),
          )
    const [reading] = readPhrase(rig, phrase, doing)
    if (!reading) throw new RangeError(`The demo's "${phrase}" means nothing`)
    return addReading(rig, place, reading, `preset-${phrase.replaceAll(/[^a-z0-9]/g, '-')}` as PresetId)
  }

const slotOf = ({ at: [bank, number, layer, jack = ''] }: Line) => ({
  bankId: bank as BankId,
  number,
  layer: layer ?? ('base' as const),
  jack,
  newId: `${bank}-${number}${jack}${layer === 'shift' ? '-shift' : ''}` as SwitchId,
})

function switchSteps(line: Line): Step[] {
  const slot = slotOf(line)
  const { label = '', press = [], more = {} } = line
  const positions = press.length > 1 ? press.map(() => []) : [[]]
  const made: Step = (rig) => ({
    label: 'changeSwitch',
    changes: [putSwitch(rig, { ...switchAt(rig, slot), positions, label, ...more })],
  })
  const list = (event: SwitchEvent, position: number, phrases: readonly string[] = []) =>
    phrases.map((phrase) => typedInto(() => ({ of: 'switch', slot, event, position }), phrase))
  return [
    made,
    ...press.flatMap((phrases, position) => list('press', position, phrases)),
    ...list('release', 0, line.release),
    ...list('longPress', 0, line.longPress),
    ...list('doublePress', 0, line.doublePress),
  ]
}

/** What a player does one after the other. */
export const switchStepsOfDemo: readonly Step[] = [
  (rig) =>
    editRow(rig, 'changeController', 'controllers', 'controller', {
      ...CONTROLLER_KNOWS,
      events: [...CONTROLLER_KNOWS.events],
      keeps: CONTROLLER_KNOWS.keeps.map((kept) => ({ ...kept, numbers: [...kept.numbers] })),
    }),
  ...BANKS.map(
    ([id, name, fields], n): Step =>
      () =>
        addRow('addBank', 'banks', {
          ...BLANK_BANK,
          ...fields,
          id: id as BankId,
          controllerId: 'controller' as never,
          index: n + 2,
          name,
        }),
  ),
  ...BANKS.flatMap(([id, , , enter = [], leave = []]) => [
    ...enter.map((phrase) => typedInto(() => ({ of: 'bank', bankId: id as BankId, when: 'enter' }), phrase)),
    ...leave.map((phrase) => typedInto(() => ({ of: 'bank', bankId: id as BankId, when: 'leave' }), phrase)),
  ]),
  () => addRow('addMacro', 'macros', { id: MACRO.id, order: 1, name: MACRO.name, actions: [] }),
  ...MACRO.does.map((phrase) => typedInto(() => ({ of: 'macro', macroId: MACRO.id }), phrase)),
  ...SWITCHES.flatMap(switchSteps),
  // The loop pedal on two switches, as Tempo plans it.
  (rig) => {
    const plan = plannedLoop(rig, 'looper' as DeviceId, own(rig.controllers, 'controller') ?? null, 2)
    if (!plan.ok) throw new RangeError(`The demo's looper cannot be planned: ${plan.refusal.code}`)
    const places = [3, 4].map((number) => ({ number, newId: `storm2-${number}` as SwitchId }))
    return planLooper(rig, 'storm2' as BankId, plan.value, places)
  },
]
