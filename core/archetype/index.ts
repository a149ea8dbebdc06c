/** What `archetype` hands out: nothing outside passes this door (tests do). */
export { addController, addDevice, duplicateDevice } from './addBox'
export { usualDevice, type ControllerArchetype, type DeviceArchetype } from './archetype'
export { CONTROLLERS, DEVICES } from './archetypes'
export { powerSupply } from './devices/powerSupply'
export { thruBox } from './devices/thruBox'
export { trsHub } from './devices/trsHub'
export { usbHostBox } from './devices/usbHostBox'
