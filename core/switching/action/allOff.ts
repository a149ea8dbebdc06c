import type { ActionOf } from '#core/rig'
import { soundDevices, sendWants, wantOf } from '#core/sound'
import { SWEEP } from '../controlSends'
import { contactKey } from '../known'
import { without } from '../phrase/phrase'
import type { ActionStep } from '../step'
import type { ActionDoes } from './actionDoes'

/** Every device that can be switched off by message or contact, and all sweeps. */
export const allOff: ActionDoes<ActionOf<'allOff'>> = {
  starts: () => ({ kind: 'allOff' }),
  // What runs is stopped first: that changes nothing of what the devices are sent.
  asks: () => [],
  steps: (rig, _, { controller, known }) => {
    const wants = new Map(
      soundDevices(rig).flatMap((device) => {
        const want = device.bypass.kind === 'none' ? null : wantOf(rig, device, { kind: 'off' })
        return want?.kind === 'be' ? [[device.id, want] as const] : []
      }),
    )
    const presets: { [deviceId: string]: number } = {}
    const values: { [controlId: string]: number } = {}
    const contacts: { [key: string]: boolean } = {}
    for (const [id, want] of wants) {
      if (want.preset !== null) presets[id] = want.preset
      for (const { controlId, value } of want.sets) values[controlId] = value
      for (const { contact, isClosed } of want.contacts) contacts[contactKey(id, contact.id)] = isClosed
    }
    return [
      // Notes and pulses end by themselves: stopped halfway, a note would hang and a contact stay closed.
      ...Object.keys(known.running)
        .filter((name) => name.startsWith(SWEEP))
        .map((name): ActionStep => ({ kind: 'stop', name })),
      ...(known.clock ? [{ kind: 'send' as const, deviceId: null, message: { kind: 'stop' as const } }] : []),
      ...(sendWants(rig, wants, controller) as readonly ActionStep[]),
      { kind: 'know', learned: { sound: null, clock: false, presets, values, contacts } },
    ]
  },
  rows: () => [['allOff']],
  reads: (_, { words }) => {
    const said = without(words, 'all', 'everything')
    return said && without(said, 'off')?.length === 0 ? [{ action: { kind: 'allOff' }, sureness: 7 }] : []
  },
}
