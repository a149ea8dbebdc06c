import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** What a looper can be asked to do; the one-button function is what its footswitch does in turn. */
export const LOOPER_FUNCTIONS = [
  'oneButton',
  'record',
  'play',
  'overdub',
  'stop',
  'undo',
  'redo',
  'clear',
  'reverse',
  'halfSpeed',
] as const

/** A function of a looper. */
export const looperSchema = z.strictObject({
  kind: z.literal('looper'),
  controlId: idSchema<'control'>(),
  does: z.literal(LOOPER_FUNCTIONS),
})

export const looper: ActionRow<z.infer<typeof looperSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
