import type { ControlAddress } from '#core/rig'

/** One text for each thing that can be sent: two controls with one of them are told apart by nothing. */
export const addressKey = (address: ControlAddress): string =>
  address.kind === 'cc' ? `cc/${address.number}` : `nrpn/${address.parameter}`
