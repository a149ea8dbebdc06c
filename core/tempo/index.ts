/** What `tempo` hands out: nothing outside passes this door (tests do). */
export { CLOCKS_A_QUARTER, clockInterval, clockSeen, clockShare } from './clock'
export { divisionHz, divisionMs, quarterMs } from './divisions'
export { tapsOut, type TapOutRefusal } from './tapOut'
export { TAPS_KEPT, readTaps } from './tapped'
export { addSong, dropTonight, editSong, keepTempo, tempoTonight } from './tempoEdits'
export { keptAt, likelyDivision, offBeatMs, timeUnit, type Kept } from './timed'
