import { own } from '#core/base'
import { reservedFor } from '#core/midi'
import type { Rig, SwitchId } from '#core/rig'
import { contactKey, type Claim } from '#core/switching'
import { chartOf, readAt } from './chartIndex'
import { mayChange, type DeviceState } from './device'
import type { FloorState, StepResult, WireEntry } from './floor'

/** The last thing that happened to something a controller believes of a device, or to that device. */
export type Cause = { readonly at: number; readonly by: SwitchId | null } &
  /** A preset was recalled that has it so. */
  (
    | { readonly kind: 'recalled'; readonly deviceId: string; readonly preset: number | null }
    /** A message set it. */
    | { readonly kind: 'set'; readonly entry: WireEntry }
    /** What was sent was lost while the device was loading, found nothing there, or reached no device. */
    | { readonly kind: 'lost' | 'nothing' | 'unheard'; readonly entry: WireEntry }
    | { readonly kind: 'contact'; readonly deviceId: string }
    | { readonly kind: 'power'; readonly deviceId: string; readonly isOn: boolean }
    /** The controller took it to be so from then on. */
    | { readonly kind: 'believed' }
  )

const valueKey = (controlId: string) => `value ${controlId}`
const presetKey = (deviceId: string) => `preset ${deviceId}`

const keyOf = (claim: Claim): string =>
  claim.kind === 'preset'
    ? presetKey(claim.deviceId)
    : claim.kind === 'contact'
      ? contactKey(claim.deviceId, claim.contactId)
      : valueKey(claim.controlId)

/**
 * Remembers for each thing that can be believed of a device what happened to it last, on either side: no more than
 * that, however long the floor is played on.
 */
export class FloorTrail {
  readonly #devices = new Map<string, Cause>()
  readonly #beliefs = new Map<string, Cause>()
  readonly #missed = new Map<string, Cause>()

  /** What happened between a state and the one in `result`. */
  note(rig: Rig, before: FloorState, result: StepResult): void {
    const { state } = result
    if (state.known !== before.known) this.#noteBelief(before, result)
    for (const entry of result.wire) this.#noteMissed(rig, entry)
    if (state.devices !== before.devices)
      for (const [id, now] of Object.entries(state.devices))
        if (now !== own(before.devices, id)) this.#noteDevice(rig, id, now, before, result)
    for (const { deviceId, isOn, at } of result.powered)
      for (const id of deviceId === null ? Object.keys(rig.devices) : [deviceId])
        this.#notePower(rig, id, { kind: 'power', deviceId: id, isOn, at, by: null })
  }

  /** Why what a claim says and what is are two things, and since when; null when nothing of it is known. */
  why(rig: Rig, claim: Claim): Cause | null {
    const key = keyOf(claim)
    const [device, belief, missed] = [this.#devices.get(key), this.#beliefs.get(key), this.#missed.get(key)]
    // What was missed counts until something arrives after it.
    if (missed && missed.at >= (device?.at ?? 0) && missed.at >= (belief?.at ?? 0)) return missed
    if (device && belief) return device.at >= belief.at ? device : belief
    return device ?? belief ?? null
  }

  #noteBelief(before: FloorState, { state, gestures }: StepResult): void {
    const [was, is] = [before.known, state.known]
    const last = gestures.at(-1)
    const cause: Cause = { kind: 'believed', at: last?.at ?? state.at, by: last?.switchId ?? null }
    const changed = <Value>(
      a: { readonly [id: string]: Value },
      b: typeof a,
      key: (id: string) => string,
    ) => {
      if (a === b) return
      for (const id in b) if (b[id] !== own(a, id)) this.#beliefs.set(key(id), cause)
    }
    changed(was.values, is.values, valueKey)
    changed(was.presets, is.presets, presetKey)
    changed(was.contacts, is.contacts, (key) => key)
  }

  #noteMissed(rig: Rig, entry: WireEntry): void {
    const note = (kind: 'lost' | 'nothing' | 'unheard', deviceId: string) => {
      for (const key of meant(rig, deviceId, entry))
        this.#missed.set(key, { kind, entry, at: entry.end, by: entry.by })
    }
    for (const id of entry.lostBy) note('lost', id)
    for (const id of entry.nothingFor) note('nothing', id)
    if (entry.deviceId !== null && !entry.heardBy.includes(entry.deviceId)) note('unheard', entry.deviceId)
  }

  #noteDevice(
    rig: Rig,
    id: string,
    is: DeviceState,
    before: FloorState,
    { wire, contacts }: StepResult,
  ): void {
    const was = own(before.devices, id)
    for (const key of changedKeys(id, was, is)) {
      const entry = wire.findLast((one) => one.heardBy.includes(id as never) && touches(rig, id, one, key))
      const contact = contacts.findLast(({ deviceId }) => deviceId === id)
      if (entry)
        this.#devices.set(
          key,
          entry.message.kind === 'program'
            ? { kind: 'recalled', deviceId: id, preset: is.preset, at: entry.end, by: entry.by }
            : { kind: 'set', entry, at: entry.end, by: entry.by },
        )
      else if (contact)
        this.#devices.set(key, { kind: 'contact', deviceId: id, at: contact.at, by: contact.by })
    }
  }

  #notePower(rig: Rig, id: string, cause: Cause): void {
    this.#devices.set(presetKey(id), cause)
    for (const control of Object.values(rig.controls))
      if (control.deviceId === id) this.#devices.set(valueKey(control.id), cause)
  }
}

function changedKeys(id: string, was: DeviceState | undefined, is: DeviceState): string[] {
  const keys = was?.preset === is.preset ? [] : [presetKey(id)]
  for (const [controlId, value] of Object.entries(is.controls))
    if (value !== own(was?.controls ?? NOTHING, controlId)) keys.push(valueKey(controlId))
  for (const [contactId, isClosed] of Object.entries(is.contacts))
    if (isClosed !== own(was?.contacts ?? NOTHING, contactId)) keys.push(contactKey(id, contactId))
  return keys
}

const NOTHING: { readonly [id: string]: never } = {}

/** Whether a message a device heard could have moved this. */
const touches = (rig: Rig, id: string, { message }: WireEntry, key: string): boolean =>
  mayChange(message, chartOf(rig, id)).some(
    (one) =>
      (one.kind === 'control' ? valueKey(one.controlId) : one.kind === 'preset' ? presetKey(id) : '') === key,
  )

/** What a message is for, on a device; nothing for one that says less than all of it. */
function meant(rig: Rig, deviceId: string, { message }: WireEntry): readonly string[] {
  if (message.kind === 'program') return [presetKey(deviceId)]
  if (message.kind !== 'control' || reservedFor(message.controller) !== null) return []
  return readAt(rig, deviceId, message.controller, message.value).map(({ control }) => valueKey(control.id))
}
