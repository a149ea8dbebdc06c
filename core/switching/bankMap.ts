import { own } from '#core/base'
import {
  perTables,
  byIndex,
  type Rig,
  switchesHere,
  type Action,
  type Bank,
  type BankId,
  type ControllerId,
  type SoundId,
  actionLists,
  type Footswitch,
  type Layer,
} from '#core/rig'
import { expanded, footAfter, leadsOf, oneOf, soundsIn } from './action'
import type { Foot } from './action/actionDoes'
import { COMPILE_KEYS } from './compile'

/** A bank in one of its layers. */
export interface Spot {
  readonly bank: Bank
  readonly layer: Layer
}

/** One step from spot to spot. */
export interface Way {
  readonly from: number
  readonly to: number
  /** Null for the switches the controller keeps for turning banks. */
  readonly by: Footswitch | null
}

/** Where the foot can be, and what one press leads to. */
export interface BankMap {
  readonly spots: readonly Spot[]
  readonly ways: readonly Way[]
  readonly home: number
  /** Presses from spot to spot; Infinity where no way leads. */
  readonly presses: readonly (readonly number[])[]
  /** The spots where a sound can be stepped on. */
  readonly sounds: ReadonlyMap<SoundId, readonly number[]>
  /** The spots where a show can be stepped on to a sound. */
  readonly inShow: ReadonlyMap<SoundId, readonly number[]>
  /** Spots that cannot be left, and those that cannot be left for home. */
  readonly deadEnds: readonly number[]
  readonly noWayHome: readonly number[]
  /** Spots that no way from home leads to. */
  readonly unreached: readonly number[]
}

/** `back` hangs on where the foot was: it is not counted as a way. */
export const bankMap = (rig: Rig, controllerId: ControllerId): BankMap | null =>
  named(rig).get(controllerId) ?? null

const maps = perTables(
  [...COMPILE_KEYS, 'switches'],
  (rig: Rig): ReadonlyMap<string, BankMap> =>
    new Map(
      Object.keys(rig.controllers).flatMap((id) => {
        const map = work(rig, id as ControllerId)
        return map ? [[id, map]] : []
      }),
    ),
)

/** The same with the banks as they are called now: a rename moves nothing. */
const named = perTables(
  [maps, 'banks'],
  (rig: Rig): ReadonlyMap<string, BankMap> =>
    new Map(
      [...maps(rig)].map(([id, map]) => [
        id,
        {
          ...map,
          spots: map.spots.map((spot) => ({ ...spot, bank: own(rig.banks, spot.bank.id) ?? spot.bank })),
        },
      ]),
    ),
)

function work(rig: Rig, controllerId: ControllerId): BankMap | null {
  const controller = own(rig.controllers, controllerId)!
  const banks = byIndex(rig.banks).filter((bank) => bank.controllerId === controllerId)
  if (banks.length === 0) return null
  const layers: readonly Layer[] = controller.hasShift ? ['base', 'shift'] : ['base']
  const spots = banks.flatMap((bank) => layers.map((layer): Spot => ({ bank, layer })))
  const spotAt = (bankId: BankId | null, layer: Layer) =>
    spots.findIndex((one) => one.bank.id === bankId && one.layer === layer)
  const home = spotAt(controller.home ?? banks[0]!.id, 'base')
  const ways: Way[] = []
  const sounds = new Map<SoundId, number[]>()
  const inShow = new Map<SoundId, number[]>()
  for (const [from, { bank, layer }] of spots.entries()) {
    for (const by of switchesHere(rig, bank.id, layer).values()) {
      for (const { actions } of actionLists(by)) {
        const { spot, said, shown, isHeld } = afterList(rig, actions, bank.id, layer)
        for (const id of said) putAt(sounds, id, from)
        for (const id of shown) putAt(inShow, id, from)
        const to = spotAt(spot.bankId, spot.layer)
        if (to < 0 || to === from) continue
        ways.push({ from, to, by })
        // A foot that comes off gives a held layer back.
        if (isHeld) ways.push({ from: to, to: from, by })
      }
    }
    // What it keeps for turning banks does so from everywhere, round at the ends.
    if (controller.keepsSwitches > 0 && banks.length > 1)
      for (const by of [1, -1]) {
        const next = banks.at((banks.indexOf(bank) + by) % banks.length)!
        ways.push({ from, to: spotAt(next.id, layer), by: null })
      }
  }
  const onward = spots.map((): number[] => [])
  for (const { from, to } of ways) if (!onward[from]!.includes(to)) onward[from]!.push(to)
  const presses = spots.map((_, from) => distances(onward, from))
  return {
    spots,
    ways,
    home,
    presses,
    sounds,
    inShow,
    deadEnds: spots.flatMap((_, n) =>
      spots.length > 1 && presses[home]![n]! < Infinity && !ways.some(({ from }) => from === n) ? [n] : [],
    ),
    noWayHome: spots.flatMap((_, n) =>
      presses[home]![n]! < Infinity && presses[n]![home] === Infinity ? [n] : [],
    ),
    unreached: spots.flatMap((spot, n) =>
      spot.layer === 'base' && presses[home]![n] === Infinity ? [n] : [],
    ),
  }
}

function putAt(all: Map<SoundId, number[]>, id: SoundId, spot: number): void {
  const at = all.get(id) ?? []
  if (!at.includes(spot)) all.set(id, [...at, spot])
}

/** Where a list leaves the foot, the sounds it recalls, and those a show can be stepped on to. A layer that is held is given back; what is done under it is under it. */
export function afterList(rig: Rig, actions: readonly Action[], bankId: BankId, layer: Layer) {
  let foot: Foot = { bankId, layer, back: [] }
  const said: SoundId[] = []
  const shown: SoundId[] = []
  let isHeld = false
  for (const { action } of expanded(rig, actions)) {
    said.push(...soundsIn(rig, [action]))
    shown.push(...soundsIn(rig, oneOf(rig, action)))
    foot = footAfter(rig, action, foot)
    const [lead] = leadsOf(rig, [action])
    if (lead === 'layer' || lead === 'held') isHeld = lead === 'held'
  }
  return { spot: { bankId: foot.bankId, layer: foot.layer }, said, shown, isHeld }
}

/** Fewest presses from one spot to all. */
function distances(onward: readonly (readonly number[])[], from: number): number[] {
  const all = onward.map(() => Infinity)
  all[from] = 0
  const open = [from]
  for (let n = 0; n < open.length; n++)
    for (const to of onward[open[n]!]!)
      if (all[to] === Infinity) {
        all[to] = all[open[n]!]! + 1
        open.push(to)
      }
  return all
}

/** Fewest presses from a spot where one sound is stepped on until another is; null where there is no way. */
export function pressesBetween({ sounds, presses }: BankMap, from: SoundId, to: SoundId): number | null {
  const least = Math.min(
    ...(sounds.get(from) ?? []).flatMap((a) => (sounds.get(to) ?? []).map((b) => presses[a]![b]! + 1)),
  )
  return least === Infinity ? null : least
}

/** Where the nth of a row of things stands with so many a bank, all from 1: "preset 24, six a bank: bank 4, switch 6". */
export const bankAndSwitch = (
  nth: number,
  perBank: number,
): { readonly bank: number; readonly number: number } => ({
  bank: Math.ceil(nth / perBank),
  number: ((nth - 1) % perBank) + 1,
})

/** The inverse of {@link bankAndSwitch}. */
export const nthOf = (bank: number, number: number, perBank: number): number => (bank - 1) * perBank + number
