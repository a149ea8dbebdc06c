import { contactIdSchema } from './contactId'
import * as z from 'zod/mini'
import { PURPOSES } from './preset'
import { idSchema, nameSchema, optionalNameSchema, orderSchema, textSchema, type Id } from './scalars'
import { setValuesSchema } from './setValue'

/** Names a sound for ever. */
export type SoundId = Id<'sound'>

/** What one device should be in a sound. */
const cellSchema = z.discriminatedUnion('kind', [
  /** A stored preset, with values over what it recalls. */
  z.strictObject({ kind: z.literal('preset'), presetId: idSchema<'preset'>(), values: setValuesSchema }),
  /** These values, in whatever preset it is. */
  z.strictObject({ kind: z.literal('values'), values: setValuesSchema.check(z.minLength(1)) }),
  /** Switched off in the device's own way. */
  z.strictObject({ kind: z.literal('off') }),
  /** Its default. */
  z.strictObject({ kind: z.literal('rest') }),
  /** As it is: said, not forgotten. */
  z.strictObject({ kind: z.literal('leave') }),
  /** Not by a message: what the foot must do. */
  z.strictObject({ kind: z.literal('foot'), does: textSchema(120) }),
  /** These contacts closed, by their ids, and all others of the device open. */
  z.strictObject({ kind: z.literal('contacts'), closes: z.array(contactIdSchema).check(z.maxLength(16)) }),
  /** One of two learned states. */
  z.strictObject({ kind: z.literal('pair'), pairId: idSchema<'pair'>(), state: z.literal(['a', 'b']) }),
])

/** What a sound says of one device. */
export type Cell = Readonly<z.infer<typeof cellSchema>>
/** The cells of one kind. */
export type CellOf<Kind extends Cell['kind']> = Extract<Cell, { kind: Kind }>

const saidSchema = z.strictObject({ deviceId: idSchema<'device'>(), cell: cellSchema })

/** What a sound says of one device. */
export type Said = Readonly<z.infer<typeof saidSchema>>

/** What is sent to a device in one go: its recall, or the controls behind it. */
const blockSchema = z.strictObject({
  deviceId: idSchema<'device'>(),
  part: z.literal(['recall', 'controls']),
})

/** A block of what is sent for a sound: the recall of a device, or its controls. */
export type BlockName = Readonly<z.infer<typeof blockSchema>>

/** A named moment: what each device should be. A variant names its parent and says only what differs. */
export const soundSchema = z.strictObject({
  id: idSchema<'sound'>(),
  order: orderSchema,
  name: nameSchema,
  parentId: z.nullable(idSchema<'sound'>()),
  purpose: z.literal(PURPOSES),
  notes: textSchema(400),
  colour: optionalNameSchema,
  /** Beats a minute; null when it has none. */
  tempo: z.nullable(z.number().check(z.gte(20), z.lte(400))),
  cells: z.array(saidSchema).check(
    z.maxLength(200),
    z.refine((cells) => new Set(cells.map(({ deviceId }) => deviceId)).size === cells.length, {
      path: ['cells'],
      message: 'two cells of one device',
    }),
  ),
  /** In which order the player wants blocks sent; those not named follow in the tool's order. Empty: all in the tool's. */
  sending: z.array(blockSchema).check(z.maxLength(400)),
})

/** A named moment: what each device should be, cell by cell. */
export type Sound = Readonly<z.infer<typeof soundSchema>>

/** What a sound is as long as nothing but its name is known. */
export const BLANK_SOUND: Omit<Sound, 'id' | 'order' | 'name'> = {
  parentId: null,
  purpose: '',
  notes: '',
  colour: '',
  tempo: null,
  cells: [],
  sending: [],
}
