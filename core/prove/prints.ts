import { coneOf, type Table } from '#core/explore'
import type { FloorMachine } from './floorMachine'
import type { Part } from './parts'

/** What tells a floor's parts apart from what they were before an edit. */
interface Prints {
  /** By component all that can become of it, and where. */
  readonly parts: readonly string[]
  /** Where moves lead. */
  readonly ways: string
}

const known = new WeakMap<FloorMachine, Prints>()

/**
 * The same text for some parts of a floor as long as all that decides them is the same: values, moves, and the places these
 * are made at and lead to. Two hashes of 32 bits each stand for that.
 */
export function printOf(floor: FloorMachine, parts: readonly Part[]): string {
  let prints = known.get(floor)
  if (!prints) known.set(floor, (prints = printed(floor)))
  const wanted = parts.flatMap((part) => floor.indexOf.get(part) ?? [])
  const missing = parts.filter((part) => !floor.indexOf.has(part))
  const cone = coneOf(floor.machine, wanted)
  const beyond = cone.filter((component) => floor.beyond.has(floor.partAt[component]!)).length
  const { parts: all } = prints
  return [
    prints.ways,
    beyond,
    floor.isPartial,
    ...missing,
    ...cone.map((component) => all[component]!),
  ].join()
}

function printed({ machine, partAt, values, places, labels }: FloorMachine): Prints {
  const domains = values.map((all) => hash(JSON.stringify(all.map((value) => value ?? null))))
  const placed = places.map(hash)
  /** What a table goes by and comes to, in values that do not hang on how they are numbered. */
  const tableHash = ({ reads, table }: Table, to: (value: number) => number): Hash => {
    let all: Hash = [reads.length, table.length]
    for (const read of reads) all = mixed(mixed(all, hash(partAt[read]!)), domains[read]!)
    for (const value of table) all = mixed(all, [value < 0 ? -1 : to(value), 7])
    return all
  }
  const sums: Hash[] = partAt.map((part, n) =>
    mixed(mixed(hash(part), domains[n]!), [machine.start.values[n]!, 1]),
  )
  let ways: Hash = mixed(placed[machine.start.place]!, [places.length, 3])
  const effectHashes = new Map<object, Hash>()
  machine.moves.forEach((here, place) => {
    for (const move of here) {
      const { move: made, footswitch } = labels.get(move)!
      for (const effect of move.effects) {
        let own = effectHashes.get(effect)
        if (!own)
          effectHashes.set(
            effect,
            (own = mixed(
              hash(`${JSON.stringify(made)} ${footswitch?.id}`),
              tableHash(effect, (value) => value),
            )),
          )
        sums[effect.component] = added(sums[effect.component]!, mixed(own, placed[place]!))
      }
      if (move.jump)
        ways = added(
          ways,
          mixed(
            mixed(hash(JSON.stringify(made)), placed[place]!),
            tableHash(move.jump, (value) => placed[value]![0]),
          ),
        )
    }
  })
  return { parts: sums.map((sum) => sum.join('.')), ways: ways.join('.') }
}

type Hash = readonly [number, number]

/** FNV-1a over the units of a text (Fowler, Noll, Vo; RFC 9923), and the same from another start. */
function hash(text: string): Hash {
  let [a, b] = [0x811c9dc5, 0x1000193]
  for (let n = 0; n < text.length; n++) {
    a = Math.imul(a ^ text.charCodeAt(n), 0x01000193)
    b = Math.imul(b ^ text.charCodeAt(n), 0x85ebca6b)
  }
  return [a, b]
}

const mixed = ([a, b]: Hash, [c, d]: Hash): Hash => [
  Math.imul(a ^ (c + 0x9e3779b9), 0x01000193) ^ (a >>> 15),
  Math.imul(b ^ (d + 0x7f4a7c15), 0x85ebca6b) ^ (b >>> 13),
]

/** Whatever the order. */
const added = ([a, b]: Hash, [c, d]: Hash): Hash => [(a + c) | 0, (b + d) | 0]
