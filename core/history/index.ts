/** What `history` hands out: nothing outside passes this door (tests do). */
export { compareRigs, type RigDifference, type SentDifference } from './compareRigs'
export { FACT_LABELS, factsOf, type LogFact } from './facts'
export { goBack, type BackTo } from './goBack'
export { rowDifference, type FieldDifference, type RowDifference, type Shown } from './rowDifferences'
export { revisionsAsked, saveStates, type BoxState } from './saveState'
