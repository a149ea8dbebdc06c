import * as z from 'zod/mini'
import { actionsSchema } from './action'
import { keyingSchema } from './keying'
import { portsSchema } from './port'
import { savingSchema } from './saving'
import {
  firstNumberSchema,
  idSchema,
  nameSchema,
  orderSchema,
  spotSchema,
  textSchema,
  u7Schema,
  type Id,
} from './scalars'

/** Names a controller for ever. */
export type ControllerId = Id<'controller'>

/** A gesture the controller keeps for itself on some of its switches. */
const keptSchema = z.strictObject({
  /** The switches, by number; empty for all. */
  numbers: z.array(z.int().check(z.gte(1), z.lte(72))).check(z.maxLength(72)),
  /** `together`: all of them at once. */
  how: z.literal(['press', 'longPress', 'doublePress', 'together']),
  /** How long it must be held for that, in ms; null where holding has no part in it. */
  afterMs: z.nullable(z.int().check(z.gte(100), z.lte(10_000))),
  /** What it does then, as the manual says. */
  does: textSchema(60),
  /** It opens editing: on stage the controller then no longer plays. */
  opensEditing: z.boolean(),
})

/** A gesture the controller keeps for itself on some of its switches. */
export type KeptGesture = Readonly<z.infer<typeof keptSchema>>

/** A list of numbered combinations kept by the controller: one program for each of so many channels. */
const combosSchema = z.strictObject({
  count: z.int().check(z.gte(1), z.lte(1000)),
  /** The number shown for the first. */
  first: firstNumberSchema,
  /** Channels 1 to this have a program in each. */
  channels: z.int().check(z.gte(1), z.lte(16)),
  /** The highest program one can hold, 0-127. */
  highestProgram: u7Schema,
})

const eventSchema = z.literal(['press', 'release', 'longPress', 'doublePress'])

/** What a controller can tell apart on one switch. */
export type ControllerEvent = z.infer<typeof eventSchema>

/** A foot controller, with the limits its manual gives. */
export const controllerSchema = z.strictObject({
  id: idSchema<'controller'>(),
  order: orderSchema,
  name: nameSchema,
  /** Rows of footswitches; row 1 is nearest the player and holds the lowest numbers. */
  rows: z.int().check(z.gte(1), z.lte(6)),
  columns: z.int().check(z.gte(1), z.lte(12)),
  /** How many of its switches it keeps for itself, for turning banks say. */
  keepsSwitches: z.int().check(z.gte(0), z.lte(12)),
  bankCount: z.int().check(z.gte(1), z.lte(1000)),
  /** The number it shows for its first bank. */
  firstBank: firstNumberSchema,
  /** How many messages one event of one switch may send. */
  messagesPerEvent: z.int().check(z.gte(1), z.lte(128)),
  /** Characters its display gives a switch name; null when it has no display. */
  labelLength: z.nullable(z.int().check(z.gte(1), z.lte(60))),
  /** The number it shows for program 0. */
  firstPreset: firstNumberSchema,
  /** The highest program number it can send, 0-127: some lists stop early. */
  highestProgram: u7Schema,
  /** Whether it can send bank select before a program change. */
  sendsBankSelect: z.boolean(),
  events: z.array(eventSchema).check(z.maxLength(4)),
  /** When the plain press fires on a switch that has a long press: waiting for the release makes it late. */
  pressWithLong: z.literal(['press', 'release']),
  /** Lamp colours; 0 for none. */
  colours: z.int().check(z.gte(0), z.lte(64)),
  sendsClock: z.boolean(),
  /** Goes by a clock that comes in, for as long as one does. */
  followsClock: z._default(z.boolean(), false),
  /** A tap this long after the last one, in ms, begins anew (common practice: 2 s). */
  tapForgetsMs: z._default(z.int().check(z.gte(500), z.lte(10_000)), 2000),
  /** The longest pause it can make between two messages of one event, in ms; 0 when it cannot wait. */
  waitMs: z._default(z.int().check(z.gte(0), z.lte(5000)), 0),
  /** Leaves out a status byte that is the same as the one before. */
  runningStatus: z._default(z.boolean(), false),
  /** Each MIDI output has 16 channels of its own, and a message goes out of one of them. */
  separateOutputs: z.boolean(),
  /** Expression pedals built into it. */
  builtInPedals: z.int().check(z.gte(0), z.lte(4)),
  /** The bank it starts in and `home` goes to; null for the first. */
  home: z._default(z.nullable(idSchema<'bank'>()), null),
  /** Done when it is switched on; and whether it then does what its first bank does when the foot comes to it. */
  onPower: z._default(actionsSchema, []),
  entersAtPower: z._default(z.boolean(), false),
  /** A press counts as long after so many ms, and as double within so many (common practice: 500 and 300). */
  longMs: z._default(z.int().check(z.gte(100), z.lte(5000)), 500),
  doubleMs: z._default(z.int().check(z.gte(100), z.lte(1000)), 300),
  /** What coming to a bank does to switches with several positions. */
  onBank: z._default(z.literal(['keeps', 'restarts']), 'keeps'),
  hasShift: z._default(z.boolean(), false),
  /** It can leave out values of a pedal, so that a fast sweep does not fill the wire. */
  thinsPedals: z._default(z.boolean(), true),
  /** How many macros it keeps; 0 when the actions of one are put on each switch. */
  macros: z._default(z.int().check(z.gte(0), z.lte(1000)), 0),
  /** It keeps a list of the show's parts, and a switch can go on in it. */
  keepsShow: z._default(z.boolean(), false),
  combos: z._default(z.nullable(combosSchema), null),
  /** From one switch to the next, in mm, across and from row to row (common practice: 65 and 100). */
  columnMm: z._default(z.int().check(z.gte(20), z.lte(300)), 65),
  rowMm: z._default(z.int().check(z.gte(20), z.lte(300)), 100),
  keeps: z._default(z.array(keptSchema).check(z.maxLength(32)), []),
  /** Chords of switches it keeps for itself, and the gesture that opens editing; as its manual says. */
  chords: textSchema(120),
  editGesture: textSchema(120),
  /** How it is keyed in; null while nobody said, which is taken for the commonest manner. */
  keying: z._default(z.nullable(keyingSchema), null),
  saving: savingSchema,
  ports: portsSchema,
  spot: spotSchema,
})

/** A foot controller, with the limits its manual gives; times in ms. */
export type Controller = Readonly<z.infer<typeof controllerSchema>>

/** What a controller has of fields that came later, as long as nothing is known. */
export const USUAL_SWITCHING = {
  home: null,
  onPower: [],
  entersAtPower: false,
  longMs: 500,
  doubleMs: 300,
  onBank: 'keeps',
  hasShift: false,
  followsClock: false,
  tapForgetsMs: 2000,
  thinsPedals: true,
  macros: 0,
  keepsShow: false,
  combos: null,
  columnMm: 65,
  rowMm: 100,
  keeps: [],
  keying: null,
} satisfies Partial<Controller>

/** How many switches it has in its rows, jacks aside. */
export const switchCount = ({ rows, columns }: Pick<Controller, 'rows' | 'columns'>): number => rows * columns
