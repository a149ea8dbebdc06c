import { LEFT, type MachineMove, project, wayTo } from '#core/explore'
import { own } from '#core/base'
import { type Rig, type Device, type Footswitch, type SwitchId, deafFor, isLostWhileLoading } from '#core/rig'
import { type StepResult, step, settle } from '#core/simulate'
import { dependenceOf } from './dependence'
import type { FloorMachine } from './floorMachine'
import { makeMoves, restingStart, type CalmMove } from './moves'
import { floorOf, type Part, type PartValue } from './parts'
import { SHORTEST_MS, type ProofVerdict, type Proved } from './proved'

/** Something a press does to a device that loads, in µs from the press. */
interface Blast {
  readonly footswitch: Footswitch
  readonly move: MachineMove
  /** By device until when it is deaf. */
  readonly deaf: ReadonlyMap<string, number>
  /** By device when its first message that would be lost begins. */
  readonly sends: ReadonlyMap<string, number>
  /** A device some of its own messages are lost on. */
  readonly loses: string | null
}

/**
 * Whether anything is sent to a device while it is deaf: by one press, and by a press that follows another at the same place
 * after {@link SHORTEST_MS}, each of which is played. Told of the switch whose messages are lost.
 */
export function* paceLine(rig: Rig, floor: FloorMachine): Generator<Proved> {
  const losing = Object.values(rig.devices).filter((device) => deafFor(device) > 0)
  if (losing.length === 0) return
  const projection = project(floor.machine, [])
  if (!projection) return
  const told = new Map<SwitchId, ProofVerdict>()
  // What was found of a switch at one place is not made better by another place.
  const tell = (id: SwitchId, verdict: ProofVerdict) => {
    const known = told.get(id)
    if (!known || known.kind === 'holds' || verdict.kind === 'fails') told.set(id, verdict)
  }
  const blasts = new Map<MachineMove, Blast>()
  const blastsAt = (place: number): Blast[] =>
    floor.machine.moves[place]!.flatMap((move): Blast[] => {
      const { footswitch, move: made } = floor.labels.get(move)!
      if (!footswitch || made.kind !== 'press') return []
      let blast = blasts.get(move)
      if (!blast) blasts.set(move, (blast = blastOf(rig, floor, floor.places[place]!, footswitch, move)))
      return [blast]
    })
  const isTold = ({ footswitch }: Blast) => told.get(footswitch.id)?.kind === 'fails'
  projection.met.forEach((place, n) => {
    const way = () => wayTo(projection, n).map((move) => floor.labels.get(move)!.move)
    for (const first of blastsAt(place)) {
      if (first.loses !== null && !isTold(first)) tell(first.footswitch.id, ownLoss(first, way()))
      // What is under the foot next is what the first step leads to.
      const next = new Set([...(first.move.jump?.table ?? [LEFT])].map((to) => (to === LEFT ? place : to)))
      for (const second of [...next].flatMap(blastsAt))
        if (!isTold(second)) tell(second.footswitch.id, lossBehind(rig, losing, first, second, way))
    }
  })
  for (const [id, verdict] of told) yield { line: 'pace', about: { table: 'switches', id }, verdict }
}

/** Its own list is too fast. */
const ownLoss = ({ footswitch, loses }: Blast, way: readonly CalmMove[]): ProofVerdict => ({
  kind: 'fails',
  fault: {
    kind: 'deaf',
    switchId: footswitch.id,
    before: footswitch.id,
    deviceId: loses!,
    safeMs: 0,
  },
  moves: [...way, pressOf(footswitch)],
  after: null,
})

/** One press at the shortest interval behind another: played, where the devices of both could be deaf by then. */
function lossBehind(
  rig: Rig,
  losing: readonly Device[],
  first: Blast,
  second: Blast,
  way: () => readonly CalmMove[],
): ProofVerdict {
  const [worst] = losing
    .flatMap(({ id }) => {
      const [until, from] = [first.deaf.get(id), second.sends.get(id)]
      return until !== undefined && from !== undefined && SHORTEST_MS * 1000 + from < until
        ? [{ id, safe: until - from }]
        : []
    })
    .sort((a, b) => b.safe - a.safe)
  if (!worst) return { kind: 'holds' }
  const moves: CalmMove[] = [...way(), pressOf(first.footswitch), pressOf(second.footswitch)]
  if (!isLost(rig, moves, [first.footswitch, second.footswitch], worst.id))
    return { kind: 'notProven', why: 'notPlayed' }
  const fault = {
    kind: 'deaf',
    switchId: second.footswitch.id,
    before: first.footswitch.id,
    deviceId: worst.id,
    safeMs: Math.ceil(worst.safe / 1000),
  } as const
  return { kind: 'fails', fault, moves, after: SHORTEST_MS * 1000 }
}

const pressOf = ({ jack, number }: Footswitch): CalmMove => ({ kind: 'press', jack, number })

/**
 * What one press does where nothing was under way, all its positions together. One that goes by what was sent before is
 * looked at with nothing sent and with everything, and may send at once for all that is known of it.
 */
function blastOf(
  rig: Rig,
  floor: FloorMachine,
  place: string,
  footswitch: Footswitch,
  move: MachineMove,
): Blast {
  const asked = [...dependenceOf(rig, footswitch).asked].filter((part) => part[0] !== 'n')
  const everything = asked.flatMap((part): [Part, PartValue][] => {
    const component = floor.indexOf.get(part)
    const value =
      component === undefined ? undefined : floor.values[component]!.find((one) => one !== undefined)
    return value === undefined ? [] : [[part, value]]
  })
  const [deaf, sends] = [new Map<string, number>(), new Map<string, number>()]
  let loses: string | null = null
  footswitch.positions.forEach((_, n) => {
    const turned = [`n/${footswitch.id}`, n] as [Part, PartValue]
    const floors = [[turned], ...(everything.length > 0 ? [[turned, ...everything]] : [])].map((parts) =>
      floorOf(rig, place, new Map(parts)),
    )
    const [before] = floors as [StepResult['state']]
    const wire = floors.flatMap((one) => quick(rig, one, [footswitch], 0).wire)
    loses ??= wire.find(({ lostBy }) => lostBy.length > 0)?.lostBy[0] ?? null
    for (const { end, start, message, heardBy } of wire)
      for (const id of heardBy) {
        const device = own(rig.devices, id)
        const deafens = device ? deafFor(device) : 0
        if (deafens === 0) continue
        if (message.kind === 'program') deaf.set(id, Math.max(deaf.get(id) ?? 0, end + deafens - before.at))
        else if (isLostWhileLoading(message))
          sends.set(id, asked.length > 0 ? 0 : Math.min(sends.get(id) ?? Infinity, start - before.at))
      }
  })
  return { footswitch, move, deaf, sends, loses }
}

/** Switches stepped on quickly, one so long after the other, and all that comes of it. */
function quick(rig: Rig, from: StepResult['state'], switches: readonly Footswitch[], every: number) {
  const wire: StepResult['wire'][number][] = []
  let state = from
  switches.forEach(({ id }, n) => {
    for (const [kind, after] of [
      ['press', 0],
      ['release', 30_000],
    ] as const) {
      const done = step(rig, state, { kind, switchId: id, at: from.at + n * every + after })
      wire.push(...done.wire)
      state = done.state
    }
  })
  const rest = settle(rig, state)
  return { wire: [...wire, ...rest.wire], state: rest.state }
}

function isLost(
  rig: Rig,
  moves: readonly CalmMove[],
  last: readonly Footswitch[],
  deviceId: string,
): boolean {
  const before = makeMoves(rig, restingStart(rig), moves.slice(0, -2)).at(-1)?.state ?? restingStart(rig)
  const { wire } = quick(rig, before, last, SHORTEST_MS * 1000)
  return wire.some(({ lostBy }) => lostBy.some((id) => id === deviceId))
}
