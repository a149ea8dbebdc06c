/** What `prove` hands out: nothing outside passes this door (tests do). */
export { curesOf } from './cures'
export { fixesOf } from './fixes'
export { lampsToProve, type LampLie } from './lampLies'
export { makeMoves, restingStart, stepsOfMoves, switchOfMove, type CalmMove } from './moves'
export {
  claimParts,
  contactPart,
  controlPart,
  goesBack,
  presetPart,
  readPart,
  type Part,
  type PartValue,
} from './parts'
export { proofOf, waysToBe } from './proof'
export { PROOF_LINES, SHORTEST_MS, type ProofFault, type ProofLine, type Proved } from './proved'
