import { own } from '#core/base'
import { type Rig, highestValue, type Footswitch } from '#core/rig'
import {
  isLitBy,
  lampSays,
  type LampSay,
  believed,
  holds,
  type Claim,
  type Facts,
  contactKey,
  type Known,
  lampNow,
} from '#core/switching'
import type { FloorState } from './floor'

/** What a lamp says, held against the devices. */
export interface LampTruth {
  readonly isLit: boolean
  /** `unknown`: nobody has told the devices in question anything yet. */
  readonly verdict: 'true' | 'lies' | 'unknown'
  /** Of a lit lamp what is not so, of a dark one what is so all the same; the controller not knowing. */
  readonly against: readonly Claim[]
}

/** What is so of the devices; of one that is off nothing is. */
export function truth({ devices, off }: Pick<FloorState, 'devices' | 'off'>, rig: Rig): Facts {
  const of = (deviceId: string) => (own(off, deviceId) ? undefined : own(devices, deviceId))
  return {
    preset: (deviceId) => of(deviceId)?.preset ?? undefined,
    value: (controlId) => {
      const control = own(rig.controls, controlId)
      return control && own(of(control.deviceId)?.controls ?? NOTHING, controlId)
    },
    contact: (deviceId, contactId) => own(of(deviceId)?.contacts ?? NOTHING, contactId),
  }
}

const NOTHING = {}

/** The device a claim is of. */
export const claimDevice = (rig: Rig, claim: Claim): string =>
  'deviceId' in claim ? claim.deviceId : (own(rig.controls, claim.controlId)?.deviceId ?? '')

/**
 * Whether a lamp tells the truth, as far as it tells of devices at all; null where it does not. What the controller
 * itself has set otherwise since is the player's doing, and no lie.
 */
export function lampTruth(rig: Rig, footswitch: Footswitch, state: TruthState): LampTruth | null {
  const { known } = state
  const { id, positions, longPress, release, lamps, group } = footswitch
  const { light } = lampNow(rig, footswitch, known)
  if (light === 'tempo' || isDark(footswitch)) return null
  const isLit = light !== 'off'
  const done = own(known.done, id)
  const isOwn = (lamps[done ?? 0]?.light ?? 'follow') !== 'follow'
  if (isOwn || group !== '') {
    // It shows which position was done last, in the player's own colours: off may stand for something too.
    if (done === undefined || (!isOwn && !isLit)) return null
    const said = lampSays(rig, positions[done] ?? [], known).flatMap((say) => say.claims)
    const claims = isOwn ? said.map((claim) => asShown(rig, claim, isLit)) : said
    return claims.length === 0 ? null : judged(rig, state, isLit, claims)
  }
  const lists = [...positions, longPress, release]
  if (isLit) {
    const lit = lists.filter((actions) => isLitBy(rig, actions, known) === true)
    const claims = lit.map((actions) => lampSays(rig, actions, known).flatMap((say) => say.claims))
    if (claims.length === 0 || claims.some((one) => one.length === 0)) return null
    const all = claims.map((one) => judged(rig, state, true, one))
    return all.find(({ verdict }) => verdict !== 'lies') ?? all[0]!
  }
  return unlit(rig, state, lists)
}

/** What changes over at each message is told to be on by a lamp that is lit, whatever was sent. */
function asShown(rig: Rig, claim: Claim, isLit: boolean): Claim {
  if (!changesOver(rig, claim) || claim.kind !== 'value') return claim
  const control = own(rig.controls, claim.controlId)!
  return { ...claim, value: isLit ? highestValue(control.address) : 0 }
}

/** Whether what a claim is of changes over at each message, whatever its value. */
export const changesOver = (rig: Rig, claim: Claim): boolean =>
  'controlId' in claim && own(rig.controls, claim.controlId)?.reading.kind === 'toggle'

/** Dark in every position: it says nothing. */
export const isDark = ({ lamps, positions }: Footswitch): boolean =>
  lamps.length >= positions.length && lamps.every(({ light }) => light === 'off')

/**
 * Whether the controller itself has done otherwise since than what a claim of a lit lamp says: that is the player's doing, and no
 * lie. It set the thing otherwise, or recalled another preset on the device, which has its own values.
 */
export function isDoneOtherwise(rig: Rig, claim: Claim, claims: readonly Claim[], belief: Facts): boolean {
  const isOtherwise = (one: Claim) => holds(rig, one, belief) === false
  // Of what changes over, that a value was sent says nothing.
  if (!changesOver(rig, claim) && isOtherwise(claim)) return true
  const deviceId = claimDevice(rig, claim)
  return claims.some((one) => one.kind === 'preset' && one.deviceId === deviceId && isOtherwise(one))
}

/** Whether a dark lamp says nothing of a claim: before a preset was sent to a device, no lamp of its presets does. */
export const isSilentOn = (rig: Rig, claim: Claim, belief: Facts): boolean =>
  claim.kind === 'preset' && holds(rig, claim, belief) === null

type TruthState = Pick<FloorState, 'known' | 'devices' | 'off'>

function judged(rig: Rig, state: TruthState, isLit: boolean, claims: readonly Claim[]): LampTruth {
  const [facts, belief] = [truth(state, rig), believed(state.known)]
  const ours = claims.filter((claim) => !isDoneOtherwise(rig, claim, claims, belief))
  const isOff = (claim: Claim) => own(state.off, claimDevice(rig, claim)) !== undefined
  const against = ours.filter((claim) => isOff(claim) || holds(rig, claim, facts) === false)
  const isKnown = ours.every((claim) => isOff(claim) || holds(rig, claim, facts) !== null)
  return { isLit, verdict: against.length > 0 ? 'lies' : isKnown ? 'true' : 'unknown', against }
}

/** A dark lamp lies where all that would light it is so, but for the controller's not knowing. */
function unlit(rig: Rig, state: TruthState, lists: Footswitch['positions']): LampTruth | null {
  const { known } = state
  const [facts, belief] = [truth(state, rig), believed(known)]
  let verdict: LampTruth['verdict'] | null = null
  for (const actions of lists) {
    const says = lampSays(rig, actions, known)
    const claims = says.flatMap((say) => say.claims)
    const isSilent = claims.some((one) => isSilentOn(rig, one, belief))
    if (claims.length === 0 || isSilent || !wouldLight(rig, actions, says, known)) continue
    const are = claims.map((claim) => holds(rig, claim, facts))
    if (are.every((one) => one === true)) return { isLit: false, verdict: 'lies', against: claims }
    const isFalse = are.some((one) => one === false)
    verdict = verdict === 'unknown' || !isFalse ? 'unknown' : 'true'
  }
  return verdict && { isLit: false, verdict, against: [] }
}

/** Whether the list would light its lamp if the controller believed what it claims. */
function wouldLight(
  rig: Rig,
  actions: Footswitch['release'],
  says: readonly LampSay[],
  known: Known,
): boolean {
  if (says.every(({ isLit }) => isLit)) return false
  const [presets, values, contacts]: { [key: string]: number | boolean }[] = [{}, {}, {}]
  for (const claim of says.flatMap((say) => say.claims))
    if (claim.kind === 'preset') presets![claim.deviceId] = claim.index
    else if (claim.kind === 'contact') contacts![contactKey(claim.deviceId, claim.contactId)] = claim.isClosed
    else {
      const control = own(rig.controls, claim.controlId)
      values![claim.controlId] =
        claim.kind === 'value' ? claim.value : control ? highestValue(control.address) : 0
    }
  const told = {
    ...known,
    presets: { ...known.presets, ...presets },
    values: { ...known.values, ...values },
    contacts: { ...known.contacts, ...contacts },
    tuner: true,
  } as Known
  return isLitBy(rig, actions, told) === true
}
