import type { HeardMessage } from './gestures'

/** What is wrong with what a controller sent. Channels are 1-16, numbers as they are sent. */
export type HeardFault =
  /** It sent nothing, and should have. */
  | { readonly kind: 'silent' }
  /** It sent something where the plan has nothing. */
  | { readonly kind: 'speaks'; readonly sent: readonly string[] }
  /** Programs one beside what was planned, all by as much. */
  | {
      readonly kind: 'offByOne'
      readonly by: 1 | -1
      readonly channel: number
      readonly sent: number
      readonly planned: number
    }
  | { readonly kind: 'program'; readonly channel: number; readonly sent: number; readonly planned: number }
  | { readonly kind: 'channel'; readonly sent: number; readonly planned: number; readonly message: string }
  /** The program comes without the bank select before it. */
  | { readonly kind: 'bankSelect'; readonly channel: number }
  | {
      readonly kind: 'value'
      readonly channel: number
      readonly number: number
      readonly sent: number
      readonly planned: number
    }
  | { readonly kind: 'number'; readonly channel: number; readonly sent: number; readonly planned: number }
  | { readonly kind: 'missing'; readonly message: string }
  | { readonly kind: 'extra'; readonly message: string }
  /** All is there, in another order. */
  | { readonly kind: 'order' }
  /** It does what another switch should. */
  | { readonly kind: 'another'; readonly gesture: string }
  /** Two switches do what the other should. */
  | { readonly kind: 'swapped'; readonly gesture: string }

interface Parts {
  readonly hex: string
  /** Status without its channel. */
  readonly status: number
  readonly channel: number
  readonly a: number
  readonly b: number
}

function partsOf(hex: string): Parts {
  const [first = 0, a = 0, b = 0] = hex.split(' ').map((byte) => Number.parseInt(byte, 16))
  return { hex, status: first & 0xf0, channel: (first & 0x0f) + 1, a, b }
}

const PROGRAM = 0xc0
const CONTROL = 0xb0

/** CC 0 and CC 32 (M1 v4.2.1, "Bank Select"; from memory). */
const isSelect = ({ status, a }: Parts): boolean => status === CONTROL && (a === 0 || a === 32)

export const sameMessages = (a: readonly HeardMessage[], b: readonly HeardMessage[]): boolean =>
  a.length === b.length && a.every(({ hex }, n) => hex === b[n]!.hex)

/**
 * How what came in differs from what was planned, both in their order: first what is the same on both sides is set aside,
 * then each message that is left is taken for the planned one that differs from it in one thing only, and what no such is
 * left for is missing or too many. Empty when nothing differs.
 */
export function faultsOf(planned: readonly HeardMessage[], sent: readonly HeardMessage[]): HeardFault[] {
  if (sameMessages(planned, sent)) return []
  if (sent.length === 0) return [{ kind: 'silent' }]
  if (planned.length === 0) return [{ kind: 'speaks', sent: sent.map(({ hex }) => hex) }]
  const wanted = planned.map(({ hex }) => partsOf(hex))
  const left = sent.map(({ hex }) => partsOf(hex))
  const open: Parts[] = []
  for (const one of wanted) {
    const at = left.findIndex(({ hex }) => hex === one.hex)
    if (at < 0) open.push(one)
    else left.splice(at, 1)
  }
  if (open.length === 0 && left.length === 0) return [{ kind: 'order' }]
  const faults: HeardFault[] = []
  /** Takes every planned message for which a sent one is alike, nearest first. */
  const match = (
    isLike: (planned: Parts, sent: Parts) => boolean,
    say: (planned: Parts, sent: Parts) => HeardFault,
  ) => {
    for (let n = 0; n < open.length; n++) {
      const one = open[n]!
      const at = left.findIndex((other) => isLike(one, other))
      if (at < 0) continue
      faults.push(say(one, left[at]!))
      left.splice(at, 1)
      open.splice(n--, 1)
    }
  }
  match(
    (a, b) =>
      a.status === PROGRAM && b.status === PROGRAM && a.channel === b.channel && Math.abs(a.a - b.a) === 1,
    (a, b) => ({
      kind: 'offByOne',
      by: b.a > a.a ? 1 : -1,
      channel: a.channel,
      sent: b.a,
      planned: a.a,
    }),
  )
  match(
    (a, b) => a.status === b.status && a.status < 0xf0 && a.a === b.a && a.b === b.b,
    (a, b) => ({ kind: 'channel', sent: b.channel, planned: a.channel, message: a.hex }),
  )
  match(
    (a, b) => a.status === CONTROL && b.status === CONTROL && a.channel === b.channel && a.a === b.a,
    (a, b) => ({ kind: 'value', channel: a.channel, number: a.a, sent: b.b, planned: a.b }),
  )
  match(
    (a, b) => a.status === CONTROL && b.status === CONTROL && a.channel === b.channel && a.b === b.b,
    (a, b) => ({ kind: 'number', channel: a.channel, sent: b.a, planned: a.a }),
  )
  match(
    (a, b) => a.status === PROGRAM && b.status === PROGRAM && a.channel === b.channel,
    (a, b) => ({ kind: 'program', channel: a.channel, sent: b.a, planned: a.a }),
  )
  const selects = new Set<number>()
  for (const one of open)
    if (isSelect(one) && wanted.some(({ status, channel }) => status === PROGRAM && channel === one.channel))
      selects.add(one.channel)
    else faults.push({ kind: 'missing', message: one.hex })
  for (const channel of selects) faults.push({ kind: 'bankSelect', channel })
  for (const { hex } of left) faults.push({ kind: 'extra', message: hex })
  return faults
}
