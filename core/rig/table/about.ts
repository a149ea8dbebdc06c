import * as z from 'zod/mini'
import { playerSchema, USUAL_PLAYER } from './player'
import { idSchema, nameSchema, type Id } from './scalars'

export type AboutId = Id<'about'>

/** How the player makes sounds: advice and findings follow it, none is forced. */
export const SCHOOLS = ['presets', 'songPreset', 'absolute', 'backToRest'] as const

/** One of {@link SCHOOLS}. */
export type School = (typeof SCHOOLS)[number]

/** The one row every rig has: what it is called, and how its sounds are made. */
export const aboutSchema = z.strictObject({
  id: idSchema<'about'>(),
  name: nameSchema,
  /** What a cell of a sound means that nobody filled in: the device is left alone, or goes back to rest. */
  unsaid: z._default(z.literal(['leave', 'rest']), 'leave'),
  school: z._default(z.literal(SCHOOLS), 'absolute'),
  /** The show that is on; null for the first. */
  showId: z._default(z.nullable(idSchema<'show'>()), null),
  player: z._default(playerSchema, USUAL_PLAYER),
})

/** The one row every rig has: what it is called, and how its sounds are made. */
export type About = Readonly<z.infer<typeof aboutSchema>>

/** The id of the one row about the rig. */
export const ABOUT_ID = 'about' as AboutId
