import * as z from 'zod/mini'
import { channelSchema, nameSchema, optionalNameSchema } from './scalars'

/** The socket of a MIDI port. DIN has five pins; TRS MIDI comes in two wirings (RP-054); TRRS carries MIDI and more. */
const plugSchema = z.literal(['din', 'trsA', 'trsB', 'trrs'])

/** The socket of a MIDI port (RP-054). */
export type Plug = z.infer<typeof plugSchema>

/** Whether a MIDI jack puts supply power on its spare pins, takes it from them, or leaves them alone. */
const phantomSchema = z.literal(['none', 'gives', 'takes'])

/**
 * Whether what the box hears leaves by this jack too: always (a hard thru), by a setting that is on or
 * off, or never (an out that carries only the box's own messages).
 */
const passesSchema = z.literal(['always', 'on', 'off', 'never'])

const contact = {
  /** How many contacts: 1 on a TS plug, 2 on tip and ring of a TRS. */
  poles: z.literal([1, 2]),
  /** The contact at rest. */
  rest: z.literal(['open', 'closed']),
  /** Which of tip and ring is number one. */
  first: z.literal(['tip', 'ring']),
  /** What each contact does, number one first: "Channel", "Boost". */
  does: z.array(optionalNameSchema).check(z.maxLength(2)),
}

const wiperSchema = z.literal(['tip', 'ring'])

/** A mono jack has one signal; a stereo one two, on tip and ring or as a pair of jacks. */
const soundSchema = z.literal(['mono', 'stereo'])

const powerSchema = {
  volts: z.number().check(z.gte(1), z.lte(60)),
  current: z.literal(['dc', 'ac']),
  centre: z.literal(['negative', 'positive']),
  /** What it needs, or what it can give, in mA. */
  milliamps: z.int().check(z.gte(0), z.lte(20_000)),
}

/** What a jack can be used as. Most have one role; a shared jack has several, one of them set. */
export const roleSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('midiIn'),
    plug: plugSchema,
    /** Puts the messages of several senders behind one another, so that more than one cable may come in. */
    merges: z.boolean(),
    phantom: phantomSchema,
  }),
  z.strictObject({
    kind: z.literal('midiOut'),
    plug: plugSchema,
    /** A thru hands on at once; an out that passes sends the message again, once it has it whole. */
    isThru: z.boolean(),
    passes: passesSchema,
    /** Channels it keeps back. */
    blocks: z.array(channelSchema).check(z.maxLength(16)),
    /** Whether clock, start, continue and stop leave by it; they do unless said. */
    clock: z.optional(z.literal(['passes', 'kept'])),
    phantom: phantomSchema,
  }),
  z.strictObject({ kind: z.literal('usb'), end: z.literal(['host', 'device']), passes: passesSchema }),
  /** Bluetooth. */
  z.strictObject({ kind: z.literal('air'), passes: passesSchema }),
  z.strictObject({
    kind: z.literal('switchOut'),
    ...contact,
    /** A relay can be set to act either way; a foot's own contact is as it was built. */
    by: z.literal(['relay', 'foot']),
    action: z.literal(['latching', 'momentary']),
  }),
  z.strictObject({
    kind: z.literal('switchIn'),
    ...contact,
    action: z.literal(['latching', 'momentary', 'either']),
  }),
  z.strictObject({ kind: z.literal('expressionOut'), wiper: wiperSchema }),
  z.strictObject({ kind: z.literal('expressionIn'), wiper: wiperSchema }),
  z.strictObject({
    kind: z.literal('audioOut'),
    sound: soundSchema,
    /** The instrument itself, a box's output, the send of a loop, or headphones. */
    use: z.literal(['instrument', 'main', 'send', 'headphones']),
    /** No earth runs through it: a transformer, or a box made for that. */
    isolated: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('audioIn'),
    sound: soundSchema,
    /** A box's input, the return of a loop, or where the sound ends: an amp, a mixer. */
    use: z.literal(['main', 'return', 'amp', 'mixer']),
  }),
  z.strictObject({ kind: z.literal('powerOut'), ...powerSchema }),
  z.strictObject({ kind: z.literal('powerIn'), ...powerSchema }),
])

/** What a jack does when it is set so. */
export type Role = Readonly<z.infer<typeof roleSchema>>
/** What a jack is for. */
export type RoleKind = Role['kind']
/** The roles of one kind. */
export type RoleOf<Kind extends RoleKind> = Extract<Role, { kind: Kind }>

/** A jack of a box. */
export const portSchema = z
  .strictObject({
    /** Unique within its box. */
    id: z.string().check(z.regex(/^[a-zA-Z0-9]{1,20}$/)),
    name: nameSchema,
    roles: z.array(roleSchema).check(z.minLength(1), z.maxLength(4)),
    /** Which role it is set to now, and which it leaves the factory with; from 0. */
    role: z.int().check(z.gte(0), z.lte(3)),
    factoryRole: z.int().check(z.gte(0), z.lte(3)),
  })
  .check(
    z.refine(({ roles, role, factoryRole }) => role < roles.length && factoryRole < roles.length, {
      path: ['role'],
      message: 'no such role',
    }),
  )

/** A jack of a box, with what it can be set to. */
export type Port = Readonly<z.infer<typeof portSchema>>

export const portsSchema = z.array(portSchema).check(
  z.maxLength(40),
  z.refine((ports) => new Set(ports.map(({ id }) => id)).size === ports.length, {
    path: ['jacks'],
    message: 'two jacks with one id',
  }),
)

/** The role a jack is set to. */
export const roleOf = (port: Port): Role => port.roles[port.role]!
