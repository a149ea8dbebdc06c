import { own } from '#core/base'
import { checklist } from '#core/setup'
import {
  byIndex,
  inOrder,
  type Rig,
  switchesHere,
  type Action,
  type Bank,
  type Controller,
  type Pedal,
  type PedalRole,
  type Sound,
  isProgrammed,
  LAYERS,
  type Footswitch,
  type Layer,
} from '#core/rig'
import { switchName } from '#core/sound'
import { type FootMove, routeTo, showController, standAtStart } from '#core/show'
import { standing } from './paper'

/** What a switch does beside a plain press. */
export interface FootGestures {
  readonly long: readonly Action[]
  readonly double: readonly Action[]
}

/** A footswitch as someone sees it who has never stood before it. */
export interface BoardTile extends FootGestures {
  /** The jack its switch is on; empty for the controller's own. */
  readonly jack: string
  readonly number: number
  /** Empty where nothing stands. */
  readonly name: string
  /** What a plain press does, where it has no name of its own. */
  readonly press: readonly Action[]
  /** How many things it does in turn. */
  readonly positions: number
}

/** A bank as it lies before the foot: the far row first. */
export interface BoardMap {
  readonly bank: Bank
  /** As the controller shows it. */
  readonly shown: number
  readonly layer: Layer
  readonly rows: readonly (readonly BoardTile[])[]
}

/** What a player needs who steps in. */
export interface StandIn {
  readonly controller: Controller
  /** The bank it wakes up in. */
  readonly start: { readonly bank: Bank; readonly shown: number } | null
  /** What is switched on, one after the other. */
  readonly powerOrder: readonly string[]
  /** What stands in every bank: the same wherever the foot is. */
  readonly everywhere: readonly BoardTile[]
  readonly boards: readonly BoardMap[]
  readonly pedals: readonly { readonly pedal: Pedal; readonly roles: readonly PedalRole[] }[]
  /** Every sound that a switch plays, with the steps to it from where the controller wakes up. */
  readonly sounds: readonly { readonly sound: Sound; readonly moves: readonly FootMove[] }[]
  /** Sounds the foot cannot come to from there. */
  readonly unreached: readonly Sound[]
  /** Controllers this is not about. */
  readonly others: readonly string[]
}

/** The rig for somebody who has never seen it; null without a controller, and where nothing stands. */
export function standIn(rig: Rig): StandIn | null {
  const controller = showController(rig)
  if (!controller) return null
  const banks = byIndex(rig.banks).filter(({ controllerId }) => controllerId === controller.id)
  const stand = standAtStart(rig, controller)
  const home = own(rig.banks, stand?.bankId ?? '')
  const shown = (bank: Bank) => bank.index + controller.firstBank
  const everywhere = new Map<string, Footswitch>()
  const ways = inOrder(rig.sounds).map((sound) => ({
    sound,
    route: stand && routeTo(rig, controller, stand, sound.id),
  }))
  for (const bank of banks)
    for (const one of switchesHere(rig, bank.id, 'base').values())
      if (one.everywhere && isProgrammed(one)) everywhere.set(one.id, one)
  const boards = banks.flatMap((bank) =>
    LAYERS.flatMap((layer): BoardMap[] => {
      const rows = boardOf(rig, controller, bank, layer)
      return rows.flat().every(isBare) ? [] : [{ bank, shown: shown(bank), layer, rows }]
    }),
  )
  if (boards.length + everywhere.size === 0) return null
  return {
    controller,
    start: home ? { bank: home, shown: shown(home) } : null,
    powerOrder: checklist(rig).flatMap(({ task }) => (task.kind === 'switchOn' ? task.boxes : [])),
    everywhere: [...everywhere.values()]
      .sort((a, b) => a.number - b.number)
      .map((one) => tileOf(rig, one.number, one)),
    boards,
    pedals: inOrder(rig.pedals)
      .map((pedal) => ({ pedal, roles: pedal.roles.filter(({ targets }) => targets.length > 0) }))
      .filter(({ roles }) => roles.length > 0),
    sounds: ways.flatMap(({ sound, route }) => (route ? [{ sound, moves: route.moves }] : [])),
    unreached: ways.flatMap(({ sound, route }) => (route ? [] : [sound])),
    others: inOrder(rig.controllers).flatMap(({ id, name }) => (id === controller.id ? [] : [name])),
  }
}

const isBare = ({ name, press, long, double }: BoardTile): boolean =>
  name === '' && press.length + long.length + double.length === 0

const tileOf = (rig: Rig, number: number, one: Footswitch | undefined): BoardTile => ({
  jack: one?.jack ?? '',
  number,
  name: one ? switchName(rig, one, { labelLength: null }) : '',
  press: one?.positions[0] ?? [],
  positions: one?.positions.length ?? 1,
  long: one?.longPress ?? [],
  double: one?.doublePress ?? [],
})

function boardOf(rig: Rig, { rows, columns }: Controller, bank: Bank, layer: Layer): BoardTile[][] {
  const here = standing(rig, bank, layer)
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (__, column): BoardTile => {
      const number = (rows - 1 - row) * columns + column + 1
      return tileOf(rig, number, here.get(number))
    }),
  )
}
