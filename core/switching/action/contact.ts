import { own } from '#core/base'
import { contactsOf, type ActionOf } from '#core/rig'
import { contactKey } from '../known'
import { devicesMeant } from '../phrase/controls'
import { onOrOff, onlyNumber, take, without, type PhraseReading } from '../phrase/phrase'
import type { ActionStep } from '../step'
import { contactOn } from '../panelRows'
import type { ActionDoes } from './actionDoes'
import { firstContact } from '../starting'

export const contact: ActionDoes<ActionOf<'contact'>> = {
  starts: (rig) => {
    const first = firstContact(rig)
    return (
      first && {
        kind: 'contact',
        deviceId: first.device.id,
        contactId: first.contact.id,
        does: 'change',
        times: 1,
        closedMs: 30,
        everyMs: 500,
      }
    )
  },
  asks: (_, { deviceId, contactId, does }) =>
    does === 'change' ? [`contacts/${contactKey(deviceId, contactId)}`] : [],
  steps: (rig, { deviceId, contactId, does, times, closedMs, everyMs }, { known }) => {
    const device = own(rig.devices, deviceId)
    const output = device && contactsOf(rig, device).find(({ id }) => id === contactId)?.output
    if (!device || !output) return []
    const key = contactKey(deviceId, contactId)
    const name = `contact/${key}`
    const put = (isClosed: boolean): ActionStep[] => [
      { kind: 'contact', deviceId, contactId, isClosed, output },
      { kind: 'know', learned: { contacts: { [key]: isClosed } } },
    ]
    if (does !== 'pulse') {
      const isClosed = does === 'change' ? !own(known.contacts, key) : does === 'close'
      return [{ kind: 'stop', name }, ...put(isClosed)]
    }
    const steps = Array.from({ length: times }, (_, n): ActionStep[] => [
      ...put(true),
      { kind: 'wait', microseconds: closedMs * 1000 },
      ...put(false),
      ...(n === times - 1
        ? []
        : [{ kind: 'wait' as const, microseconds: Math.max(1, everyMs - closedMs) * 1000 }]),
    ]).flat()
    return [{ kind: 'start', name, steps }]
  },
  isLit: (_, { deviceId, contactId, does }, { contacts }) =>
    does === 'pulse' ? null : own(contacts, contactKey(deviceId, contactId)) === true,
  claims: (_, { deviceId, contactId, does }) =>
    does === 'pulse' ? [] : [{ kind: 'contact', deviceId, contactId, isClosed: does !== 'open' }],
  rows: (rig, { deviceId, contactId, does, times, closedMs, everyMs }, controller) => {
    const n = contactOn(rig, controller, deviceId, contactId)
    if (n === null) return null
    return does === 'pulse'
      ? [['pulse', n, times, closedMs, everyMs]]
      : [['contact', ['close', 'open', 'change'].indexOf(does), n]]
  },
  reads: (rig, { words, isHold }) =>
    devicesMeant(rig, words).flatMap(({ device, left, fit }): PhraseReading[] =>
      contactsOf(rig, device).flatMap((one): PhraseReading[] => {
        if (one.output === null || fit === 0) return []
        const named = take(left, one.name)
        const base = {
          kind: 'contact' as const,
          deviceId: device.id,
          contactId: one.id,
          times: 1,
          closedMs: 30,
          everyMs: 500,
        }
        const sureness = fit + named.fit + 3
        // "Boost on" is closed, also where "on" is a word of its name.
        const said = onOrOff(words)
        const isBare = named.left.length === 0
        const isOnly = isBare && said === null
        if (isHold && said !== 'off' && (isBare || without(named.left, 'on', 'close')?.length === 0))
          return [
            {
              action: { ...base, does: 'close' },
              release: { ...base, does: 'open' },
              sureness: sureness + 1,
            },
          ]
        if (isHold) return []
        if ((isBare && said === 'on') || without(named.left, 'on', 'close')?.length === 0)
          return [{ action: { ...base, does: 'close' }, sureness }]
        if ((isBare && said === 'off') || without(named.left, 'off', 'open')?.length === 0)
          return [{ action: { ...base, does: 'open' }, sureness }]
        const pulses = without(named.left, 'pulse', 'taps')
        const times = pulses?.length === 0 ? 1 : pulses ? onlyNumber(pulses) : null
        if (times !== null && Number.isInteger(times) && times >= 1 && times <= 16)
          return [{ action: { ...base, does: 'pulse', times }, sureness: sureness + 1 }]
        return isOnly ? [{ action: { ...base, does: 'change' }, sureness: sureness - 1 }] : []
      }),
    ),
}
