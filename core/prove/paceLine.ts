import { project, wayTo } from '../explore/project'
import type { Move as MachineMove } from '../explore/machine'
import { own } from '../base/own'
import type { Rig } from '../rig/rig'
import type { Footswitch, SwitchId } from '../rig/table/switch'
import type { StepResult } from '../simulate/floor'
import { step, settle } from '../simulate/step'
import type { FloorMachine } from './floorMachine'
import { makeMoves, restingStart, type Move } from './moves'
import { floorOf } from './parts'
import type { ProofVerdict, Proved } from './proved'

/** The shortest time between two steps of one foot that is looked at, in ms: the same switch twice (common practice). */
export const SHORTEST_MS = 150

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
  const losing = Object.values(rig.devices).filter(
    ({ deafMs, whileDeaf }) => deafMs > 0 && whileDeaf === 'loses',
  )
  if (losing.length === 0) return
  const projection = project(floor.machine, [])
  if (!projection) return
  const told = new Map<SwitchId, ProofVerdict>()
  const blasts = new Map<MachineMove, Blast>()
  for (const place of projection.met) {
    const ours = floor.machine.moves[place]!.flatMap((move): Blast[] => {
      const { footswitch, move: made } = floor.labels.get(move)!
      if (!footswitch || made.kind !== 'press') return []
      let blast = blasts.get(move)
      if (!blast) blasts.set(move, (blast = blastOf(rig, floor.places[place]!, footswitch, move)))
      return [blast]
    })
    const way = () =>
      wayTo(projection, projection.met.indexOf(place)).map((move) => floor.labels.get(move)!.move)
    for (const second of ours) {
      const known = told.get(second.footswitch.id)
      if (known?.kind === 'fails') continue
      if (second.loses !== null) {
        told.set(second.footswitch.id, {
          kind: 'fails',
          fault: {
            kind: 'deaf',
            switchId: second.footswitch.id,
            before: second.footswitch.id,
            deviceId: second.loses,
            safeMs: 0,
          },
          moves: [...way(), pressOf(second.footswitch)],
          after: null,
        })
        continue
      }
      const verdict = ours.flatMap((first) => {
        const lost = losing.flatMap(({ id }) => {
          const [until, from] = [first.deaf.get(id), second.sends.get(id)]
          return until !== undefined && from !== undefined && SHORTEST_MS * 1000 + from < until
            ? [{ id, safe: until - from }]
            : []
        })
        return lost.length === 0 ? [] : [{ first, lost }]
      })
      let found: ProofVerdict = { kind: 'holds' }
      for (const { first, lost } of verdict) {
        const [worst] = lost.sort((a, b) => b.safe - a.safe)
        const moves: Move[] = [...way(), pressOf(first.footswitch), pressOf(second.footswitch)]
        if (!isLost(rig, moves, [first.footswitch, second.footswitch], worst!.id)) {
          found = { kind: 'notProven', why: 'notPlayed' }
          continue
        }
        found = {
          kind: 'fails',
          fault: {
            kind: 'deaf',
            switchId: second.footswitch.id,
            before: first.footswitch.id,
            deviceId: worst!.id,
            safeMs: Math.ceil(worst!.safe / 1000),
          },
          moves,
          after: SHORTEST_MS * 1000,
        }
        break
      }
      told.set(second.footswitch.id, found)
    }
  }
  for (const [id, verdict] of told) yield { line: 'pace', about: { table: 'switches', id }, verdict }
}

const pressOf = ({ jack, number }: Footswitch): Move => ({ kind: 'press', jack, number })

/** What one press does where nothing was under way, all its positions together. */
function blastOf(rig: Rig, place: string, footswitch: Footswitch, move: MachineMove): Blast {
  const [deaf, sends] = [new Map<string, number>(), new Map<string, number>()]
  let loses: string | null = null
  footswitch.positions.forEach((_, n) => {
    const before = floorOf(rig, place, new Map([[`n/${footswitch.id}`, n]]))
    const { wire } = quick(rig, before, [footswitch], 0)
    loses ??= wire.find(({ lostBy }) => lostBy.length > 0)?.lostBy[0] ?? null
    for (const { end, start, message, heardBy } of wire)
      for (const id of heardBy) {
        const device = own(rig.devices, id)
        if (device?.whileDeaf !== 'loses') continue
        if (message.kind === 'program')
          deaf.set(id, Math.max(deaf.get(id) ?? 0, end + device.deafMs * 1000 - before.at))
        else if (message.kind === 'control')
          sends.set(id, Math.min(sends.get(id) ?? Infinity, start - before.at))
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

function isLost(rig: Rig, moves: readonly Move[], last: readonly Footswitch[], deviceId: string): boolean {
  const before = makeMoves(rig, restingStart(rig), moves.slice(0, -2)).at(-1)?.state ?? restingStart(rig)
  const { wire } = quick(rig, before, last, SHORTEST_MS * 1000)
  return wire.some(({ lostBy }) => lostBy.some((id) => id === deviceId))
}
