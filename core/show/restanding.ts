import { own } from '#core/base'
import { improve, settled, type Places, type Placing } from '#core/placing'
import {
  applyEdit,
  change,
  type Change,
  type Edit,
  findSwitch,
  slotKey,
  byIndex,
  type Rig,
  switchesHere,
  type BankId,
  switchCount,
  type Controller,
  type Show,
  type SongId,
  type Footswitch,
  type Layer,
  type SwitchId,
} from '#core/rig'
import { leadsOf, soundsIn } from '#core/switching'
import { sendingOf } from '#core/sound'
import { pointOf, stepMs } from './foot'
import { playerOf, waysFrom, type Stand } from './footWay'
import {
  EVEN,
  LATE_COST,
  partWays,
  showController,
  standAtStart,
  travelOf,
  waysOfShow,
  weightsOf,
  type Care,
  type PartWay,
  type ShowTravel,
} from './travel'
import { whereKey, type FootMove } from './footMoves'

/** One of the controller's own footswitches in a bank and layer. */
export interface BoardPlace {
  readonly bankId: BankId
  readonly layer: Layer
  readonly number: number
}

/** A switch that would stand elsewhere. */
export interface BoardMove {
  readonly switchId: SwitchId
  readonly from: BoardPlace
  readonly to: BoardPlace
}

/** A board that takes fewer steps. */
export interface Proposal {
  readonly moves: readonly BoardMove[]
  readonly before: ShowTravel
  readonly after: ShowTravel
  /** What the same sounds cost put down in the order they first come, on the same places. */
  readonly firstUse: ShowTravel
  /** Slices of work done. */
  readonly rounds: number
}

/** Why no board can be looked for. */
export type NoBoard = 'noController' | 'noBank' | 'noParts' | 'nothingMoves'

/** What a switch would cost where no way leads there, or where it may not stand. */
const NO_WAY_MS = 120_000
const FORBIDDEN = 1e8

/**
 * Whether a switch may stand elsewhere: one of the controller's own, in this bank only, that plays a sound with a plain
 * press and nothing else, not pinned. What leads elsewhere stays where the foot looks for it.
 */
export function canMove(rig: Rig, one: Footswitch): boolean {
  if (one.isPinned || one.everywhere || one.jack !== '' || one.positions.length !== 1) return false
  if (one.release.length + one.longPress.length + one.doublePress.length > 0) return false
  const [only = []] = one.positions
  return soundsIn(rig, only).length > 0 && leadsOf(rig, only).length === 0
}

/** The question a show asks of a board. */
export interface BoardQuestion {
  readonly problem: Placing
  readonly start: Places
  readonly switches: readonly Footswitch[]
  readonly places: readonly BoardPlace[]
}

/** A bank in which a switch does what it does in any other: no song's tempo, nothing done as the foot comes or goes. */
const isPlain = ({ songId, enter, leave }: Rig['banks'][string]): boolean =>
  songId === null && enter.length + leave.length === 0

const keyOf = ({ bankId, layer, number }: BoardPlace): string => slotKey(bankId, { number, layer })

/** The places the controller's own footswitches have where nothing stands, and where what stands may move. */
function openPlaces(rig: Rig, controller: Controller, movable: readonly Footswitch[]): BoardPlace[] {
  const layers: readonly Layer[] = controller.hasShift ? ['base', 'shift'] : ['base']
  const isMovable = new Set(movable.map(({ id }) => id))
  const numbers = switchCount(controller) - controller.keepsSwitches
  return byIndex(rig.banks)
    .filter(({ controllerId }) => controllerId === controller.id)
    .flatMap((bank) =>
      layers.flatMap((layer) => {
        const here = switchesHere(rig, bank.id, layer)
        return Array.from({ length: numbers }, (_, n) => n + 1).flatMap((number): BoardPlace[] => {
          // A row that does nothing yet may have a name already: it is left alone.
          const there = here.get(`/${number}`) ?? findSwitch(rig, bank.id, number, { layer })
          return !there || (isMovable.has(there.id) && there.bankId === bank.id && there.layer === layer)
            ? [{ bankId: bank.id, layer, number }]
            : []
        })
      }),
    )
}

/** A board is laid out for a foot that steps on the sounds: one that goes on part by part stays on one switch. */
const onSounds = (show: Show): Show => ({ ...show, stepsOn: 'sounds' })

/** What is asked: switches as items, places as places, the show's steps as pairs. */
export function boardQuestion(rig: Rig, show: Show, care: Care = EVEN): BoardQuestion | NoBoard {
  const controller = showController(rig)
  if (!controller) return 'noController'
  const stand = standAtStart(rig, controller)
  if (!stand) return 'noBank'
  const ways = partWays(rig, onSounds(show))
  if (ways.length === 0) return 'noParts'
  const played = ways.flatMap(({ route }) => route?.moves.at(-1)?.footswitch ?? [])
  // In an order of their own: the same question has the same answer, however it was made.
  const ofBoard = Object.values(rig.switches)
    .filter((one) => own(rig.banks, one.bankId)?.controllerId === controller.id)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
  const movable = ofBoard.filter((one) => canMove(rig, one) && isReallyThere(rig, one))
  if (movable.length === 0) return 'nothingMoves'
  const isMovable = new Set(movable.map(({ id }) => id))
  const fixed = ofBoard.filter((one) => !isMovable.has(one.id) && one.jack === '' && played.includes(one))
  const switches = [...movable, ...new Set(fixed)]
  const open = openPlaces(rig, controller, movable)
  const places: BoardPlace[] = [...open]
  const placeIndex = new Map(places.map((place, n) => [keyOf(place), n]))
  const start = Int32Array.from(
    switches.map((one) => {
      const place: BoardPlace = { bankId: one.bankId, layer: one.layer, number: one.number }
      const at = placeIndex.get(keyOf(place))
      if (at !== undefined) return at
      places.push(place)
      placeIndex.set(keyOf(place), places.length - 1)
      return places.length - 1
    }),
  )
  const { cost, time } = boardCosts(rig, controller, places)
  return {
    switches,
    places,
    start,
    problem: {
      items: switches.length,
      places: places.length,
      pairs: pairsOf(rig, controller, ways, switches, care),
      cost,
      time,
      late: LATE_COST,
      alone: aloneCosts(rig, controller, ways, { switches, places, stand, care }),
      isFixed: switches.map((one) => !isMovable.has(one.id)),
    },
  }
}

/** A row another one stands over plays nothing where it is. */
const isReallyThere = (rig: Rig, one: Footswitch): boolean =>
  switchesHere(rig, one.bankId, one.layer).get(`${one.jack}/${one.number}`)?.id === one.id

/** From place to place: the time under way with every switch that leads elsewhere where it stands. */
function boardCosts(rig: Rig, controller: Controller, places: readonly BoardPlace[]) {
  const n = places.length
  const player = playerOf(rig)
  const cost = new Float64Array(n * n).fill(NO_WAY_MS)
  const byWhere = new Map<string, number[]>()
  places.forEach((place, k) => byWhere.set(whereKey(place), [...(byWhere.get(whereKey(place)) ?? []), k]))
  const points = places.map(({ number }) => pointOf(controller, { jack: '', number }))
  for (let p = 0; p < n; p++)
    for (const node of waysFrom(rig, controller, { ...places[p]!, point: points[p]! }))
      for (const q of byWhere.get(whereKey(node.at)) ?? []) {
        const ms = node.ms + stepMs(controller, player, node.at.point, points[q]!)
        if (ms < cost[p * n + q]!) cost[p * n + q] = ms
      }
  return { cost, time: cost }
}

/** The last move of each part that is stepped to, and where the show says how long there is. */
interface Leg {
  readonly from: FootMove | null
  readonly to: FootMove
  readonly way: PartWay
  /** How much its time counts. */
  readonly weight: number
}

function legsOf(ways: readonly PartWay[], care: Care = EVEN): Leg[] {
  const legs: Leg[] = []
  const weights = weightsOf(ways, care)
  let from: FootMove | null = null
  for (const [n, way] of ways.entries()) {
    const to = way.route?.moves.at(-1)
    if (!to) continue
    legs.push({ from, to, way, weight: weights[n]! })
    from = to
  }
  return legs
}

function pairsOf(
  rig: Rig,
  controller: Controller,
  ways: readonly PartWay[],
  switches: readonly Footswitch[],
  care: Care,
): Placing['pairs'] {
  const item = new Map(switches.map((one, n) => [one.id, n]))
  const pairs = new Map<string, { from: number; to: number; weight: number; within: number }>()
  for (const { from, to, way, weight } of legsOf(ways, care)) {
    const a = item.get(from?.footswitch?.id ?? ('' as SwitchId))
    const b = item.get(to.footswitch?.id ?? ('' as SwitchId))
    if (a === undefined || b === undefined) continue
    const sound = own(rig.sounds, way.played.soundId ?? '')
    // What is left for the foot once the sound has had its time.
    const within =
      way.aheadMs === null
        ? Infinity
        : way.aheadMs - to.takesMs - (sound ? sendingOf(rig, sound, controller).ready / 1000 : 0)
    const key = `${a}/${b}/${within}`
    const line = pairs.get(key)
    if (line) line.weight += weight
    else pairs.set(key, { from: a, to: b, weight, within })
  }
  return [...pairs.values()]
}

/** The first step of the show, steps from and to what is no item, and banks a switch may not stand in. */
function aloneCosts(
  rig: Rig,
  controller: Controller,
  ways: readonly PartWay[],
  {
    switches,
    places,
    stand,
    care,
  }: Pick<BoardQuestion, 'switches' | 'places'> & { readonly stand: Stand; readonly care: Care },
): Float64Array {
  const n = places.length
  const alone = new Float64Array(switches.length * n)
  const player = playerOf(rig)
  const songs = songsOfSwitches(ways)
  switches.forEach((one, u) =>
    places.forEach(({ bankId }, p) => {
      if (!mayStandIn(rig, one, bankId, songs)) alone[u * n + p] = FORBIDDEN
    }),
  )
  const item = new Map(switches.map((one, k) => [one.id, k]))
  const add = (u: number, from: Stand, weight: number) => {
    const nodes = waysFrom(rig, controller, from)
    places.forEach((place, p) => {
      let least = NO_WAY_MS
      const point = pointOf(controller, { jack: '', number: place.number })
      for (const node of nodes)
        if (whereKey(node.at) === whereKey(place))
          least = Math.min(least, node.ms + stepMs(controller, player, node.at.point, point))
      alone[u * n + p]! += weight * least
    })
  }
  for (const { from, to, weight } of legsOf(ways, care)) {
    const b = item.get(to.footswitch?.id ?? ('' as SwitchId))
    if (b === undefined) continue
    if (from === null) add(b, stand, weight)
    else if (item.get(from.footswitch?.id ?? ('' as SwitchId)) === undefined)
      add(b, { ...from.to, point: from.point }, weight)
  }
  return alone
}

type SongsOfSwitches = ReadonlyMap<SwitchId, ReadonlySet<SongId>>

/**
 * Whether a switch does in a bank what it does where it is. A group of which one lamp is on stays together; of a song's own
 * bank only what is played in that song, and in no other, may come or go.
 */
function mayStandIn(rig: Rig, one: Footswitch, bankId: BankId, songs: SongsOfSwitches): boolean {
  if (bankId === one.bankId) return true
  const only = songs.get(one.id)
  const isSame = (id: BankId) => {
    const bank = own(rig.banks, id)!
    return (
      isPlain(bank) ||
      (bank.enter.length + bank.leave.length === 0 && only?.size === 1 && only.has(bank.songId!))
    )
  }
  return one.group === '' && isSame(one.bankId) && isSame(bankId)
}

/** The songs each switch is stepped on in. */
function songsOfSwitches(ways: readonly PartWay[]): SongsOfSwitches {
  const all = new Map<SwitchId, Set<SongId>>()
  for (const { to, way } of legsOf(ways)) {
    const id = to.footswitch?.id
    if (!id) continue
    const songs = all.get(id) ?? new Set<SongId>()
    songs.add(way.played.song.id)
    all.set(id, songs)
  }
  return all
}

/** The moves that lead from how the board is to a placing. */
const movesTo = ({ switches, places, start }: BoardQuestion, at: Places): BoardMove[] =>
  switches.flatMap((one, u): BoardMove[] =>
    at[u] === start[u] ? [] : [{ switchId: one.id, from: places[start[u]!]!, to: places[at[u]!]! }],
  )

/**
 * Switches moved to other places, all at once; names, lamps and what they do go along. Null where nothing moves, and where
 * it cannot be done as it was found: a switch is gone, stands elsewhere or may no longer move, or something that does not
 * move stands where one would go.
 */
export function moveSwitches(rig: Rig, moves: readonly BoardMove[]): Edit | null {
  const left = new Set(moves.map(({ from }) => keyOf(from)))
  const changes: Change[] = []
  for (const { switchId, from, to } of moves) {
    const row = own(rig.switches, switchId)
    if (!row || keyOf(row) !== keyOf(from) || !canMove(rig, row)) return null
    if (findSwitch(rig, to.bankId, to.number, { layer: to.layer }) && !left.has(keyOf(to))) return null
    const { bankId, layer, number } = to
    changes.push(change('switches', switchId, row, { ...row, bankId, layer, number }))
  }
  return changes.length === 0 ? null : { label: 'layBoard', changes }
}

/**
 * One switch moved; what stands in its place comes to where it was. Null where {@link moveSwitches} is, and where what
 * stands there would do something else in that bank: it moves with the others only.
 */
export function moveOne(rig: Rig, show: Show, { switchId, from, to }: BoardMove): Edit | null {
  const there = findSwitch(rig, to.bankId, to.number, { layer: to.layer })
  if (!there || there.id === switchId) return moveSwitches(rig, [{ switchId, from, to }])
  if (!mayStandIn(rig, there, from.bankId, songsOfSwitches(waysOfShow(rig, onSounds(show))))) return null
  return moveSwitches(rig, [
    { switchId, from, to },
    { switchId: there.id, from: to, to: from },
  ])
}

/** Switches that play something in the show put down in the order they first come, each in the first place it may have. */
function firstUseOf(question: BoardQuestion, ways: readonly PartWay[]): Places {
  const { problem, switches, start } = question
  const order = [...new Set(legsOf(ways).flatMap(({ to }) => to.footswitch?.id ?? []))]
  const at = start.slice()
  const free = new Set(Array.from({ length: problem.places }, (_, p) => p))
  switches.forEach((_, u) => {
    if (problem.isFixed[u]) free.delete(start[u]!)
  })
  const rank = (id: SwitchId) => (order.includes(id) ? order.indexOf(id) : order.length)
  const items = switches
    .map((_, u) => u)
    .filter((u) => !problem.isFixed[u])
    .sort((a, b) => rank(switches[a]!.id) - rank(switches[b]!.id) || start[a]! - start[b]!)
  for (const u of items) {
    const place = [...free].find((p) => problem.alone![u * problem.places + p]! < FORBIDDEN) ?? start[u]!
    at[u] = place
    free.delete(place)
  }
  return new Set(at).size === at.length ? at : start
}

const travelWith = (rig: Rig, show: Show, edit: Edit | null, care: Care): ShowTravel | null => {
  const applied = edit === null ? null : applyEdit(rig, edit)
  if (edit !== null && !applied?.ok) return null
  return travelOf(partWays(applied?.ok ? applied.value : rig, onSounds(show)), care)
}

/**
 * Looks for a board with less travel for as long as it is asked, a slice at a time. What it proposes is measured on the
 * rig as it would be: fewer parts that are late or cannot be played, or as few and less time under way; otherwise nothing
 * is proposed. The same rig, care and seed give the same answers.
 */
export function* findBoard(
  rig: Rig,
  show: Show,
  { seed = 1, care = EVEN }: { readonly seed?: number; readonly care?: Care } = {},
): Generator<Proposal | NoBoard, void, void> {
  const question = boardQuestion(rig, show, care)
  if (typeof question === 'string') {
    yield question
    return
  }
  const ways = partWays(rig, onSounds(show))
  const before = travelOf(ways, care)
  const firstUse =
    travelWith(rig, show, moveSwitches(rig, movesTo(question, firstUseOf(question, ways))), care) ?? before
  let best: Proposal = { moves: [], before, after: before, firstUse, rounds: 0 }
  let tried = Infinity
  for (const { at, cost, rounds } of improve(question.problem, question.start, seed)) {
    if (cost < tried - 1e-6) {
      tried = cost
      const moves = movesTo(question, settled(question.problem, question.start, at))
      const after = travelWith(rig, show, moveSwitches(rig, moves), care)
      if (after && isBetter(after, best.after)) best = { ...best, moves, after }
    }
    best = { ...best, rounds }
    yield best
  }
}

/** Never more that cannot be played or is late; of the rest the time under way decides. */
export const isBetter = (one: ShowTravel, than: ShowTravel): boolean =>
  one.unplayed <= than.unplayed && one.tight <= than.tight && one.cost < than.cost - 1e-6
