import type { Keying } from '#core/rig'
import { digits } from './digits'
import { editor } from './editor'
import { menu } from './menu'
import { slots } from './slots'
import { walk } from './walk'

/** The usual five (common practice), each to be adapted to the box at hand. */
export const USUAL_KEYINGS: { readonly [Manner in Keying['manner']]: Keying } = {
  walk,
  digits,
  menu,
  slots,
  editor,
}
