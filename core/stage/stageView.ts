import { own } from '#core/base'
import {
  byIndex,
  inOrder,
  type Rig,
  isAt,
  playedParts,
  showOn,
  type PlayedPart,
  switchesHere,
  type Controller,
  type Pedal,
  isProgrammed,
  type Footswitch,
  type Lamp,
} from '#core/rig'
import {
  restPoint,
  playerOf,
  type FootRoute,
  type Stand,
  showController,
  wayTo,
  type FootMove,
} from '#core/show'
import { switchName } from '#core/sound'
import type { StageNow } from './stageNow'

/** One footswitch as it lies on the floor. */
export interface StageTile {
  readonly number: number
  /** Empty where nothing stands. */
  readonly name: string
  readonly light: Lamp['light']
  readonly isDown: boolean
  /** It answers to a long press or a double one too. */
  readonly hasLong: boolean
  readonly hasDouble: boolean
  /** The foot's next step for the next part. */
  readonly isNext: boolean
}

/** What a stage shows in a rig. */
export interface StageView {
  /** As the controller shows it: number and name; null while there is no bank. */
  readonly bank: { readonly shown: number; readonly name: string } | null
  /** Rows from the far one to the near one. */
  readonly rows: readonly (readonly StageTile[])[]
  readonly now: PlayedPart | null
  /** The sound that is on, or else the switch stepped on last; empty while there is neither. */
  readonly heard: string
  readonly next: PlayedPart | null
  /** What the foot does for the next part from here, one after the other; empty where that is not known or nothing. */
  readonly toNext: readonly FootMove[]
  /** How often the foot comes down on the last of them, whose positions may have to be gone through. */
  readonly lastTimes: number
  /** The next part keeps the sound: nothing is stepped on. */
  readonly staysForNext: boolean
  readonly pedals: readonly { readonly pedal: Pedal; readonly role: number }[]
}

/** What is shown on stage; null where the rig has no controller. */
export function stageView(rig: Rig, now: StageNow): StageView | null {
  const bank = own(rig.banks, now.bankId ?? '') ?? null
  const controller = own(rig.controllers, bank?.controllerId ?? '') ?? inOrder(rig.controllers)[0]
  if (!controller) return null
  const show = showOn(rig)
  const parts = show ? playedParts(rig, show) : []
  const at = parts.findIndex((one) => isAt(one, now.showAt))
  const next = parts[at + 1] ?? null
  const keeps = next !== null && next.soundId === now.soundId && show?.stepsOn === 'sounds'
  const way = next === null || keeps || !show ? null : wayFrom(rig, controller, now, next)
  const toNext = way?.moves ?? []
  const first = toNext[0]
  const here = bank ? switchesHere(rig, bank.id, now.layer) : new Map<string, Footswitch>()
  const last = own(rig.switches, now.switchId ?? '')
  const { rows, columns } = controller
  return {
    bank: bank && { shown: bank.index + controller.firstBank, name: bank.name },
    rows: Array.from({ length: rows }, (_, row) =>
      Array.from({ length: columns }, (__, column): StageTile => {
        const number = (rows - 1 - row) * columns + column + 1
        const key = `/${number}`
        const one = here.get(key)
        return {
          number,
          name: one && isProgrammed(one) ? switchName(rig, one, controller) : '',
          light: own(now.lamps, key) ?? 'off',
          isDown: now.down.includes(key),
          hasLong: (one?.longPress.length ?? 0) > 0,
          hasDouble: (one?.doublePress.length ?? 0) > 0,
          isNext: first !== undefined && first.jack === '' && first.number === number,
        }
      }),
    ),
    now: parts[at] ?? null,
    heard: own(rig.sounds, now.soundId ?? '')?.name ?? (last ? switchName(rig, last, controller) : ''),
    next,
    toNext,
    // A double press is one move: its name says it.
    lastTimes: way && toNext.at(-1)!.position !== null ? way.lastPresses : 1,
    staysForNext: keeps,
    pedals: inOrder(rig.pedals).flatMap((pedal) => {
      const role = own(now.roles, pedal.id)
      return role !== undefined && pedal.roles[role] ? [{ pedal, role }] : []
    }),
  }
}

function wayFrom(rig: Rig, controller: Controller, now: StageNow, next: PlayedPart): FootRoute | null {
  const show = showOn(rig)
  if (!show || showController(rig)?.id !== controller.id) return null
  const bankId = now.bankId ?? byIndex(rig.banks).find((one) => one.controllerId === controller.id)?.id
  if (!bankId) return null
  const from: Stand = { bankId, layer: now.layer, point: restPoint(controller, playerOf(rig)) }
  return wayTo(rig, show, controller, from, next, now.next)
}
