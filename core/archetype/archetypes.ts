import type { ControllerArchetype, DeviceArchetype } from './archetype'
import { threeSwitch } from './controllers/threeSwitch'
import { fourSwitch } from './controllers/fourSwitch'
import { sixSwitch } from './controllers/sixSwitch'
import { eightSwitch } from './controllers/eightSwitch'
import { eightSwitchPedal } from './controllers/eightSwitchPedal'
import { tenSwitch } from './controllers/tenSwitch'
import { presetPedal } from './devices/presetPedal'
import { sixPositionPedal } from './devices/sixPositionPedal'
import { multiEffects } from './devices/multiEffects'
import { delay } from './devices/delay'
import { reverb } from './devices/reverb'
import { preamp } from './devices/preamp'
import { relayAmp } from './devices/relayAmp'
import { relayInterface } from './devices/relayInterface'
import { looper } from './devices/looper'
import { pitchPedal } from './devices/pitchPedal'
import { modularEffects } from './devices/modularEffects'
import { instrument } from './devices/instrument'
import { isolatingBox } from './devices/isolatingBox'
import { mixer } from './devices/mixer'
import { amp } from './devices/amp'
import { plainPedal } from './devices/plainPedal'
import { tapPedal } from './devices/tapPedal'
import { expressionPedal } from './devices/expressionPedal'
import { toePedal } from './devices/toePedal'
import { dualFootswitch } from './devices/dualFootswitch'
import { computer } from './devices/computer'
import { thruBox } from './devices/thruBox'
import { mergeBox } from './devices/mergeBox'
import { trsHub } from './devices/trsHub'
import { usbHostBox } from './devices/usbHostBox'
import { wirelessAdapter } from './devices/wirelessAdapter'
import { powerSupply } from './devices/powerSupply'

/** Every kind of controller to start from, the smallest first. A new one is a file and a line here. */
export const CONTROLLERS: readonly ControllerArchetype[] = [
  threeSwitch,
  fourSwitch,
  sixSwitch,
  eightSwitch,
  eightSwitchPedal,
  tenSwitch,
]

/** Every kind of device to start from: those that answer to MIDI, those that do not, what moves and what passes on. */
export const DEVICES: readonly DeviceArchetype[] = [
  presetPedal,
  sixPositionPedal,
  multiEffects,
  delay,
  reverb,
  preamp,
  relayAmp,
  relayInterface,
  looper,
  pitchPedal,
  modularEffects,
  instrument,
  amp,
  mixer,
  isolatingBox,
  plainPedal,
  tapPedal,
  expressionPedal,
  toePedal,
  dualFootswitch,
  computer,
  thruBox,
  mergeBox,
  trsHub,
  usbHostBox,
  wirelessAdapter,
  powerSupply,
]
