import type { DumpMessage, Dumping } from '#core/rig'
import { messageBytes } from './exclusives'

/** One byte that differs; `name` is what it stands for, null where nobody knows. */
export interface ByteDifference {
  readonly at: number
  readonly before: number
  readonly after: number
  readonly name: string | null
  /** It is only the checksum of the others. */
  readonly isChecksum: boolean
}

/** Two messages that stand for one another, from 1 in their dumps, and how they differ. */
export type MessageDifference = { readonly before: number; readonly after: number } & (
  | { readonly kind: 'bytes'; readonly bytes: readonly ByteDifference[] }
  /** Of another length: the same up to byte `from`, and so many bytes at the end. */
  | {
      readonly kind: 'length'
      readonly from: number
      readonly end: number
      readonly lengths: readonly [number, number]
    }
)

export interface DumpDifference {
  readonly same: number
  readonly differing: readonly MessageDifference[]
  /** Messages that only one of the two has, from 1. */
  readonly gone: readonly number[]
  readonly added: readonly number[]
}

/** What differs between two dumps of one device: messages of one preset where the byte that says it is known, else one by one. */
export function compareDumps(
  before: readonly DumpMessage[],
  after: readonly DumpMessage[],
  dumping: Dumping,
): DumpDifference {
  const [left, right] = [before, after].map((messages) => keyed(messages, dumping.place)) as [Keyed, Keyed]
  const differing: MessageDifference[] = []
  let same = 0
  for (const [key, one] of left) {
    const other = right.get(key)
    if (other === undefined) continue
    if (before[one]!.hex === after[other]!.hex) same++
    else differing.push(difference(before[one]!, after[other]!, one + 1, other + 1, dumping))
  }
  return {
    same,
    differing,
    gone: [...left].flatMap(([key, n]) => (right.has(key) ? [] : n + 1)),
    added: [...right].flatMap(([key, n]) => (left.has(key) ? [] : n + 1)),
  }
}

type Keyed = ReadonlyMap<string, number>

/** Where each message is, by its preset and how often that came before it; or by its number. */
function keyed(messages: readonly DumpMessage[], place: number | null): Keyed {
  const counts = new Map<string, number>()
  return new Map(
    messages.map((message, n) => {
      const bytes = messageBytes(message)
      const head = place === null || place >= bytes.length - 1 ? 'n' : `${bytes[place]}`
      const nth = counts.get(head) ?? 0
      counts.set(head, nth + 1)
      return [`${head}/${nth}`, n]
    }),
  )
}

function difference(
  before: DumpMessage,
  after: DumpMessage,
  n: number,
  m: number,
  { checksum, values }: Dumping,
): MessageDifference {
  const [left, right] = [messageBytes(before), messageBytes(after)]
  if (left.length === right.length) {
    const bytes = Array.from(left).flatMap((byte, at): ByteDifference[] =>
      byte === right[at]
        ? []
        : [
            {
              at,
              before: byte,
              after: right[at]!,
              name: values.find((one) => one.at === at)?.name ?? null,
              isChecksum: checksum !== null && at === left.length - 2,
            },
          ],
    )
    return { kind: 'bytes', before: n, after: m, bytes }
  }
  const shorter = Math.min(left.length, right.length)
  let from = 0
  while (from < shorter && left[from] === right[from]) from++
  let end = 0
  while (end < shorter - from && left.at(-1 - end) === right.at(-1 - end)) end++
  return { kind: 'length', before: n, after: m, from, end, lengths: [left.length, right.length] }
}
