import { type Channel, requireIntegerBetween, splitU14, type U14, type U7 } from '#core/base'
import { CONTROLLER, controlChange, type ChannelMessage } from '#core/midi'
import { highestValue, type ControlAddress } from '../table/control'

/**
 * What sets a control to a value. NRPN: CC 99, CC 98, CC 6, CC 38 when the value has both halves, and the
 * null parameter behind it when asked for (M1 v4.2.1, "Registered and Non-Registered Parameter Numbers";
 * from memory). Throws RangeError when the value is not from 0 to the control's highest.
 */
export function controlMessages(address: ControlAddress, channel: Channel, value: number): ChannelMessage[] {
  requireIntegerBetween('A control value', value, 0, highestValue(address))
  if (address.kind === 'cc') return [controlChange(channel, address.number, value as U7)]
  const parameter = splitU14(address.parameter)
  const { msb, lsb } = address.value === 'both' ? splitU14(value as U14) : { msb: value as U7, lsb: null }
  const nothing = 127 as U7
  return [
    controlChange(channel, CONTROLLER.nrpnMsb, parameter.msb),
    controlChange(channel, CONTROLLER.nrpnLsb, parameter.lsb),
    controlChange(channel, CONTROLLER.dataEntryMsb, msb),
    ...(lsb === null ? [] : [controlChange(channel, CONTROLLER.dataEntryLsb, lsb)]),
    ...(address.nullAfter
      ? [
          controlChange(channel, CONTROLLER.nrpnMsb, nothing),
          controlChange(channel, CONTROLLER.nrpnLsb, nothing),
        ]
      : []),
  ]
}
