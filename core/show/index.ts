/** What `show` hands out: nothing outside passes this door (tests do). */
export { hitsTwo, isInReach, pointOf, restPoint, type Point } from './foot'
export { footMoves, whereKey, type FootMove } from './footMoves'
export { nearestTo, playerOf, routeTo, type FootRoute, type Stand } from './footWay'
export { readShow, type ShowFault } from './readShow'
export {
  boardQuestion,
  findBoard,
  moveOne,
  moveSwitches,
  type BoardMove,
  type BoardPlace,
  type NoBoard,
  type Proposal,
} from './restanding'
export {
  addPart,
  addToShow,
  banksInOrder,
  differsTonight,
  dropShowTonight,
  editPart,
  editShow,
  fillFromSong,
  freeNumbersOf,
  movePart,
  moveSong,
  newShow,
  partTonight,
  pasteShow,
  placeSound,
  removeShow,
  turnOnShow,
} from './showEdits'
export { placeShowStep, placeSongSwitch, showSwitch, stepsToPart } from './showSwitches'
export {
  showController,
  standAtStart,
  travelOf,
  wayTo,
  waysOfShow,
  type PartWay,
  type ShowTravel,
  type Unplayed,
} from './travel'
export { walkShow, type Fault, type Walked, type Wrong } from './walk'
