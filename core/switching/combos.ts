import { own } from '#core/base'
import {
  sendChannel,
  addressOf,
  perTables,
  inOrder,
  type Rig,
  type Controller,
  type DeviceId,
  type Sound,
  soundOf,
} from '#core/rig'
import { wantsOf } from '#core/sound'
import { oneOf } from './action'
import { COMPILE_KEYS } from './compile'

/** One program of a numbered combination. */
interface ComboProgram {
  readonly deviceId: DeviceId
  readonly channel: number
  readonly program: number
}

/** Why a message cannot be in the combination and must stand on the switch itself. */
export type OutsideReason = 'channel' | 'program' | 'bank' | 'control' | 'contact'

/** A sound that lives in the controller's list of numbered combinations. */
export interface Combo {
  readonly sound: Sound
  /** Its place from 0, and the number the controller shows for it; null where the list is full. */
  readonly index: number | null
  readonly shown: number | null
  readonly programs: readonly ComboProgram[]
  readonly outside: readonly { readonly deviceId: DeviceId; readonly why: OutsideReason }[]
}

/**
 * Which sounds live in a controller's list of combinations, in the order of the sounds, and which of their messages
 * have to stand on the switch: those on a channel or with a program beyond the list, bank select, controls, contacts.
 */
export const combosOf = (rig: Rig, controller: Controller): readonly Combo[] =>
  controller.combos ? known(rig).get(controller.id)! : []

const known = perTables([...COMPILE_KEYS, 'switches'], (rig: Rig): ReadonlyMap<string, readonly Combo[]> => {
  const used = new Set(
    Object.values(rig.switches).flatMap(({ positions, longPress, doublePress, release }) =>
      [...positions, longPress, doublePress, release].flatMap((actions) =>
        actions
          .flatMap((action) => [action, ...oneOf(rig, action)])
          .flatMap((action) => soundOf(action) ?? []),
      ),
    ),
  )
  const sounds = inOrder(rig.sounds).filter(({ id }) => used.has(id))
  return new Map(
    inOrder(rig.controllers).map((controller) => [controller.id, planned(rig, controller, sounds)]),
  )
})

function planned(rig: Rig, { combos }: Controller, sounds: readonly Sound[]): readonly Combo[] {
  if (!combos) return []
  let next = 0
  return sounds.map((sound): Combo => {
    const programs: ComboProgram[] = []
    const outside: Combo['outside'][number][] = []
    for (const [deviceId, want] of wantsOf(rig, sound)) {
      const device = own(rig.devices, deviceId)
      if (want.kind !== 'be' || !device) continue
      const channel = sendChannel(rig, device)
      if (want.preset !== null && channel !== null) {
        const { bank, program } = addressOf(device.numbering, want.preset)
        const why =
          bank > 0
            ? 'bank'
            : channel > combos.channels
              ? 'channel'
              : program > combos.highestProgram
                ? 'program'
                : null
        if (why) outside.push({ deviceId, why })
        else programs.push({ deviceId, channel, program })
      }
      if (want.sets.length > 0) outside.push({ deviceId, why: 'control' })
      if (want.contacts.length > 0) outside.push({ deviceId, why: 'contact' })
    }
    const index = programs.length > 0 && next < combos.count ? next++ : null
    return { sound, index, shown: index === null ? null : index + combos.first, programs, outside }
  })
}
