import { own, type U7 } from '#core/base'
import { sendChannel, type ActionOf } from '#core/rig'
import { devicesMeant } from '../phrase/controls'
import { onlyNumber, without } from '../phrase/phrase'
import type { ActionStep } from '../step'
import type { ActionDoes } from './actionDoes'
import { firstReceiver } from '../starting'

export const note: ActionDoes<ActionOf<'note'>> = {
  starts: (rig) => {
    const device = firstReceiver(rig)
    return (
      device && {
        kind: 'note',
        deviceId: device.id,
        note: 60 as U7,
        velocity: 100 as U7,
        does: 'strike',
        ms: 100,
      }
    )
  },
  steps: (rig, { deviceId, note: number, velocity, does, ms }) => {
    const device = own(rig.devices, deviceId)
    const channel = device ? sendChannel(rig, device) : null
    if (!device || channel === null) return []
    const send = (kind: 'noteOn' | 'noteOff'): ActionStep => ({
      kind: 'send',
      deviceId: device.id,
      message: { kind, channel, note: number, velocity: kind === 'noteOn' ? velocity : (0 as U7) },
    })
    const name = `note/${deviceId}/${number}`
    if (does === 'on') return [{ kind: 'stop', name }, send('noteOn')]
    if (does === 'off') return [{ kind: 'stop', name }, send('noteOff')]
    const steps = [send('noteOn'), { kind: 'wait' as const, microseconds: ms * 1000 }, send('noteOff')]
    return [{ kind: 'start', name, steps }]
  },
  further: (_, action, { series, n }) => {
    if (series !== 'value') return action
    return action.note + n > 127 ? null : { ...action, note: (action.note + n) as U7 }
  },
  reads: (rig, { words, isHold }) => {
    const said = without(words, 'note')
    if (!said) return []
    return devicesMeant(rig, said).flatMap(({ device, left, fit }) => {
      const number = onlyNumber(left)
      if (
        device.kind !== 'receiver' ||
        number === null ||
        !Number.isInteger(number) ||
        number < 0 ||
        number > 127
      )
        return []
      const action = {
        kind: 'note' as const,
        deviceId: device.id,
        note: number as U7,
        velocity: 100 as U7,
        does: isHold ? ('on' as const) : ('strike' as const),
        ms: 100,
      }
      return [{ action, sureness: fit + 3, ...(isHold && { release: { ...action, does: 'off' as const } }) }]
    })
  },
}
