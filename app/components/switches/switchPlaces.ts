import type { Footswitch } from '#core/rig'

/** One footswitch under the foot, whatever bank: the controller's own, or a contact on one of its jacks. */
export type Place = Pick<Footswitch, 'jack' | 'number'>
