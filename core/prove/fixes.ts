import { own } from '#core/base'
import {
  applyEdit,
  change,
  type Edit,
  findPreset,
  type Rig,
  type ControlId,
  type Cell,
  type Sound,
} from '#core/rig'
import { canBeSet } from '#core/sound'
import { claimDevice } from '#core/simulate'
import { curesOf } from './cures'
import { floorMachine } from './floorMachine'
import { type PartValue, readPart } from './parts'
import type { ProofFault, Proved } from './proved'
import { soundsLine } from './soundsLine'

/**
 * Edits after which what fails holds, each proven: it is looked at again in the rig after it, and nothing else about the
 * same row fails that did not before.
 */
export function fixesOf(rig: Rig, { verdict }: Proved): readonly Edit[] {
  if (verdict.kind !== 'fails') return []
  const { fault, moves } = verdict
  if (fault.kind === 'lampLies') return curesOf(rig, { ...fault, moves })
  if (fault.kind !== 'soundLeaves' && fault.kind !== 'soundMissed') return []
  const sound = own(rig.sounds, fault.soundId)
  const edit = sound && sayIt(rig, sound, fault)
  if (!edit) return []
  const after = applyEdit(rig, edit)
  if (!after.ok) return []
  const left = [...soundsLine(after.value, floorMachine(after.value), sound.id)]
  const before = [...soundsLine(rig, floorMachine(rig), sound.id)]
  const isMended = left.every(({ verdict: one }) => one.kind !== 'fails' || !isSame(one.fault, fault))
  return isMended && left.length <= before.length ? [edit] : []
}

const isSame = (one: ProofFault, other: ProofFault): boolean =>
  (one.kind === 'soundLeaves' && other.kind === 'soundLeaves' && one.part === other.part) ||
  (one.kind === 'soundMissed' &&
    other.kind === 'soundMissed' &&
    JSON.stringify(one.claim) === JSON.stringify(other.claim))

/** The sound says what it did not: of what it left, as that mostly was; of what it missed, what it should be. */
function sayIt(
  rig: Rig,
  sound: Sound,
  fault: Extract<ProofFault, { kind: 'soundLeaves' | 'soundMissed' }>,
): Edit | null {
  if (fault.kind === 'soundMissed') {
    const { claim } = fault
    return claim.kind === 'value'
      ? setIn(rig, sound, claimDevice(rig, claim), claim.controlId, claim.value)
      : null
  }
  const thing = readPart(fault.part)
  if (!thing) return null
  const { deviceId } = thing
  const device = own(rig.devices, deviceId)
  if (thing.kind === 'control') {
    const { controlId } = thing
    const rest = device?.rest?.values.find((one) => one.controlId === controlId)?.value
    const reading = own(rig.controls, controlId)?.reading.kind
    const value: PartValue = rest ?? fault.usual ?? (reading === 'switch' ? 0 : undefined)
    return typeof value === 'number' ? setIn(rig, sound, deviceId, controlId, value) : null
  }
  if (thing.kind !== 'preset') return null
  const preset = findPreset(rig, deviceId, (device?.rest?.preset ?? fault.usual) as number)
  return preset ? cellOf(sound, deviceId, () => ({ kind: 'preset', presetId: preset.id, values: [] })) : null
}

function setIn(rig: Rig, sound: Sound, deviceId: string, controlId: string, value: number): Edit | null {
  const control = own(rig.controls, controlId)
  if (!control || !canBeSet(control, value)) return null
  const set = { controlId: controlId as ControlId, value }
  return cellOf(sound, deviceId, (cell) =>
    cell === null
      ? { kind: 'values', values: [set] }
      : cell.kind === 'values' || cell.kind === 'preset'
        ? { ...cell, values: [...cell.values.filter((one) => one.controlId !== controlId), set] }
        : null,
  )
}

/** The sound with another cell for a device; null in `alter` where it has none of its own. */
function cellOf(sound: Sound, deviceId: string, alter: (cell: Cell | null) => Cell | null): Edit | null {
  const at = sound.cells.findIndex((one) => one.deviceId === deviceId)
  const cell = alter(sound.cells[at]?.cell ?? null)
  if (cell === null) return null
  const said = { deviceId: deviceId as Sound['cells'][number]['deviceId'], cell }
  const cells = at < 0 ? [...sound.cells, said] : sound.cells.with(at, said)
  return { label: 'setCell', changes: [change('sounds', sound.id, sound, { ...sound, cells })] }
}
