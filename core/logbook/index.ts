/** What `logbook` hands out: nothing outside passes this door (tests do). */
export { firmwareOf } from './firmware'
export { logbookLines, type LogbookLine } from './logbook'
export { addNote, changeNote, removeNote } from './noteEdits'
export { testPlan, type TestLine } from './testPlan'
export { testCount, testResult } from './testResults'
