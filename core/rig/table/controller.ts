import * as z from 'zod'
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

export type ControllerId = Id<'controller'>

const eventSchema = z.literal(['press', 'release', 'longPress', 'doublePress'])

/** What a controller can tell apart on one switch. */
export type ControllerEvent = z.infer<typeof eventSchema>

/** A foot controller, with the limits its manual gives. */
export const controllerSchema = z.strictObject({
  id: idSchema<'controller'>(),
  order: orderSchema,
  name: nameSchema,
  /** Rows of footswitches; row 1 is nearest the player and holds the lowest numbers. */
  rows: z.int().min(1).max(6),
  columns: z.int().min(1).max(12),
  /** How many of its switches it keeps for itself, for turning banks say. */
  keepsSwitches: z.int().min(0).max(12),
  bankCount: z.int().min(1).max(1000),
  /** The number it shows for its first bank. */
  firstBank: firstNumberSchema,
  /** How many messages one event of one switch may send. */
  messagesPerEvent: z.int().min(1).max(128),
  /** Characters its display gives a switch name; null when it has no display. */
  labelLength: z.int().min(1).max(60).nullable(),
  /** The number it shows for program 0. */
  firstPreset: firstNumberSchema,
  /** The highest program number it can send, 0-127: some lists stop early. */
  highestProgram: u7Schema,
  /** Whether it can send bank select before a program change. */
  sendsBankSelect: z.boolean(),
  events: z.array(eventSchema).max(4),
  /** When the plain press fires on a switch that has a long press: waiting for the release makes it late. */
  pressWithLong: z.literal(['press', 'release']),
  /** Lamp colours; 0 for none. */
  colours: z.int().min(0).max(64),
  sendsClock: z.boolean(),
  /** The longest pause it can make between two messages of one event, in ms; 0 when it cannot wait. */
  waitMs: z.int().min(0).max(5000).default(0),
  /** Leaves out a status byte that is the same as the one before. */
  runningStatus: z.boolean().default(false),
  /** Each MIDI output has 16 channels of its own, and a message goes out of one of them. */
  separateOutputs: z.boolean(),
  /** Expression pedals built into it. */
  builtInPedals: z.int().min(0).max(4),
  /** Chords of switches it keeps for itself, and the gesture that opens editing; as its manual says. */
  chords: textSchema(120),
  editGesture: textSchema(120),
  saving: savingSchema,
  ports: portsSchema,
  spot: spotSchema,
})

export type Controller = Readonly<z.infer<typeof controllerSchema>>

export const switchCount = ({ rows, columns }: Pick<Controller, 'rows' | 'columns'>): number => rows * columns
