/** What `practice` hands out: nothing outside passes this door (tests do). */
export { callable, nextCall, showCalls } from './calls'
export { judgeStep, wayFromHere, type StepVerdict } from './judge'
export { forgetPractice, isMiss, keepRound, practiceByDay, type CallAnswer } from './round'
export { careOf, pairTally, tallyWith, weakPairs } from './tally'
