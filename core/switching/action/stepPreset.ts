import { own } from '#core/base'
import { sendChannel, addressOf, recallMessages, type Rig, type ActionOf } from '#core/rig'
import type { Known } from '../known'
import { devicesMeant } from '../phrase/controls'
import { without } from '../phrase/phrase'
import type { ActionStep } from '../step'
import { stepWay } from '../panelRows'
import type { ActionDoes } from './actionDoes'
import { firstReceiver } from '../starting'

/** Goes by what the controller last recalled on the device: it does not hear what the device does by itself. */
export const stepPreset: ActionDoes<ActionOf<'stepPreset'>> = {
  starts: (rig) => {
    const device = firstReceiver(rig)
    return (
      device && {
        kind: 'stepPreset',
        deviceId: device.id,
        by: 1,
        from: 0,
        to: device.numbering.count - 1,
        list: [],
        atEnd: 'wrap',
      }
    )
  },
  asks: (_, { deviceId }) => [`presets/${deviceId}`],
  sets: 'onward',
  steps: (rig, action, { known }) => {
    const device = own(rig.devices, action.deviceId)
    const channel = device ? sendChannel(rig, device) : null
    const index = nextPreset(rig, action, known)
    if (!device || channel === null || index === null) return []
    return [
      ...recallMessages(device.numbering, channel, index).map((message): ActionStep => ({
        kind: 'send',
        deviceId: device.id,
        message,
      })),
      { kind: 'know', learned: { sound: null, presets: { [device.id]: index } } },
    ]
  },
  recalls: (rig, action) => indexesOf(rig, action).map((index) => ({ deviceId: action.deviceId, index })),
  rows: (rig, { deviceId, by, from, to, list, atEnd }) => {
    const device = own(rig.devices, deviceId)
    const channel = device ? sendChannel(rig, device) : null
    if (!device || channel === null || list.length > 0) return null
    const [first, last] = [addressOf(device.numbering, from), addressOf(device.numbering, to)]
    return first.bank !== 0 || last.bank !== 0
      ? null
      : [['stepProgram', channel - 1, stepWay(by, atEnd), first.program, last.program]]
  },
  reads: (rig, { words }) =>
    ([1, -1] as const).flatMap((by) => {
      const said = without(words, ...(by === 1 ? ['next'] : ['previous', 'prev']))
      if (!said) return []
      const rest = without(said, 'preset') ?? said
      return devicesMeant(rig, rest).flatMap(({ device, left, fit }) =>
        device.kind !== 'receiver' || left.length > 0 || (fit === 0 && said === rest)
          ? []
          : [
              {
                action: {
                  kind: 'stepPreset' as const,
                  deviceId: device.id,
                  by,
                  from: 0,
                  to: device.numbering.count - 1,
                  list: [],
                  atEnd: 'wrap' as const,
                },
                sureness: 3 + fit,
              },
            ],
      )
    }),
}

/** The presets it goes through, in the order of `next`: those the device has. */
function indexesOf(rig: Rig, { deviceId, from, to, list }: ActionOf<'stepPreset'>): readonly number[] {
  const count = own(rig.devices, deviceId)?.numbering.count ?? 0
  if (list.length > 0) return list.filter((index) => index < count)
  const [least, most] = [Math.min(from, to), Math.min(Math.max(from, to), count - 1)]
  return Array.from({ length: Math.max(0, most - least + 1) }, (_, n) => least + n)
}

/** Where it goes next; null where it stops. From outside it begins at the end it comes from. */
function nextPreset(rig: Rig, action: ActionOf<'stepPreset'>, { presets }: Known): number | null {
  const all = indexesOf(rig, action)
  const { by, atEnd } = action
  const now = own(presets, action.deviceId)
  const at = now === undefined ? -1 : all.indexOf(now)
  if (at < 0) return (by === 1 ? all[0] : all.at(-1)) ?? null
  const to = at + by
  if (to >= 0 && to < all.length) return all[to]!
  return atEnd === 'wrap' ? all.at(to % all.length)! : null
}
