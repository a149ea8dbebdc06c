import { CONTROLLER, type MidiMessage } from '#core/midi'

/** Whether a device that loads and keeps nothing loses a message: a control is lost, the next recall (bank select and program change) still heard. */
export const isLostWhileLoading = (message: MidiMessage): boolean =>
  message.kind === 'control' &&
  message.controller !== CONTROLLER.bankSelectMsb &&
  message.controller !== CONTROLLER.bankSelectLsb
