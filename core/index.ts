/** The public face of the core: what browser and server may use. Inside the core, import the file itself. */
export { assertNever } from './base/assertNever'
export type { Brand } from './base/brand'
export { CHANNELS, requireChannel, type Channel } from './base/channel'
export { accept, refuse, type Result } from './base/result'
export { requireU7, type U7 } from './base/u7'

export { encodeMessage, encodeMessages } from './midi/encode'
export { MidiParser, parseMessages } from './midi/parse'
export { decodeMidiFile, encodeMidiFile } from './midi/midiFile'
export type { ChannelMessage, MidiMessage } from './midi/message'
export { MICROSECONDS_PER_BYTE, wireTime } from './midi/wireTime'

export { channelHolders, nextFreeChannel, sendChannel } from './rig/channels'
export {
  applyEdit,
  change,
  editSchema,
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
export { moveRecall } from './rig/edits/moveRecall'
export { removeRecall } from './rig/edits/removeRecall'
export { removeRow } from './rig/edits/removeRow'
export { modeOf, setMode, type SwitchMode } from './rig/edits/setMode'
export { findPreset, setRecall, type Recall } from './rig/edits/setRecall'
export { findSwitch, switchAt, type SwitchSlot } from './rig/edits/switchSlot'
export { nextBankIndex } from './rig/banks'
export { rigProblems } from './rig/integrity'
export { addressOf, indexOfAddress, recallMessages } from './rig/numbering/address'
export { formatDisplay, parseDisplay, type DisplayRefusal } from './rig/numbering/display'
export {
  PLAIN_128,
  PRESET_COUNT_MAX,
  reach,
  type BankSelect,
  type Numbering,
} from './rig/numbering/numbering'
export { formatPath, type Path, type Problem } from './rig/problem'
export {
  byIndex,
  emptyRig,
  inOrder,
  lastOrder,
  rigName,
  rowSchemas,
  TABLE_NAMES,
  type Rig,
  type TableName,
  type Tables,
} from './rig/rig'
export { ABOUT_ID, type About } from './rig/table/about'
export type { Action } from './rig/table/action'
export type { Bank, BankId } from './rig/table/bank'
export { switchCount, type Controller, type ControllerId } from './rig/table/controller'
export type { Device, DeviceId } from './rig/table/device'
export type { Preset, PresetId } from './rig/table/preset'
export { isProgrammed, type Footswitch, type SwitchId } from './rig/table/switch'

export { compile, type CompiledMessage, type SwitchEvent } from './switching/compile'
export { schedule, type TimedMessage } from './switching/schedule'
export {
  deviceState,
  floorAtPowerOn,
  step,
  type FloorInput,
  type FloorState,
  type WireEntry,
} from './simulate/step'
export { reconcile } from './simulate/reconcile'
export type { DeviceState } from './simulate/device'

export { findings, type Finding } from './check/findings'
export { reasonAgainst } from './check/unsendablePreset'
export type { Severity } from './check/finding'

export { formatRigFile, parseRigFile, rigFileSchema, type RigFileRefusal } from './format/rigFile'
export { switchesMidi } from './format/switchesMidi'
