import type { Cable } from '#core/rig'

/** The cable with the tip and ring swap put in, or taken out when it is there. */
export const toggleCross = ({ adapters }: Cable): Pick<Cable, 'adapters'> => ({
  adapters: adapters.includes('cross') ? adapters.filter((one) => one !== 'cross') : [...adapters, 'cross'],
})
