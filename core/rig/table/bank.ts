import * as z from 'zod/mini'
import { actionsSchema } from './action'
import { idSchema, optionalNameSchema, type Id } from './scalars'

/** Names a bank for ever. */
export type BankId = Id<'bank'>

/** A bank (page) of a controller. */
export const bankSchema = z.strictObject({
  id: idSchema<'bank'>(),
  controllerId: idSchema<'controller'>(),
  /** Which one, counted from 0; the controller's `firstBank` says how that is shown. */
  index: z.int().check(z.gte(0), z.lte(999)),
  name: optionalNameSchema,
  colour: z._default(optionalNameSchema, ''),
  /** The bank it is a further page of; null when it is none. */
  pageOf: z._default(z.nullable(idSchema<'bank'>()), null),
  /** The song played in it, whose tempo it takes up; null when it is for any. */
  songId: z._default(z.nullable(idSchema<'song'>()), null),
  /** Done when the foot comes to it, and when it leaves. */
  enter: z._default(actionsSchema, []),
  leave: z._default(actionsSchema, []),
})

/** A bank (page) of a controller; `index` counts from 0. */
export type Bank = Readonly<z.infer<typeof bankSchema>>

/** What a bank is as long as nothing but its place is known. */
export const BLANK_BANK: Omit<Bank, 'id' | 'controllerId' | 'index'> = {
  name: '',
  colour: '',
  pageOf: null,
  songId: null,
  enter: [],
  leave: [],
}
