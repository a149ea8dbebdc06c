import { own } from '#core/base'
import { inOrder, type Rig } from '#core/rig'
import { sendingOf } from '#core/sound'
import { soundCells } from './soundCells'
import type { FindingOf } from '../finding'

/** How many messages a sound sends, and what could be left out. */
export type TooManyMessages = FindingOf<
  'tooManyMessages',
  {
    readonly sound: string
    readonly controller: string
    readonly messages: number
    readonly most: number
    /** Devices that every sound wants the same of: left out, they are wrong after power-on or a hand on them. */
    readonly same: readonly string[]
  }
>

/** A sound that takes more messages than one press of the controller sends. */
export function tooManyMessages(rig: Rig): TooManyMessages[] {
  const [controller] = inOrder(rig.controllers)
  if (!controller) return []
  return inOrder(rig.sounds).flatMap((sound): TooManyMessages[] => {
    const { blocks } = sendingOf(rig, sound, controller)
    const messages = blocks.reduce((sum, block) => sum + block.messages.length, 0)
    if (messages <= controller.messagesPerEvent) return []
    const same = [...new Set(blocks.map(({ deviceId }) => deviceId))].filter(
      (id) =>
        new Set(soundCells(rig).flatMap((one) => (one.device.id === id && one.isSpoken ? [one.want] : [])))
          .size === 1,
    )
    return [
      {
        code: 'tooManyMessages',
        severity: 'error',
        about: { table: 'sounds', id: sound.id },
        facts: {
          sound: sound.name,
          controller: controller.name,
          messages,
          most: controller.messagesPerEvent,
          same: same.flatMap((id) => own(rig.devices, id)?.name ?? []),
        },
      },
    ]
  })
}
