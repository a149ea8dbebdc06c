import * as z from 'zod'
import { actionsSchema } from './action'
import { idSchema, optionalNameSchema, type Id } from './scalars'

export type BankId = Id<'bank'>

/** A bank (page) of a controller. */
export const bankSchema = z.strictObject({
  id: idSchema<'bank'>(),
  controllerId: idSchema<'controller'>(),
  /** Which one, counted from 0; the controller's `firstBank` says how that is shown. */
  index: z.int().min(0).max(999),
  name: optionalNameSchema,
  colour: optionalNameSchema.default(''),
  /** The bank it is a further page of; null when it is none. */
  pageOf: idSchema<'bank'>().nullable().default(null),
  /** The song played in it, whose tempo it takes up; null when it is for any. */
  songId: idSchema<'song'>().nullable().default(null),
  /** Done when the foot comes to it, and when it leaves. */
  enter: actionsSchema.default([]),
  leave: actionsSchema.default([]),
})

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
