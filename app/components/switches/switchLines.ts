import { compile, messagesAmong, type Footswitch, type Rig } from '#core'
import { actionLines } from '~/text/actions'
import { messageText } from '~/text/messages'

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
export function switchLines(rig: Rig, footswitch: Footswitch, position: number): SwitchLine[] {
  const steps = compile(rig, footswitch, 'press', position)
  return (footswitch.positions[position] ?? []).flatMap((action, n) =>
    actionLines(rig, action).map(({ key, device, state, isByFoot }) => {
      const ours = steps.filter((one) => one.action === n && 'deviceId' in one && one.deviceId === key)
      const last = messagesAmong(ours).at(-1)
      const sent = last
        ? messageText(last.message)
        : ours.length > 0
          ? 'contact'
          : isByFoot
            ? 'by foot'
            : 'not sent'
      return { key: `${position}/${n}/${key}`, device, sent, preset: state }
    }),
  )
}
