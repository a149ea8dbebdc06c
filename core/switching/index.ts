/** What `switching` hands out: nothing outside passes this door (tests do). */
export {
  actionRecalls,
  actionRows,
  actionSteps,
  actionValues,
  askedBy,
  asksKnown,
  isFree,
  expanded,
  footAfter,
  isAlike,
  isHeld,
  isLitBy,
  isQuiet,
  isVain,
  lampSays,
  leadsOf,
  litBy,
  needOf,
  oneOf,
  onlyFires,
  setsOnly,
  showGo,
  soundsIn,
  startingActions,
  switchRecalls,
  tempoChanger,
  waitOf,
  withValues,
  worked,
  type LampSay,
} from './action'
export { SERIES, type Doing, type Series } from './action/actionDoes'
export { PANEL_LAYER } from './action/layer'
export { canTapOut } from './action/tapOut'
export { PANEL_WHERE } from './action/travel'
export { askedOfBank, askedOfList, askedOfSwitch } from './askedOf'
export { afterList, bankAndSwitch, bankMap, nthOf, pressesBetween } from './bankMap'
export { believedWants } from './believedWants'
export { believed, holds, holdsValue, isOn, type Claim, type Facts } from './claim'
export { clockGivers, clockPlan, type ClockAt, type ClockVerdict } from './clockPlan'
export { combosOf, type Combo } from './combos'
export {
  COMPILE_KEYS,
  COMPILE_TABLES,
  compile,
  doingFirst,
  listSteps,
  messagesAmong,
  mostSteps,
  storedMessages,
  type CompiledStep,
  type SwitchEvent,
} from './compile'
export { controlSends, controlSet, sweepName } from './controlSends'
export { NOTHING_KNOWN, contactKey, learn, type Known, type Learned } from './known'
export { lampNow, type LampNow } from './lamp'
export { planLooper, plannedLoop, type LoopPlanRefusal } from './looperPlan'
export { pairOutcome, type ControllerMode, type PairOutcome } from './modePair'
export { BPM_FROM, messageRow } from './panelRows'
export type { PhraseReading } from './phrase/phrase'
export {
  addReading,
  cannotHold,
  likeliest,
  readPhrase,
  readTurns,
  readingSends,
  setTurns,
  withPreset,
} from './phrase/readPhrase'
export { reasonAgainst } from './reasonAgainst'
export { abilityFor, lacking, requirements, type Need } from './requirements'
export { schedule, type TimedMessage } from './schedule'
export { copySeries } from './series'
export { spokenTo } from './spokenTo'
export type { ActionStep } from './step'
export { switchesMidi } from './switchesMidi'
export { banksOfSong, tapOutVerdict, type TapOutVerdict } from './tapOutPlan'
export { tempoMoves, type TempoMove } from './tempoMoves'
export { songOf, tempoAfterEdit, tempoNow, type TempoNow } from './tempoNow'
export { lateness, timingOf, type Lateness, type Timing } from './timing'
