import { own } from '#core/base'
import type { Footswitch, Rig } from '#core/rig'
import { compile, messagesAmong, type SwitchEvent } from '#core/switching'
import { actionLines } from '#shared/actions'
import { messageText } from '#shared/words/messages'

/** What one position of a switch does to one device: what a player checks at a glance. */
export interface SwitchLine {
  readonly key: string
  readonly device: string
  /** The program change as sent: PC 11. Empty when nothing reaches the device. */
  readonly sent: string
  /** As the device shows it, with its name: "B4 Dotted eighth". */
  readonly preset: string
}

/** A line for each device of each action of a position. */
export function switchLines(
  rig: Rig,
  footswitch: Footswitch,
  position: number,
  event: SwitchEvent = 'press',
): SwitchLine[] {
  const steps = compile(rig, footswitch, event, position)
  const actions = event === 'press' ? (footswitch.positions[position] ?? []) : footswitch[event]
  return actions.flatMap((action, n) =>
    actionLines(rig, action).map(({ key, device, state, isByFoot }) => {
      const ours = steps.filter((one) => one.action === n)
      const last = messagesAmong(ours).findLast(({ deviceId }) => deviceId === key)
      const sent = last
        ? messageText(last.message)
        : ours.some((one) => one.kind === 'contact' || one.kind === 'start')
          ? 'contact'
          : isByFoot
            ? 'by foot'
            : own(rig.devices, key)
              ? 'not sent'
              : ''
      return { key: `${event}/${position}/${n}/${key}`, device, sent, preset: state }
    }),
  )
}
