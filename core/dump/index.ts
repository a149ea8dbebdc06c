/** What `dump` hands out: nothing outside passes this door (tests do). */
export { checkDump, withoutRepeats, wrongChecks, type DumpCheck } from './checks'
export { compareDumps, type MessageDifference } from './compareDumps'
export { changeDump, keepDumps, setDumping, type NewDump } from './dumpEdits'
export { dumpMidiFile, readDumpMidiFile, readSyx, syxOf, type DumpFileFault } from './dumpFiles'
export { dumpLength, readExclusives, type DumpFault, type Piece, type Recording } from './exclusives'
export { learnDumping } from './learnDumping'
export { sendingBack } from './sendingBack'
export {
  IDENTITY_REQUEST,
  hearDump,
  inNewGo,
  standInDevice,
  standInDumping,
  standInTook,
  type StandInDevice,
} from './simulatedBox'
export { splitDump, type SplitBy } from './splitDump'
