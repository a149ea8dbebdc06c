/** What `sound` hands out: nothing outside passes this door (tests do). */
export { HEADROOM, between, deviceBetween, type Between, type DeviceBetween } from './between'
export type { ContactSet } from './blocks'
export {
  cellChoices,
  formatCell,
  parseCell,
  presetText,
  setText,
  type CellRefusal,
  type TypedCell,
} from './cellText'
export { reachedBy, soundDevices, spokenCells } from './cells'
export { moveSound } from './edits/moveSound'
export { pasteCells, type PasteFault } from './edits/pasteCells'
export { detachSound, removeSounds } from './edits/removeSounds'
export { setCells, type CellWrite, type NewIds } from './edits/setCells'
export { presetsFromSound, setSwitchSound, soundFromSwitch } from './edits/switchSound'
export { leavesAsFound, leftoverText, mayBeLeft, seen, type Leftover } from './leftover'
export { soundMatrix, type Matrix } from './matrix'
export { orderJobs, readyInOrder, type Job } from './order'
export { mayStay, presetOrParameter, type PresetOrParameter } from './presetOrParameter'
export { sendWants } from './sendWants'
export { sendingOf } from './sending'
export { shortNames } from './shortNames'
export { switchName } from './switchName'
export { isOffBeat, timeInSounds, timesInSounds } from './timeInSounds'
export { useCount, usedBy, type Use, type UsedTable } from './usedBy'
export { WANT_TABLES, canBeSet, wantOf, wantsOf, type Be, type Doubt, type Want } from './want'
