import { own } from '#core/base'
import {
  perTables,
  byIndex,
  type Rig,
  switchesHere,
  type Action,
  type BankId,
  switchCount,
  type Controller,
  type ControllerId,
  type SoundId,
  type Footswitch,
  type Layer,
  type SwitchId,
} from '#core/rig'
import {
  expanded,
  isQuiet,
  leadsOf,
  showGo,
  afterList,
  COMPILE_KEYS,
  lateness,
  timingOf,
} from '#core/switching'
import { pointOf, type Point } from './foot'

/** Where the foot is: a bank and a layer. */
export interface Where {
  readonly bankId: BankId
  readonly layer: Layer
}

/** Names a bank and layer. */
export const whereKey = ({ bankId, layer }: Where): string => `${bankId}/${layer}`

/** One thing a foot does on one switch, and what comes of it as far as sounds and banks go. */
export interface FootMove {
  readonly how: 'press' | 'long' | 'double'
  /** Null for the switches the controller keeps for turning banks. */
  readonly footswitch: Footswitch | null
  /** Of the controller's own way to the next bank (1) or the one before (-1). */
  readonly turns: 1 | -1 | null
  readonly jack: string
  readonly number: number
  readonly point: Point
  readonly from: Where
  readonly to: Where
  /** The sound that is heard then; null when it recalls none. */
  readonly plays: SoundId | null
  /** It goes to the next part of the show, one part, whatever else it does. */
  readonly goesOn: boolean
  /** It leads elsewhere and does nothing else that is heard. */
  readonly isQuiet: boolean
  /** Of a switch with several positions which of them does it, of how many; null of one with one. */
  readonly position: { readonly at: number; readonly of: number } | null
  /** From the foot coming down until the controller does it, in ms, for a foot that is down for 80 ms. */
  readonly takesMs: number
  /** Times the foot comes down. */
  readonly presses: number
}

/** How long a foot is down for a plain step, in ms. */
export const FOOT_DOWN_MS = 80

export interface FootMoves {
  readonly from: ReadonlyMap<string, readonly FootMove[]>
  /** Those that play a sound. */
  readonly playing: ReadonlyMap<SoundId, readonly FootMove[]>
  /** Those that go to the next part of the show. */
  readonly onward: readonly FootMove[]
}

/** All that a foot can do in every bank and layer. Holding the shift layer and going "back" hang on more than where it is: left out. */
export const footMoves = (rig: Rig, controllerId: ControllerId): FootMoves =>
  all(rig).get(controllerId) ?? NOTHING

const NOTHING: FootMoves = { from: new Map(), playing: new Map(), onward: [] }

const all = perTables(
  [...COMPILE_KEYS, 'switches', 'banks'],
  (rig: Rig): ReadonlyMap<string, FootMoves> =>
    new Map(Object.values(rig.controllers).map((one) => [one.id, work(rig, one)])),
)

function work(rig: Rig, controller: Controller): FootMoves {
  const banks = byIndex(rig.banks).filter(({ controllerId }) => controllerId === controller.id)
  const layers: readonly Layer[] = controller.hasShift ? ['base', 'shift'] : ['base']
  const from = new Map<string, FootMove[]>()
  const playing = new Map<SoundId, FootMove[]>()
  const onward: FootMove[] = []
  const put = (move: FootMove) => {
    const here = from.get(whereKey(move.from))
    if (here) here.push(move)
    else from.set(whereKey(move.from), [move])
    if (move.goesOn) onward.push(move)
    if (move.plays === null) return
    const there = playing.get(move.plays)
    if (there) there.push(move)
    else playing.set(move.plays, [move])
  }
  for (const bank of banks)
    for (const layer of layers) {
      const where: Where = { bankId: bank.id, layer }
      for (const one of switchesHere(rig, bank.id, layer).values())
        for (const move of movesOf(rig, controller, where, one)) put(move)
      for (const move of turning(rig, controller, where, banks)) put(move)
    }
  return { from, playing, onward }
}

/** What a list does where the foot is, and what the bank it leads to does as the foot comes. */
function outcome(rig: Rig, from: Where, actions: readonly Action[]) {
  const { spot, said, isHeld } = afterList(rig, actions, from.bankId, from.layer)
  const does = expanded(rig, actions).map(({ action }) => action)
  const isUnsure = isHeld || leadsOf(rig, actions).includes('back')
  const to: Where = { bankId: spot.bankId ?? from.bankId, layer: spot.layer }
  const goes = to.bankId !== from.bankId || to.layer !== from.layer
  const arrives = to.bankId === from.bankId ? [] : (own(rig.banks, to.bankId)?.enter ?? [])
  const heard = afterList(rig, arrives, to.bankId, to.layer)
  // A bank that leads on as the foot comes is not looked through.
  const leadsOn = heard.spot.bankId !== to.bankId || heard.spot.layer !== to.layer
  // What a show is stepped on to hangs on where it is: no sound of its own.
  const inShow = [...expanded(rig, actions), ...expanded(rig, arrives)].flatMap(
    ({ action }) => showGo(action)?.to ?? [],
  )
  const plays = inShow.length > 0 ? null : (heard.said.at(-1) ?? said.at(-1) ?? null)
  const goesOn = inShow.length === 1 && inShow[0] === 'nextPart'
  const isQuietMove = goes && plays === null && inShow.length === 0 && does.every(isQuiet)
  return isUnsure || leadsOn ? null : { to, plays, goesOn, isQuiet: isQuietMove }
}

function movesOf(rig: Rig, controller: Controller, from: Where, one: Footswitch): FootMove[] {
  const timing = timingOf(controller, one)
  const { positions, release, longPress, doublePress, jack, number } = one
  const moves: FootMove[] = []
  const point = pointOf(controller, one)
  const add = (
    how: FootMove['how'],
    actions: readonly Action[],
    takesMs: number,
    presses: number,
    position: FootMove['position'] = null,
  ) => {
    const came = outcome(rig, from, [...actions, ...release])
    if (came === null || (came.plays === null && !came.isQuiet && !came.goesOn)) return
    // Of several positions, those gone through on the way do something else.
    if (came.goesOn && position !== null) return
    moves.push({
      how,
      footswitch: one,
      turns: null,
      jack,
      number,
      point,
      from,
      position,
      takesMs,
      presses,
      ...came,
    })
  }
  const late = lateness(timing)
  // A plain step that waits for the foot to go off waits for a foot that goes off soon.
  const pressMs = late.waitsFor === 'release' ? FOOT_DOWN_MS : late.least / 1000
  positions.forEach((actions, at) =>
    add('press', actions, pressMs, 1, positions.length > 1 ? { at, of: positions.length } : null),
  )
  // Where the plain press fires as well, what a long one comes to hangs on both.
  if (timing.hasLong && (timing.firesOn === 'release' || positions.every((actions) => actions.length === 0)))
    add('long', longPress, timing.longAfter / 1000, 1)
  if (timing.hasDouble) add('double', doublePress, FOOT_DOWN_MS + 100, 2)
  return moves
}

/** The switches it keeps for turning banks: the highest two, down and up (common practice). */
function turning(
  rig: Rig,
  controller: Controller,
  from: Where,
  banks: readonly { readonly id: BankId }[],
): FootMove[] {
  if (controller.keepsSwitches < 2 || banks.length < 2) return []
  const at = banks.findIndex(({ id }) => id === from.bankId)
  return ([-1, 1] as const).flatMap((turns): FootMove[] => {
    const number = switchCount(controller) - (turns === 1 ? 0 : 1)
    const bankId = banks.at((at + turns) % banks.length)!.id
    const came = outcome(rig, from, [{ kind: 'travel', to: 'bank', bankId }])
    if (came === null) return []
    return [
      {
        how: 'press',
        footswitch: null,
        turns,
        jack: '',
        number,
        point: pointOf(controller, { jack: '', number }),
        from,
        position: null,
        takesMs: 0,
        presses: 1,
        ...came,
      },
    ]
  })
}

/** Presses until a switch does one of its positions, from the one its next press does. */
export const pressesUntil = (
  { position, footswitch, presses }: FootMove,
  next: { readonly [switchId: string]: number },
): number => {
  if (position === null || footswitch === null) return presses
  const now = own(next, footswitch.id as SwitchId) ?? 0
  return ((position.at - now + position.of) % position.of) + 1
}
