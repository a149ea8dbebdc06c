/** What `pedal` hands out: nothing outside passes this door (tests do). */
export { calibrated } from './calibrate/calibrated'
export { GUIDE, GUIDE_MS, guidedFoot } from './calibrate/guidedFoot'
export { readSweeps, type CalibrationRead, type CalibrationWhy } from './calibrate/readSweeps'
export {
  SIMULATED_PEDALS,
  simulatedPedal,
  type SimulatedKind,
  type SimulatedPedal,
} from './calibrate/simulatedPedal'
export { crossFade } from './crossFade'
export { addPoint, movePoint, pointsAlong, removePoint, splitWidest } from './curvePoints'
export { DELAYS_TO_MS, proposedDelay, tryDelay, tryDelays, type DelayTried } from './delays'
export {
  footJacks,
  inputPlan,
  plugAndRead,
  type Arrangement,
  type JackCost,
  type PlannedJack,
  type RefusedJack,
} from './inputs'
export { reversalLeap, reversed, roleLeaps } from './leaps'
export { liveRole } from './live'
export {
  BLANK_ROLE,
  addPedal,
  editPedal,
  editRole,
  editTarget,
  freeNumber,
  narrowedAt,
  newTarget,
  sweepPlaces,
  type SweepPlace,
} from './pedalEdits'
export {
  needsCalibration,
  noFoot,
  pedalController,
  pedalDevice,
  pluggedKey,
  pluggedPedal,
  toePlace,
  type NoFoot,
} from './plugged'
export { FRESH_WATCH, watchMove, watchToe, type Watch } from './restWatch'
export { isMeant, offsOf, restsOf, type Ridden, type Stretch } from './ride'
export { SHIPPED_RIDES, type ShippedRide } from './shippedRides'
export { suggestedRange, sweepCaution, targetKind, type SweepCaution, type TargetKind } from './suggest'
export { STEPS, arrivesAt, fullEnds, highestSent, isNarrowedTwice, narrowing, playsAt, sentAt } from './sweep'
export { rangeKeptAt, rangeOf, withRange } from './targetRange'
