/** What `looper` hands out: nothing outside passes this door (tests do). */
export { LOOP_CHARTS, LOOP_KINDS, loopKindOf, type LoopKind } from './kinds'
export {
  EMPTY_LOOP,
  canHold,
  loopDown,
  loopHeld,
  loopLength,
  loopUp,
  type LoopNow,
  type Take,
} from './machine'
export { inputOf, wayOf, type LoopWay, type LoopWish } from './ways'
