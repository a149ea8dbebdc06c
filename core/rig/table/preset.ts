import { contactIdSchema } from './contactId'
import * as z from 'zod/mini'
import { PRESET_COUNT_MAX } from '../numbering/numbering'
import { idSchema, optionalNameSchema, textSchema, type Id } from './scalars'
import { setValuesSchema } from './setValue'

/** Names a preset for ever. */
export type PresetId = Id<'preset'>

/** What presets are for, so that they can be found by it. */
export const PURPOSES = ['', 'clean', 'crunch', 'drive', 'lead', 'rhythm', 'pad', 'effect', 'blank'] as const

/** One of {@link PURPOSES}. */
export type Purpose = (typeof PURPOSES)[number]

/** A stored sound on a device. */
export const presetSchema = z.strictObject({
  id: idSchema<'preset'>(),
  deviceId: idSchema<'device'>(),
  /** Which one, counted from 0 over the device's whole range; its numbering says how that is shown and sent. */
  index: z.int().check(z.gte(0), z.lte(PRESET_COUNT_MAX - 1)),
  name: optionalNameSchema,
  /** `blank` is the empty one recalled for bypass. */
  purpose: z.literal(PURPOSES),
  notes: textSchema(400),
  /** 0-10 on the player's own scale, for headroom; null when not set. */
  level: z.nullable(z.number().check(z.gte(0), z.lte(10))),
  /** What it recalls, as far as is known. */
  recalls: setValuesSchema,
  /** Controls mapped preset by preset that have been entered in this one, and those whose block it lacks. */
  entered: z.array(idSchema<'control'>()).check(z.maxLength(400)),
  lacks: z.array(idSchema<'control'>()).check(z.maxLength(400)),
  /** On a relay box: the functions whose contact it closes, by their ids. */
  closes: z.array(contactIdSchema).check(z.maxLength(16)),
})

/** A stored sound on a device; `index` counts from 0 over its whole range. */
export type Preset = Readonly<z.infer<typeof presetSchema>>

/** What a preset is as long as nothing but its place is known. */
export const BLANK_PRESET: Omit<Preset, 'id' | 'deviceId' | 'index'> = {
  name: '',
  purpose: '',
  notes: '',
  level: null,
  recalls: [],
  entered: [],
  lacks: [],
  closes: [],
}
