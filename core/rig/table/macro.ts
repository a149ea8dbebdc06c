import * as z from 'zod/mini'
import { actionsSchema } from './action'
import { idSchema, nameSchema, orderSchema, type Id } from './scalars'

/** Names a macro for ever. */
export type MacroId = Id<'macro'>

/** A named list of actions that any number of switches run. It never runs itself, by way of others or not. */
export const macroSchema = z.strictObject({
  id: idSchema<'macro'>(),
  order: orderSchema,
  name: nameSchema,
  actions: actionsSchema,
})

/** A named list of actions that any number of switches run. */
export type Macro = Readonly<z.infer<typeof macroSchema>>
