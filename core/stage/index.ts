/** What `stage` hands out: nothing outside passes this door (tests do). */
export { showAfter, stageNow, stageNowSchema, type StageNow } from './stageNow'
export { stageView, type StageView } from './stageView'
