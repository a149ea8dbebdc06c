/** The public face of the core: what browser and server may use. Inside the core, import the file itself. */
export { assertNever } from './base/assertNever'
export type { Brand } from './base/brand'
export { CHANNELS, requireChannel, type Channel } from './base/channel'
export { accept, refuse, type Result } from './base/result'
export { requireU7, type U7 } from './base/u7'

export { encodeMessage, encodeMessages } from './midi/encode'
export { parseMessages } from './midi/parse'
export { decodeMidiFile, encodeMidiFile, type MidiFileEvent } from './midi/midiFile'
export type { ChannelMessage, MidiMessage } from './midi/message'

export { channelHolders, receivers, sendChannel, spreadChannels } from './rig/channels'
export { boxes, boxName, cablesIn, links, type Box, type Link } from './rig/cabling/link'
export { arrivals, type Arrival } from './rig/cabling/signal'
export { powerPlan, type Consumer, type Outlet } from './rig/cabling/power'
export { leadsBetween } from './rig/cabling/wiring'
export { cableBetween, layCable } from './rig/edits/layCable'
export { likelyCable, plugChoices, type PlugChoice } from './rig/edits/plugChoices'
export { endOf, isFree } from './rig/edits/suggestCable'
export { alterRole, setRole } from './rig/edits/setJack'
export { shareChannel } from './rig/edits/shareChannel'
export { NOT_LOOKED, proofReport, type LineReport, type NotLooked } from './check/searched/proofReport'
export { slowFindings, type SlowFindings, type SlowQuestion } from './check/searched/slow'
export type { LyingLamp, MoveTold } from './check/searched/lyingLamp'
export type { RunDiffers } from './check/searched/runDiffers'
export type { FaultTold, ProvenFault } from './check/searched/provenFault'
export { thingChoices, thingText } from './check/searched/thingWords'
export { PROOF_LINES, SHORTEST_MS, type ProofLine, type Proved } from './prove/proved'
export { playSteps, runInput, seenIn, type DeviceEnd, type Feet } from './simulate/run'
export { runDifferences, type RunDifference } from './simulate/runDifferences'
export { claimDevice, lampTruth, truth, type LampTruth } from './simulate/lampTruth'
export { FloorTrail, type Cause } from './simulate/trail'
export { FloorMinute, KEPT, type Deaf } from './simulate/minute'
export { needed } from './simulate/putRight'
export { holdsValue, isOn, type Claim } from './switching/claim'
export { RUN_STEPS_MAX, SEEN_MESSAGES_MAX } from './rig/table/run'
export type { Run, RunId, RunStep } from './rig/table/run'
export { moveDevice } from './rig/edits/moveDevice'
export { applyEdit, doEdit, type Done } from './rig/applyEdit'
export { editSchema } from './rig/editSchema'
export { upgradeEdit } from './rig/upgradeEdit'
export { editBetween, NO_RIG, replay, unplay } from './rig/replay'
export { EDIT_BYTES_MAX, RIG_BYTES_MAX, rigBytes } from './rig/rigBytes'
export { cutText, keepable, letterCount } from './base/text'
export { own } from './base/own'
export { DUMP_BYTES_MAX, DUMP_MESSAGES_MAX, type Dump, type DumpId, type DumpMessage } from './rig/table/dump'
export { UNKNOWN_DUMPING, type Checksum, type Dumping } from './rig/table/dumping'
export { NOTE_TABLES, type Note, type NoteAbout, type NoteFact, type NoteId } from './rig/table/note'
export { perObject } from './base/perObject'
export { NAME_MAX, nameSchema } from './rig/table/scalars'
export {
  change,
  EDIT_LABELS,
  invertEdit,
  type Change,
  type Edit,
  type EditLabel,
  type EditRefusal,
} from './rig/edit'
export { addRow } from './rig/edits/addRow'
export { copySwitch } from './rig/edits/copySwitch'
export { editRow } from './rig/edits/editRow'
export { labelSwitch } from './rig/edits/labelSwitch'
export { actionsAt, moveAction, putActions, removeAction, type ListPlace } from './rig/edits/actionList'
export {
  changeSwitches,
  clearBank,
  clearSwitches,
  copyBank,
  fillBank,
  moveBank,
  moveSwitch,
  swapBanks,
  swapSwitches,
} from './rig/edits/placeSwitches'
export { placeKey, switchesHere } from './rig/switchesHere'
export { removeRow } from './rig/edits/removeRow'
export { modeOf, setMode, type SwitchMode } from './rig/edits/setMode'
export { findPreset, setRecall, type Recall } from './rig/edits/setRecall'
export { findSwitch, putSwitch, switchAt, type SwitchSlot } from './rig/edits/switchSlot'
export { nextBankIndex } from './rig/banks'
export { addressOf, recallMessages } from './rig/numbering/address'
export { formatDisplay, parseDisplay, type DisplayRefusal } from './rig/numbering/display'
export { PRESET_COUNT_MAX, reach, type BankSelect, type Numbering } from './rig/numbering/numbering'
export { formatPath, type Path, type Problem } from './rig/problem'
export {
  byIndex,
  emptyRig,
  inOrder,
  lastOrder,
  rigName,
  TABLE_NAMES,
  type Rig,
  type TableName,
  type Tables,
} from './rig/rig'
export { ABOUT_ID, SCHOOLS, type About, type School } from './rig/table/about'
export { namedIn, soundOf, type Action, type ActionKind, type ActionOf } from './rig/table/action'
export { BLANK_BANK, type Bank, type BankId } from './rig/table/bank'
export {
  switchCount,
  type Controller,
  type KeptGesture,
  type ControllerEvent,
  type ControllerId,
} from './rig/table/controller'
export type { Adapter, Cable, CableEnd, CableId, Lead } from './rig/table/cable'
export type { Bypass, Device, DeviceId, DeviceKind, Gap, RelayFunction } from './rig/table/device'
export type { Mark, MarkId } from './rig/table/mark'
export { roleOf, type Passes, type Plug, type Port, type Role, type RoleKind } from './rig/table/port'
export type { Saving } from './rig/table/saving'
export type { Spot } from './rig/table/scalars'
export {
  highestValue,
  type Control,
  type ControlAddress,
  type ControlId,
  type Reading,
} from './rig/table/control'
export type { Pair, PairId } from './rig/table/pair'
export { BLANK_PRESET, PURPOSES, type Preset, type PresetId, type Purpose } from './rig/table/preset'
export type { SetValue } from './rig/table/setValue'
export {
  actionLists,
  BLANK_SWITCH,
  isProgrammed,
  LAMP_LIGHTS,
  type Footswitch,
  type Lamp,
  type Layer,
  type SwitchId,
} from './rig/table/switch'
export type { Macro, MacroId } from './rig/table/macro'
export { BLANK_SOUND, type Cell, type Sound, type SoundId } from './rig/table/sound'

export { contactsOf, heldContacts, type Contact } from './rig/cabling/contacts'
export { between, deviceBetween, type Between, type DeviceBetween, type Leftover } from './sound/between'
export { reachedBy, soundDevices, spokenCells } from './sound/cells'
export {
  cellChoices,
  formatCell,
  parseCell,
  presetText,
  setText,
  type CellRefusal,
  type TypedCell,
} from './sound/cellText'
export { moveSound } from './sound/edits/moveSound'
export { pasteCells, type PasteFault } from './sound/edits/pasteCells'
export { detachSound, removeSounds } from './sound/edits/removeSounds'
export { setCells, type CellWrite, type NewIds } from './sound/edits/setCells'
export { presetsFromSound, setSwitchSound, soundFromSwitch } from './sound/edits/switchSound'
export { orderJobs, readyInOrder, type Job } from './sound/order'
export { soundMatrix, type Matrix } from './sound/matrix'
export { presetOrParameter, type PresetOrParameter } from './sound/presetOrParameter'
export { sendingOf, type Sending } from './sound/sending'
export { switchName } from './sound/switchName'
export { useCount, usedBy, type Use, type UsedTable } from './sound/usedBy'
export { wantsOf, type Doubt, type Want } from './sound/want'
export { withChanges } from './rig/applyEdit'

export { abilityFor, lacking, requirements, type Need } from './switching/requirements'
export { compile, messagesAmong, type CompiledStep, type SwitchEvent } from './switching/compile'
export { expanded, isHeld, startingActions } from './switching/action'
export {
  addReading,
  cannotHold,
  likeliest,
  readingSends,
  readPhrase,
  readTurns,
  setTurns,
  withPreset,
} from './switching/phrase/readPhrase'
export type { Reading as PhraseReading } from './switching/phrase/phrase'
export { SERIES, type Doing, type Series } from './switching/action/actionDoes'
export { lampNow, type LampNow } from './switching/lamp'
export { NOTHING_KNOWN, type Known } from './switching/known'
export { copySeries } from './switching/series'
export { bankAndSwitch, bankMap, nthOf, pressesBetween } from './switching/bankMap'
export { combosOf, type Combo } from './switching/combos'
export { doingFirst, listSteps } from './switching/compile'
export { LOOPER_FUNCTIONS } from './rig/table/action/looper'
export { bytesOfHex, hexOf, messageOfHex, readBytes, type HexRefusal } from './midi/hexBytes'
export { schedule, type TimedMessage } from './switching/schedule'
export {
  deviceState,
  floorAtPowerOn,
  nextDue,
  type FloorInput,
  type FloorState,
  type Gesture,
  type StepResult,
  type WireEntry,
} from './simulate/floor'
export { advance, settle, startFloor, step, stomp, sweepPedal } from './simulate/step'
export { jackPlaces } from './simulate/footswitch'
export { lateness, timingOf, type Lateness } from './switching/timing'
export { floorCells } from './simulate/floorCells'
export { readAt } from './simulate/chartIndex'
export { reconcile } from './simulate/reconcile'
export type { DeviceState } from './simulate/device'

export { findings, type Finding } from './check/findings'
export type { Severity } from './check/finding'

export { nextFreeNumber, takenNumbers, type Taken } from './chart/freeNumbers'
export { COLUMNS_MAX, recogniseColumns } from './chart/columns'
export { COLUMN_KINDS, type ColumnKind } from './chart/headWords'
export { LOOSE_COLUMNS, looseLines, spacedTable, withoutLeaders } from './chart/looseLines'
export { isSurelyNumber } from './chart/numberCell'
export { learnedText, mustLearn, pairLines } from './chart/learning'
export { fillPresets } from './chart/fillPresets'
export { editPresetAt } from './chart/presetAt'
export { nextFreePreset, unreachablePresets, usedPresets } from './chart/presetReach'
export type { BadCell, ChartRow, DraftControl, RowDoubt, TableLine } from './chart/chartRow'
export { readChart } from './chart/readChart'
export { relayTable, type RelayRow } from './chart/relayTable'
export { search, type Hit } from './chart/search'
export { controlsByAddress, controlsOf, draftsOf, takeChart, takingOf } from './chart/takeChart'
export { controlMessages } from './rig/chart/controlMessages'
export { nrpnReadings } from './rig/chart/nrpn'
export { shownText, stepAt, valueFor, type ShownRefusal } from './rig/chart/reading'
export { readNumber, type NumberLimits, type NumberRefusal } from './rig/chart/typedNumber'
export { CHART_HEADS, chartRows } from './chart/chartCsv'

export { CONTROLLERS, DEVICES } from './archetype/archetypes'
export type { ControllerArchetype, DeviceArchetype } from './archetype/archetype'
export { addController, addDevice, duplicateDevice } from './archetype/addBox'

export { BOX } from './arrange/grid'
export { routeLines, linesOf, type Line, type Route } from './arrange/cableWay'
export { freeSpot, spots } from './arrange/spots'
export { tidy } from './arrange/tidy'

export { soundPaths, soundLoops } from './rig/cabling/audio'
export { heardThrough, type HeardStop } from './setup/soundOff'
export { firstFloor, type FirstFloor } from './setup/firstFloor'
export { firstSound } from './setup/firstSound'
export { checklist, PHASES, type ChecklistLine, type Phase, type Task } from './setup/checklist'
export { lostTick, tickOf, clearTicks, saveAgain, toggleTick } from './setup/ticks'
export { jackCautions, PHASE_CAUTIONS, taskCautions, type Caution } from './setup/cautions'
export { guide, type Answer, type Guide, type Question } from './setup/guide'

export {
  BLANK_ROLE,
  addPedal,
  editPedal,
  editRole,
  editTarget,
  freeNumber,
  narrowedAt,
  newTarget,
  sweepPlaces,
  type SweepPlace,
} from './pedal/pedalEdits'
export { calibrated } from './pedal/calibrate/calibrated'
export { GUIDE, GUIDE_MS, guidedFoot } from './pedal/calibrate/guidedFoot'
export { readSweeps, type CalibrationRead, type CalibrationWhy } from './pedal/calibrate/readSweeps'
export {
  SIMULATED_PEDALS,
  simulatedPedal,
  type SimulatedKind,
  type SimulatedPedal,
} from './pedal/calibrate/simulatedPedal'
export { crossFade } from './pedal/crossFade'
export { addPoint, movePoint, pointsAlong, removePoint, splitWidest } from './pedal/curvePoints'
export { DELAYS_TO_MS, proposedDelay, tryDelay, tryDelays, type DelayTried } from './pedal/delays'
export {
  footJacks,
  inputPlan,
  plugAndRead,
  type Arrangement,
  type JackCost,
  type PlannedJack,
  type RefusedJack,
} from './pedal/inputs'
export { reversalLeap, reversed, roleLeaps } from './pedal/leaps'
export {
  needsCalibration,
  noFoot,
  pedalController,
  pluggedKey,
  pluggedPedal,
  toePlace,
  type NoFoot,
} from './pedal/plugged'
export { isMeant, offsOf, restsOf, type Ridden, type Stretch } from './pedal/ride'
export { SHIPPED_RIDES, type ShippedRide } from './pedal/shippedRides'
export { rangeKeptAt, rangeOf, withRange } from './pedal/targetRange'
export { suggestedRange, sweepCaution, type SweepCaution, type TargetKind } from './pedal/suggest'
export {
  arrivesAt,
  fullEnds,
  highestSent,
  isNarrowedTwice,
  narrowing,
  playsAt,
  sentAt,
  STEPS,
} from './pedal/sweep'
export { CURVE_POINTS_MAX, type Curve, type CurvePoint } from './rig/table/curve'
export {
  OFF_DELAY_MAX,
  TARGETS_MAX,
  USUAL_OFF_MS,
  USUAL_ZONE,
  type AutoOff,
  type Calibration,
  type OffKind,
  type Pedal,
  type PedalId,
  type PedalRole,
  type Target,
  type When,
  type Works,
} from './rig/table/pedal'
export { DIVISIONS, type Division } from './rig/table/division'
export {
  aheadMs,
  partKey,
  partsOf,
  playedParts,
  showOn,
  songsOf,
  type PlayedPart,
  type ShowMove,
  type ShowPlace,
} from './rig/showOrder'
export {
  boardQuestion,
  findBoard,
  moveOne,
  moveSwitches,
  type BoardMove,
  type BoardPlace,
  type NoBoard,
  type Proposal,
} from './show/restanding'
export { improve } from './layout/improve'
export { matricesOf } from './layout/matrices'
export { costOf, plainPlacing, type Placing } from './layout/placing'
export { Tabu } from './layout/tabu'
export { hitsTwo, isInReach, pointOf, type Point } from './show/foot'
export type { FootMove } from './show/footMoves'
export { readShow, type ShowFault } from './show/readShow'
export { playerOf, type Stand } from './show/footWay'
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
} from './show/showEdits'
export {
  showController,
  travelOf,
  waysOfShow,
  type PartWay,
  type ShowTravel,
  type Unplayed,
} from './show/travel'
export { placeShowStep, placeSongSwitch, showSwitch, stepsToPart } from './show/showSwitches'
export { walkShow, type Fault, type Walked, type Wrong } from './show/walk'
export { callable, nextCall, showCalls } from './practice/calls'
export { judgeStep, wayFromHere, type Verdict } from './practice/judge'
export { forgetPractice, isMiss, keepRound, practiceByDay, type CallAnswer } from './practice/round'
export { careOf, pairTally, tallyWith, weakPairs, type PairTally } from './practice/tally'
export { type Practice, type PracticeId } from './rig/table/practice'
export { THINGS_MAX, type Never, type NeverId, type Thing } from './rig/table/never'
export { standIn, type BoardMap, type BoardTile, type FootGestures, type StandIn } from './paper/forAnother'
export { BEFORE_SHOW, beforeShow } from './setup/beforeShow'
export { cableTags, type CableTag, type TagEnd } from './paper/cableTags'
export { hearStep, mayBePedal, type Heard, type HeardStep } from './listen/hearStep'
export { type Part, type PartId } from './rig/table/part'
export { USUAL_PLAYER, type Player } from './rig/table/player'
export type { Show, ShowId } from './rig/table/show'
export { songTempo, USUAL_SONG, type Song, type SongId } from './rig/table/song'
export { USUAL_TAP_IN, type TapIn } from './rig/table/tapIn'
export {
  LOOP_GESTURES,
  LOOP_STATES,
  type LoopChart,
  type LoopGesture,
  type LoopInput,
  type LoopMove,
  type LoopState,
} from './rig/table/looper'
export { tapMeaning } from './rig/chart/tapMeaning'
export { divisionHz, divisionMs, quarterMs } from './tempo/divisions'
export { keptAt, likelyDivision, timeUnit, type Kept } from './tempo/timed'
export { readTaps, type Tapped } from './tempo/tapped'
export { tapsOut, type TapOutRefusal } from './tempo/tapOut'
export { CLOCKS_A_QUARTER, clockInterval, clockSeen, clockShare } from './tempo/clock'
export { addSong, dropTonight, editSong, keepTempo, tempoTonight } from './tempo/tempoEdits'
export { loopLength, type Take } from './looper/machine'
export { LOOP_CHARTS, LOOP_KINDS, loopKindOf, type LoopKind } from './looper/kinds'
export { storedTempi } from './rig/storedTempi'
export { tapOutVerdict, type TapOutVerdict } from './switching/tapOutPlan'
export { canTapOut } from './switching/action/tapOut'
export { clockGivers, clockPlan, type ClockVerdict } from './switching/clockPlan'
export { keptBackFrom } from './check/tempo/clocks'
export { plannedLoop, planLooper, type LoopPlanRefusal } from './switching/looperPlan'
export { tempoMoves, type TempoMove } from './switching/tempoMoves'
export { tempoNow, type TempoNow } from './switching/tempoNow'
export { isOffBeat, timeInSounds, timesInSounds } from './sound/timeInSounds'
export {
  LOOP_FEET,
  loopSwitches,
  type LoopFootKind,
  type LoopOutcome,
  type LoopSwitch,
} from './simulate/loopMoves'
export { RIDE_MOVES_MAX, type Ride, type RideId } from './rig/table/ride'
export { PEDAL_AT_FIRST, type PedalNow } from './simulate/pedalNow'
export { roleNow } from './simulate/pedalPlan'
export { holdsUp, pauseFor, sweepLoad } from './simulate/sweepLoad'

export { formatRigFile, parseRigFile, rigFileSchema, type RigFileRefusal } from './rig/file/rigFile'
export { switchesMidi } from './switching/switchesMidi'
export { showAfter, stageNow, stageNowSchema, type StageNow } from './stage/stageNow'
export { stageView, type StageTile, type StageView } from './stage/stageView'
export { setSheet, stripsOf, type SheetLine, type Strip } from './paper/paper'
export { shortNames } from './sound/shortNames'

export { boardOf, placesOf, shapeOf, type Place, type Unit } from './keyin/keyPlaces'
export { USUAL_KEYINGS } from './keyin/manners/manners'
export { keyingOf } from './keyin/keyingOf'
export {
  keepHeard,
  sayAllKeyedIn,
  sayNothingKeyedIn,
  sayNothingKnown,
  setKeying,
  tickLine,
  untick,
  type Holding,
  type Said,
} from './keyin/keyInEdits'
export { heldIn } from './keyin/held'
export { pressPanel, startPanel, type Panel } from './keyin/panel'
export { panelView, type PanelView } from './keyin/panelView'
export { fieldsInOrder, KIND_FIELDS, LETTERS, type Row, type RowShape } from './keyin/rows'
export { rowsOf, type Content } from './keyin/content'
export { rowText } from './keyin/showing'
export type { KeyStep } from './keyin/amending'
export type { Press, Stroke } from './keyin/setting'
export { boxOfController, knownIn, type SheetLine as KeyInLine } from './keyin/sheet'
export { toldSheet, type ToldSheet } from './keyin/told'
export { switchKey, type Box as PanelBox } from './keyin/ways'
export { keyingSchema, type Keying, type Setter } from './rig/table/keying'
export type { KeyIn, KeyInId } from './rig/table/keyIn'
export { deviceSheet } from './setup/deviceSheet'

export {
  gestureKey,
  gesturesOf,
  expectedOf,
  sentBy,
  type Gesture as FootGesture,
  type HeardMessage,
} from './listen/gestures'
export type { HeardFault } from './listen/faults'
export { heardHoldings } from './listen/heardHoldings'
export {
  gesturesThatSend,
  judgeBoard,
  type Judged,
  type Take as HeardTake,
  type Verdict as HeardVerdict,
} from './listen/verdict'
export { learnSwitch, nextAsked, type LearnDoubt, type SwitchTakes } from './listen/learn'
export { standInOf, STAND_INS, type StandInBox } from './listen/simulatedController'
export { learnedRig, type LearnedPlace } from './listen/learnRig'
export { usualDevice } from './archetype/archetype'

export {
  readExclusives,
  messageBytes,
  dumpLength,
  type DumpFault,
  type Piece,
  type Recording,
} from './dump/exclusives'
export { checkDump, withoutRepeats, wrongChecks, type DumpCheck } from './dump/checks'
export { learnDumping } from './dump/learnDumping'
export { compareDumps, type DumpDifference, type MessageDifference } from './dump/compareDumps'
export { splitDump, type SplitBy } from './dump/splitDump'
export { sendingBack, type SentBack } from './dump/sendingBack'
export { dumpMidiFile, readDumpMidiFile, readSyx, syxOf, type DumpFileFault } from './dump/dumpFiles'
export {
  hearDump,
  IDENTITY_REQUEST,
  inNewGo,
  standInDevice,
  standInDumping,
  standInTook,
  type StandInDevice,
} from './dump/simulatedBox'
export { changeDump, keepDumps, setDumping, type NewDump } from './dump/dumpEdits'
export {
  compareRigs,
  type RigDifference,
  type SentDifference,
  type SoundDifference,
} from './history/compareRigs'
export { FACT_LABELS, factsOf, type LogFact, type Logged } from './history/facts'
export { FACT_TABLES, goBack, type BackTo } from './history/goBack'
export {
  rowDifference,
  rowName,
  type FieldDifference,
  type RowDifference,
  type Shown,
} from './history/rowDifferences'
export { revisionsAsked, saveStates, type BoxState, type StateLine } from './history/saveState'
export { addNote, changeNote, removeNote, type NewNote } from './logbook/noteEdits'
export { testPlan, type TestHow, type TestLine } from './logbook/testPlan'
export { testCount, testResult, type TestResult } from './logbook/testResults'
export { logbookLines, type LogbookLine } from './logbook/logbook'
export { firmwareOf } from './logbook/firmware'
