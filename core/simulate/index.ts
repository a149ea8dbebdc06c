/** What `simulate` hands out: nothing outside passes this door (tests do). */
export { isTimeless, stepCalmly } from './calmly'
export { chartOf, readAt } from './chartIndex'
export { DEVICE_AT_POWER_ON, mayChange } from './device'
export {
  deviceState,
  firstBank,
  floorAtPowerOn,
  joined,
  nextDue,
  type FloorInput,
  type FloorState,
  type Gesture,
  type StepResult,
  type WireEntry,
} from './floor'
export { floorCells } from './floorCells'
export { isSeenPlainly, jackPlaces } from './footswitch'
export {
  changesOver,
  claimDevice,
  isDark,
  isDoneOtherwise,
  isSilentOn,
  lampTruth,
  truth,
  type LampTruth,
} from './lampTruth'
export { listeners } from './listeners'
export {
  LOOP_FEET,
  canRun,
  canStop,
  isSilent,
  loopPlaces,
  loopSwitches,
  type LoopFootKind,
  type LoopOutcome,
  type LoopSwitch,
} from './loopMoves'
export { FloorMinute, KEPT } from './minute'
export { PEDAL_AT_FIRST, type PedalNow } from './pedalNow'
export { pedalPlan, roleNow } from './pedalPlan'
export { PLAN_KEYS, bankPlan, planSteps, switchPlan, type Op, type SwitchPlan } from './plan'
export { reconcile } from './reconcile'
export { playSteps, runInput, seenIn, type DeviceEnd, type Feet } from './run'
export { runDifferences, type RunDifference } from './runDifferences'
export { advance, settle, startFloor, step, sweepPedal } from './step'
export { holdsUp, pauseFor, sweepLoad } from './sweepLoad'
export { FloorTrail, type Cause } from './trail'
