import { own } from '#core/base'
import type { Edit, Rig, Layer } from '#core/rig'
import type { Claim } from '#core/switching'
import {
  fixesOf,
  type Part,
  type PartValue,
  type ProofFault,
  type ProofLine,
  type Proved,
  claimParts,
  presetPart,
} from '#core/prove'
import type { FindingOf } from '../finding'
import { runTold, switchNameOf, type RunTold } from './lyingLamp'
import { thingName, thingText, valueName } from './thingWords'

/** A fault with the names of what it is about, as they are now. */
export type FaultTold =
  | {
      readonly kind: 'soundMissed'
      readonly sound: string
      readonly thing: string
      readonly wanted: string
      /** Empty where nobody ever set it. */
      readonly is: string
    }
  | {
      readonly kind: 'soundLeaves'
      readonly sound: string
      readonly thing: string
      readonly usual: string
      readonly is: string
      /** What put it there; empty where it was so from power-on. */
      readonly by: string
    }
  | {
      readonly kind: 'deaf'
      readonly switch: string
      /** Empty where its own list is too fast. */
      readonly before: string
      readonly device: string
      readonly afterMs: number
      readonly safeMs: number
    }
  | { readonly kind: 'never'; readonly things: readonly string[] }
  | { readonly kind: 'notOnFoot'; readonly sound: string }
  | { readonly kind: 'noWay'; readonly sound: string; readonly bank: string; readonly layer: Layer }
  | { readonly kind: 'noHome'; readonly bank: string; readonly layer: Layer }
  | { readonly kind: 'dead'; readonly switch: string }
  | { readonly kind: 'twin'; readonly switch: string; readonly other: string }
  | { readonly kind: 'undone'; readonly switch: string; readonly device: string; readonly preset: string }

/** Something that was to be shown of a row and is not so, with the fewest moves that show it. */
export type ProvenFault = FindingOf<
  'provenFault',
  { readonly line: ProofLine; readonly fault: FaultTold } & RunTold
>

/** Null for what holds or is not known, and for lamps that lie and runs that differ: those are findings of their own. */
export function provenFault(rig: Rig, proved: Proved, withFixes: boolean): ProvenFault | null {
  const { verdict, about, line } = proved
  if (verdict.kind !== 'fails' || verdict.fault.kind === 'lampLies' || verdict.fault.kind === 'runDiffers')
    return null
  const fixes: readonly Edit[] = withFixes ? fixesOf(rig, proved) : []
  const [fix] = fixes
  return {
    code: 'provenFault',
    severity: 'warning',
    about,
    facts: {
      line,
      fault: faultTold(rig, verdict.fault, verdict.after),
      ...runTold(rig, verdict.moves, verdict.after),
    },
    ...(fix && { fix, cures: fixes }),
  }
}

function faultTold(
  rig: Rig,
  fault: Exclude<ProofFault, { kind: 'lampLies' | 'runDiffers' }>,
  after: number | null,
): FaultTold {
  const sound = 'soundId' in fault ? (own(rig.sounds, fault.soundId)?.name ?? '') : ''
  const ofSwitch = (id: string | null) => {
    const one = own(rig.switches, id ?? '')
    return one ? switchNameOf(rig, one) : ''
  }
  switch (fault.kind) {
    case 'soundMissed': {
      const part = partOfClaim(rig, fault.claim)
      return {
        kind: 'soundMissed',
        sound,
        thing: thingName(rig, part),
        wanted: valueName(rig, part, wantedOf(fault.claim)),
        is: fault.is === undefined ? '' : valueName(rig, part, fault.is),
      }
    }
    case 'soundLeaves':
      return {
        kind: 'soundLeaves',
        sound,
        thing: thingName(rig, fault.part),
        usual: fault.usual === undefined ? '' : valueName(rig, fault.part, fault.usual),
        is: valueName(rig, fault.part, fault.is),
        by: ofSwitch(fault.by),
      }
    case 'deaf':
      return {
        kind: 'deaf',
        switch: ofSwitch(fault.switchId),
        before: fault.before === fault.switchId && after === null ? '' : ofSwitch(fault.before),
        device: own(rig.devices, fault.deviceId)?.name ?? '',
        afterMs: Math.round((after ?? 0) / 1000),
        safeMs: fault.safeMs,
      }
    case 'never':
      return {
        kind: 'never',
        things: (own(rig.nevers, fault.neverId)?.things ?? []).map((thing) => thingText(rig, thing)),
      }
    case 'notOnFoot':
      return { kind: 'notOnFoot', sound }
    case 'noWay':
      return { kind: 'noWay', sound, bank: bankName(rig, fault.bankId), layer: fault.layer }
    case 'noHome':
      return { kind: 'noHome', bank: bankName(rig, fault.bankId), layer: fault.layer }
    case 'dead':
      return { kind: 'dead', switch: ofSwitch(fault.switchId) }
    case 'twin':
      return { kind: 'twin', switch: ofSwitch(fault.switchId), other: ofSwitch(fault.other) }
    case 'undone':
      return {
        kind: 'undone',
        switch: ofSwitch(fault.switchId),
        device: own(rig.devices, fault.deviceId)?.name ?? '',
        preset: valueName(rig, presetPart(fault.deviceId), fault.preset),
      }
  }
}

function bankName(rig: Rig, id: string): string {
  const bank = own(rig.banks, id)
  const first = own(rig.controllers, bank?.controllerId ?? '')?.firstBank ?? 1
  return bank ? `${bank.index + first} ${bank.name}`.trim() : ''
}

const partOfClaim = (rig: Rig, claim: Claim): Part => claimParts(rig, claim)[1]

const wantedOf = (claim: Claim): PartValue =>
  claim.kind === 'preset'
    ? claim.index
    : claim.kind === 'contact'
      ? claim.isClosed
      : claim.kind === 'value'
        ? claim.value
        : 127
