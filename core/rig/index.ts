/** What `rig` hands out: nothing outside passes this door (tests do). */
export { applyEdit, doEdit, withChanges, type Done } from './applyEdit'
export { nextBankIndex } from './banks'
export { isOffContact, isOffPreset, isOffValue } from './bypass'
export {
  carriesStereo,
  hasSoundJacks,
  hasStereo,
  isSoundEnd,
  isSoundLead,
  soundLoops,
  soundPaths,
  soundWays,
  soundWaysFrom,
  type SoundStop,
} from './cabling/audio'
export { clockSenders, clockWaysFrom, type ClockWay } from './cabling/clockWays'
export {
  contactsOf,
  heldContacts,
  isSwitchedByBox,
  jackOfContact,
  type Contact,
  type Output,
} from './cabling/contacts'
export {
  asRoles,
  boxName,
  boxOf,
  boxes,
  cablesByJack,
  cablesIn,
  carriesMidi,
  isForMidi,
  isLeadRight,
  links,
  partnersAmong,
  type Box,
  type Link,
  type PluggedEnd,
} from './cabling/link'
export {
  carriesPower,
  freeOutlet,
  powerMismatch,
  powerPlan,
  type Consumer,
  type Outlet,
} from './cabling/power'
export { rings } from './cabling/rings'
export {
  arrivals,
  arrivalsMeant,
  cutOff,
  heardFrom,
  isReached,
  silencedBy,
  thrusBeside,
  type Arrival,
} from './cabling/signal'
export {
  adaptersBetween,
  doesWiringFit,
  isPowering,
  leadsBetween,
  needsCross,
  phantomOf,
} from './cabling/wiring'
export {
  canOverhear,
  channelHolders,
  nextFreeChannel,
  receivers,
  sendChannel,
  spreadChannels,
} from './channels'
export { controlMessages } from './chart/controlMessages'
export { nrpnReadings, type NrpnReading } from './chart/nrpn'
export { valueBehindNumber } from './chart/rawValue'
export { shownFor, shownText, stepAt, valueFor, valueInRange, type ShownRefusal } from './chart/reading'
export { tapMeaning } from './chart/tapMeaning'
export { readNumber, type NumberLimits, type NumberRefusal } from './chart/typedNumber'
export { MINUS, canBeUnit, convertUnit, finerUnit, isKnownUnit, plainNumber } from './chart/units'
export {
  EDIT_LABELS,
  change,
  invertEdit,
  type Change,
  type Edit,
  type EditLabel,
  type EditRefusal,
} from './edit'
export { editSchema } from './editSchema'
export { actionsAt, moveAction, putActions, removeAction, type ListPlace } from './edits/actionList'
export { addRow } from './edits/addRow'
export { copySwitch } from './edits/copySwitch'
export { editRow } from './edits/editRow'
export { joinEdits } from './edits/joinEdits'
export { labelSwitch } from './edits/labelSwitch'
export { cableBetween, layCable, moveCable } from './edits/layCable'
export { moveDevice } from './edits/moveDevice'
export { nextId } from './edits/nextId'
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
} from './edits/placeSwitches'
export { likelyCable, plugChoices, type PlugChoice } from './edits/plugChoices'
export { changesWithout, removeRow } from './edits/removeRow'
export { alterRole, setRole } from './edits/setJack'
export { modeOf, setMode, type SwitchMode } from './edits/setMode'
export { findPreset } from './edits/setRecall'
export { shareChannel } from './edits/shareChannel'
export { endOf, isFree, suggestCable } from './edits/suggestCable'
export { findSwitch, putSwitch, slotKey, switchAt, type SwitchSlot } from './edits/switchSlot'
export { formatRigFile, parseRigFile, rigFileSchema, type RigFileRefusal } from './file/rigFile'
export { addressOf, indexOfAddress, recallMessages } from './numbering/address'
export { formatDisplay, parseDisplay, type DisplayRefusal } from './numbering/display'
export { PLAIN_128, PRESET_COUNT_MAX, reach, type BankSelect, type Numbering } from './numbering/numbering'
export { deafFor, isLostWhileLoading, loadsFor } from './loading'
export { CABLING, perRow, perTables, type Key } from './perTables'
export { formatPath, type Path, type Problem } from './problem'
export { referencesOf, rowKey } from './references'
export { NO_RIG, editBetween, replay, unplay } from './replay'
export {
  FLOOR_TABLES,
  TABLE_NAMES,
  byIndex,
  emptyRig,
  inOrder,
  lastOrder,
  rigName,
  type Rig,
  type RowsOf,
  type TableName,
  type Tables,
} from './rig'
export { EDIT_BYTES_MAX, RIG_BYTES_MAX, rigBytes } from './rigBytes'
export { bankShape, showShape } from './shape'
export {
  aheadMs,
  isAt,
  partKey,
  partMs,
  partsOf,
  placeKept,
  playedParts,
  showOn,
  showPlace,
  showTarget,
  songsOf,
  type PlayedPart,
  type ShowMove,
  type ShowPlace,
} from './showOrder'
export { isEntryOpen, isMappedIn, storedValue } from './stored'
export { storedTempi } from './storedTempi'
export { placeKey, switchesHere } from './switchesHere'
export { ABOUT_ID, SCHOOLS, type About, type School } from './table/about'
export {
  actionNames,
  namedIn,
  naming,
  soundOf,
  type Action,
  type ActionKind,
  type ActionOf,
} from './table/action'
export { LOOPER_FUNCTIONS } from './table/action/looper'
export { BLANK_BANK, type Bank, type BankId } from './table/bank'
export type { Adapter, Cable, CableEnd, CableId, Lead } from './table/cable'
export {
  controlSchema,
  highestValue,
  type Control,
  type ControlAddress,
  type ControlId,
  type Reading,
  type ReadingOf,
} from './table/control'
export {
  USUAL_SWITCHING,
  switchCount,
  type Controller,
  type ControllerEvent,
  type ControllerId,
  type KeptGesture,
} from './table/controller'
export { CURVE_POINTS_MAX, type Curve, type CurvePoint } from './table/curve'
export type { Bypass, Device, DeviceId, DeviceKind, Gap, RelayFunction } from './table/device'
export { DIVISIONS, type Division } from './table/division'
export {
  DUMP_BYTES_MAX,
  DUMP_MESSAGES_MAX,
  DUMP_MESSAGE_MAX,
  type Dump,
  type DumpId,
  type DumpMessage,
} from './table/dump'
export { UNKNOWN_DUMPING, type Checksum, type Dumping } from './table/dumping'
export type { Content, FixedRow, KeyIn, KeyInId, List, ListId, Row } from './table/keyIn'
export {
  FIELDS,
  ROW_KINDS,
  type Field,
  type Keying,
  type PanelMove,
  type RowKind,
  type Setter,
} from './table/keying'
export {
  LOOP_GESTURES,
  LOOP_STATES,
  type LoopChart,
  type LoopGesture,
  type LoopInput,
  type LoopMove,
  type LoopState,
} from './table/looper'
export type { Macro, MacroId } from './table/macro'
export type { Mark, MarkId } from './table/mark'
export { THINGS_MAX, type Never, type NeverId, type Thing } from './table/never'
export type { Note, NoteAbout, NoteFact, NoteId } from './table/note'
export type { Pair, PairId } from './table/pair'
export { partSound, type Part, type PartId } from './table/part'
export {
  OFF_DELAY_MAX,
  TARGETS_MAX,
  USUAL_EVERY_MS,
  USUAL_OFF_MS,
  USUAL_ZONE,
  type AutoOff,
  type Calibration,
  type Ends,
  type OffKind,
  type Pedal,
  type PedalId,
  type PedalPlace,
  type PedalRole,
  type Target,
  type When,
  type Works,
} from './table/pedal'
export { USUAL_PLAYER, type Player } from './table/player'
export { roleOf, type Plug, type Port, type Role, type RoleKind, type RoleOf } from './table/port'
export { PRACTICE_PAIRS_MAX, type Practice, type PracticeId, type PracticePair } from './table/practice'
export { BLANK_PRESET, PURPOSES, type Preset, type PresetId, type Purpose } from './table/preset'
export { RIDE_MOVES_MAX, type Ride, type RideId } from './table/ride'
export {
  RUN_STEPS_MAX,
  SEEN_MESSAGES_MAX,
  type Run,
  type RunId,
  type RunStep,
  type SeenMessage,
} from './table/run'
export type { Saving } from './table/saving'
export { NAME_MAX, idSchema, nameSchema, type Spot } from './table/scalars'
export type { SetValue } from './table/setValue'
export { USUAL_SHOW, type Show, type ShowId } from './table/show'
export { BPM_LEAST, BPM_MOST, USUAL_SONG, songTempo, type Song, type SongId } from './table/song'
export {
  BLANK_SOUND,
  type BlockName,
  type Cell,
  type CellOf,
  type Said,
  type Sound,
  type SoundId,
} from './table/sound'
export {
  BLANK_SWITCH,
  LAMP_LIGHTS,
  LAYERS,
  actionLists,
  isProgrammed,
  type Footswitch,
  type Lamp,
  type Layer,
  type SwitchId,
} from './table/switch'
export { USUAL_TAP_IN, type TapIn } from './table/tapIn'
export { upgradeEdit } from './upgradeEdit'
export { withoutReferences } from './withoutRows'
