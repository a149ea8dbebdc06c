import { LEFT, project, wayTo } from '#core/explore'
import { inOrder, type Rig, type Layer, type SoundId } from '#core/rig'
import { firstBank } from '#core/simulate'
import type { FloorMachine } from './floorMachine'
import type { Proved } from './proved'

/**
 * Whether each sound some switch recalls can be come to from every bank and layer, and home too; and within how many moves,
 * where positions of switches are as bad as can be: one that recalls it at one of its positions is stepped through all.
 */
export function* waysLine(rig: Rig, floor: FloorMachine): Generator<Proved> {
  const { machine } = floor
  const { moves, sizes } = machine
  const spots = floor.places.map((place) => JSON.parse(place) as [string, Layer, ...unknown[]])
  const hangs =
    floor.isPartial || machine.moves.some((here) => here.some(({ jump }) => (jump?.reads.length ?? 0) > 0))
  const before: number[][] = moves.map(() => [])
  moves.forEach((here, place) => {
    // Where a move leads by what hangs on positions is not gone by: there may be a way all the same.
    for (const { jump } of here)
      if (jump?.reads.length === 0 && jump.table[0] !== LEFT && jump.table[0] !== place)
        before[jump.table[0]!]!.push(place)
  })
  const spread = (start: ReadonlyMap<number, number>): readonly number[] => {
    const far = moves.map(() => Number.POSITIVE_INFINITY)
    const open: number[][] = []
    for (const [place, cost] of start) {
      far[place] = cost
      ;(open[cost] ??= []).push(place)
    }
    for (let cost = 0; cost < open.length; cost++)
      for (const place of open[cost] ?? []) {
        if (far[place] !== cost) continue
        for (const earlier of before[place]!)
          if (far[earlier]! > cost + 1) {
            far[earlier] = cost + 1
            ;(open[cost + 1] ??= []).push(earlier)
          }
      }
    return far
  }
  const told = (
    about: Proved['about'],
    far: readonly number[],
    fault: (bankId: string, layer: Layer) => Fault,
  ): Proved => {
    if (Math.max(...far) !== Number.POSITIVE_INFINITY)
      return { line: 'ways', about, verdict: { kind: 'holds', presses: Math.max(...far) } }
    const projection = project(machine, [])
    // The one that takes the fewest moves to come to.
    const at = projection?.met.findIndex((place) => far[place] === Number.POSITIVE_INFINITY) ?? -1
    if (hangs || !projection || at < 0)
      return { line: 'ways', about, verdict: { kind: 'notProven', why: 'wayHangs' } }
    const lost = projection.met[at]!
    const [bankId, layer] = spots[lost]!
    return {
      line: 'ways',
      about,
      verdict: {
        kind: 'fails',
        fault: fault(bankId, layer),
        moves: wayTo(projection, at).map((move) => floor.labels.get(move)!.move),
        after: null,
      },
    }
  }
  const component = floor.indexOf.get('S')
  const recalled = recalledAt(floor)
  for (const sound of inOrder(rig.sounds)) {
    if (component === undefined) break
    const value = floor.values[component]!.indexOf(sound.id)
    if (value < 0 && !floor.beyond.has('S')) continue
    const start = new Map<number, number>()
    let hangsOnShow = false
    for (const { place, reads, isGoing } of recalled.get(value) ?? []) {
      if (reads.some((read) => !floor.partAt[read]!.startsWith('n'))) {
        hangsOnShow = true
        continue
      }
      // Stepped on until it is its turn, unless it leads away before.
      if (isGoing && reads.length > 0) continue
      const taps = reads.reduce((product, read) => product * sizes[read]!, 1)
      start.set(place, Math.min(taps, start.get(place) ?? Number.POSITIVE_INFINITY))
    }
    const about = { table: 'sounds', id: sound.id } as const
    if (start.size === 0 && (hangsOnShow || hangs || floor.beyond.has('S'))) {
      yield { line: 'ways', about, verdict: { kind: 'notProven', why: 'wayHangs' } }
      continue
    }
    yield told(about, spread(start), (bankId, layer) => ({
      kind: 'noWay',
      soundId: sound.id as SoundId,
      bankId,
      layer,
    }))
  }
  const home = firstBank(rig)
  if (home === null) return
  const there = new Map(
    spots.flatMap(([bankId, layer, , , held], place) =>
      bankId === home && layer === 'base' && held === null ? [[place, 0] as const] : [],
    ),
  )
  yield told({ table: 'banks', id: home }, spread(there), (bankId, layer) => ({
    kind: 'noHome',
    bankId,
    layer,
  }))
}

/** By sound, as a value of its component, where it can be recalled, and what that hangs on. */
function recalledAt({ machine, indexOf }: FloorMachine) {
  const component = indexOf.get('S')
  const all = new Map<
    number,
    { readonly place: number; readonly reads: readonly number[]; readonly isGoing: boolean }[]
  >()
  machine.moves.forEach((here, place) => {
    for (const { effects, jump } of here) {
      const effect = effects.find((one) => one.component === component)
      for (const value of new Set(effect?.table)) {
        const one = { place, reads: effect!.reads, isGoing: jump !== null }
        const known = all.get(value)
        if (known) known.push(one)
        else all.set(value, [one])
      }
    }
  })
  return all
}

type Fault = Extract<Proved['verdict'], { kind: 'fails' }>['fault']
