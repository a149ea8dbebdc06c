import { own } from '#core/base'
import { contactsOf, inOrder, type Rig, type ActionOf, type Device, type TapIn } from '#core/rig'
import { tapsOut } from '#core/tempo'
import { controlSends } from '../controlSends'
import { contactKey } from '../known'
import { devicesMeant } from '../phrase/controls'
import { without, type PhraseReading } from '../phrase/phrase'
import type { ActionStep } from '../step'
import { tempoNow } from '../tempoNow'
import { contactOn } from '../panelRows'
import type { ActionDoes } from './actionDoes'

/** As many taps as the device needs, in the tempo of now; nothing where it cannot be told that tempo. */
export const tapOut: ActionDoes<ActionOf<'tapOut'>> = {
  starts: (rig) => {
    const device = inOrder(rig.devices).find(({ tapIn }) => tapIn !== null)
    return device ? { kind: 'tapOut', deviceId: device.id } : null
  },
  asks: () => ['tempo'],
  steps: (rig, { deviceId }, { known }) => {
    const device = own(rig.devices, deviceId)
    const one = device?.tapIn && oneTap(rig, device, device.tapIn)
    if (!device?.tapIn || !one) return []
    const { openMs } = device.tapIn
    const out = tapsOut(device.tapIn, tempoNow(known).bpm)
    if (!out.ok) return []
    const steps = out.value.taps.flatMap(({ closeAt, openAt }, n, all): ActionStep[] => {
      const next = all[n + 1]
      // It is under way until the contact has been open long enough for another tap.
      const gap = next ? next.closeAt - openAt : openMs * 1000
      return [
        ...one.down,
        { kind: 'wait', microseconds: openAt - closeAt },
        ...one.up,
        { kind: 'wait', microseconds: gap },
      ]
    })
    const name = `tapOut/${deviceId}`
    // Taps under way are over, and the device hears that they are: else the first of these would be lost on it.
    const isUnderWay = own(known.running, name) !== undefined
    const pause: ActionStep[] = isUnderWay ? [...one.up, { kind: 'wait', microseconds: openMs * 1000 }] : []
    return [{ kind: 'start', name, steps: [...pause, ...steps] }]
  },
  tapsOutTo: ({ deviceId }) => deviceId,
  mayChangeTempo: () => 'tapOut',
  // The tempo tapped out on a contact of the controller's own.
  rows: (rig, { deviceId }, controller) => {
    const tapIn = own(rig.devices, deviceId)?.tapIn
    if (tapIn?.place.kind !== 'contact') return null
    const n = contactOn(rig, controller, deviceId, tapIn.place.contactId)
    return n === null ? null : [['taps', n, tapIn.taps]]
  },
  reads: (rig, { words }) => {
    const said = without(without(words, 'tap', 'taps') ?? [], 'out')
    if (!said) return []
    return devicesMeant(rig, said).flatMap(({ device, left, fit }): PhraseReading[] =>
      device.tapIn !== null && left.length === 0
        ? [{ action: { kind: 'tapOut', deviceId: device.id }, sureness: fit + 6 }]
        : [],
    )
  },
}

/** What makes one tap; null where no output or message reaches the place. */
function oneTap(
  rig: Rig,
  device: Device,
  { place }: TapIn,
): { down: readonly ActionStep[]; up: readonly ActionStep[] } | null {
  if (place.kind === 'control') {
    const reading = own(rig.controls, place.controlId)?.reading
    const value = reading && 'value' in reading ? reading.value : 127
    const down = controlSends(rig, place.controlId, value)
    return down.length === 0
      ? null
      : { down, up: reading?.kind === 'switch' ? controlSends(rig, place.controlId, 0) : [] }
  }
  const { contactId } = place
  const output = contactsOf(rig, device).find(({ id }) => id === contactId)?.output
  if (!output) return null
  const put = (isClosed: boolean): ActionStep[] => [
    { kind: 'contact', deviceId: device.id, contactId, isClosed, output },
    { kind: 'know', learned: { contacts: { [contactKey(device.id, contactId)]: isClosed } } },
  ]
  return { down: put(true), up: put(false) }
}

/** Whether anything of the rig can tap at a device. */
export const canTapOut = (rig: Rig, device: Device): boolean =>
  device.tapIn !== null && oneTap(rig, device, device.tapIn) !== null
