import type { Controller, Keying } from '#core/rig'
import { walk } from './manners/walk'

/** How a controller is keyed in: as its row says, else in the commonest manner. */
export const keyingOf = ({ keying }: Pick<Controller, 'keying'>): Keying => keying ?? walk
