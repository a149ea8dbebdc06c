import * as z from 'zod'
import { idSchema, nameSchema, type Id } from './scalars'

export type AboutId = Id<'about'>

/** The one row every rig has: what it is called. */
export const aboutSchema = z.strictObject({
  id: idSchema<'about'>(),
  name: nameSchema,
})

export type About = Readonly<z.infer<typeof aboutSchema>>

export const ABOUT_ID = 'about' as AboutId
