/** Fetched when it is first needed: a foot can step before a rig is looked through. */
export { findings as lookThrough } from '#core/check'
