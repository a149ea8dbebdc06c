import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A named state of a device: one of the names of a control, or the next or previous of them. */
export const sceneSchema = z.strictObject({
  kind: z.literal('scene'),
  controlId: idSchema<'control'>(),
  move: z.literal(['to', 'next', 'previous']),
  /** The value of the name, for `to`. */
  value: z.int().check(z.gte(0), z.lte(U14_MAX)),
})

export const scene: ActionRow<z.infer<typeof sceneSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
