import * as z from 'zod'
import { firstNumberSchema, idSchema, nameSchema, orderSchema, u7Schema, type Id } from './scalars'

export type ControllerId = Id<'controller'>

/** A foot controller, with the limits its manual gives. */
export const controllerSchema = z.strictObject({
  id: idSchema<'controller'>(),
  order: orderSchema,
  name: nameSchema,
  /** Rows of footswitches; row 1 is nearest the player and holds the lowest numbers. */
  rows: z.int().min(1).max(6),
  columns: z.int().min(1).max(12),
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
})

export type Controller = Readonly<z.infer<typeof controllerSchema>>

export const switchCount = ({ rows, columns }: Pick<Controller, 'rows' | 'columns'>): number => rows * columns
