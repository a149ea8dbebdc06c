/** What `listen` hands out: nothing outside passes this door (tests do). */
export type { HeardFault } from './faults'
export {
  expectedOf,
  gestureKey,
  gesturesOf,
  sentBy,
  type Gesture as FootGesture,
  type HeardMessage,
} from './gestures'
export { hearStep, mayBePedal, type Heard, type HeardStep } from './hearStep'
export { heardHoldings } from './heardHoldings'
export { learnSwitch, nextAsked, type LearnDoubt, type SwitchTakes } from './learn'
export { learnedRig, type LearnedPlace } from './learnRig'
export { standInOf, type StandInBox } from './simulatedController'
export { gesturesThatSend, judgeBoard, type Take as HeardTake, type HeardVerdict } from './verdict'
