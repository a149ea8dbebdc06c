import * as z from 'zod/mini'
import { actionsSchema } from './action'
import { idSchema, optionalNameSchema, textSchema, type Id } from './scalars'

/** Names a switch for ever. */
export type SwitchId = Id<'switch'>

/** How a lamp shines: `follow` what the switch did. */
export const LAMP_LIGHTS = ['follow', 'off', 'steady', 'flash', 'tempo'] as const

/** The colour is the controller's own word for it; empty for its usual one. */
const lampSchema = z.strictObject({ colour: optionalNameSchema, light: z.literal(LAMP_LIGHTS) })

/** What a lamp shows at one position, in the controller's own words. */
export type Lamp = Readonly<z.infer<typeof lampSchema>>

/** What a switch does, and what it does while another is held. */
export const LAYERS = ['base', 'shift'] as const
/** One of {@link LAYERS}. */
export type Layer = (typeof LAYERS)[number]

/** What one footswitch does in one bank. */
export const switchSchema = z.strictObject({
  id: idSchema<'switch'>(),
  bankId: idSchema<'bank'>(),
  /** The footswitch, counted from 1 at the left of the near row; on a jack which contact of it. */
  number: z.int().check(z.gte(1), z.lte(72)),
  /** The jack its footswitch is plugged into, or `toe` for the toe switch of a pedal built in; empty for the controller's own. */
  jack: z._default(textSchema(20), ''),
  layer: z._default(z.literal(LAYERS), 'base'),
  /** It stands in every bank that says nothing else of this footswitch. */
  everywhere: z._default(z.boolean(), false),
  label: optionalNameSchema,
  /** Each press does the next position's actions: one position is a recall, two alternate, more cycle. */
  positions: z.array(actionsSchema).check(z.minLength(1), z.maxLength(16)),
  /** Done when the foot comes off: with it the switch is a hold. */
  release: actionsSchema,
  longPress: z._default(actionsSchema, []),
  doublePress: z._default(actionsSchema, []),
  /** Of the switches of one group in a bank only one lamp is on; empty for none. */
  group: z._default(optionalNameSchema, ''),
  /** The lamp in each position; those not said follow what the switch did. */
  lamps: z._default(z.array(lampSchema).check(z.maxLength(16)), []),
  /** Stays where it is whatever board is found to be better. */
  isPinned: z._default(z.boolean(), false),
})

/** `switch` is a reserved word; the row is a footswitch. */
export type Footswitch = Readonly<z.infer<typeof switchSchema>>

/** What a footswitch is as long as nothing but its place is known. */
export const BLANK_SWITCH: Omit<Footswitch, 'id' | 'bankId' | 'number'> = {
  jack: '',
  layer: 'base',
  everywhere: false,
  label: '',
  positions: [[]],
  release: [],
  longPress: [],
  doublePress: [],
  group: '',
  lamps: [],
  isPinned: false,
}

/** Every list of actions of a footswitch, with where it stands in the row. */
export const actionLists = ({
  positions,
  release,
  longPress,
  doublePress,
}: Footswitch): readonly {
  readonly path: readonly (string | number)[]
  readonly actions: Footswitch['release']
}[] => [
  ...positions.map((actions, n) => ({ path: ['positions', n], actions })),
  { path: ['release'], actions: release },
  { path: ['longPress'], actions: longPress },
  { path: ['doublePress'], actions: doublePress },
]

/** Whether any of its lists does anything. */
export const isProgrammed = (footswitch: Footswitch): boolean =>
  actionLists(footswitch).some(({ actions }) => actions.length > 0)
