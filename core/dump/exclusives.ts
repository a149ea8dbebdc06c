import { accept, refuse, type Result } from '#core/base'
import { hexOf } from '#core/midi'
import { DUMP_BYTES_MAX, DUMP_MESSAGE_MAX, DUMP_MESSAGES_MAX, type DumpMessage } from '#core/rig'

/** Bytes as they came; `at` in ms on any clock, null where that is not known. */
export interface Piece {
  readonly bytes: Uint8Array
  readonly at: number | null
}

/** Why bytes are no dump. `message` counts exclusive messages from 1, `at` all bytes from 0. */
export type DumpFault =
  | { readonly code: 'empty' }
  /** A message that was begun and has no end; `next` when another begins inside it. */
  | { readonly code: 'cut'; readonly message: number; readonly at: number; readonly isNext: boolean }
  /** A byte over 7F inside a message, which none may hold. */
  | { readonly code: 'garbled'; readonly message: number; readonly at: number; readonly byte: number }
  /** So many bytes from `at` on that belong to no message. */
  | { readonly code: 'loose'; readonly at: number; readonly count: number }
  | { readonly code: 'tooLong' }

/** What came, whole; `aside` real-time bytes, which may stand anywhere, are left out (M1 v4.2.1, "System Real Time"). */
export interface Recording {
  readonly messages: readonly DumpMessage[]
  readonly aside: number
}

const FAULTS_MAX = 20

/**
 * Exclusive messages and nothing else, as they came (M1 v4.2.1, "System Exclusive"). Whatever is cut, garbled or loose is
 * refused with its place: nothing is repaired and nothing passed over but real-time bytes.
 */
export function readExclusives(pieces: readonly Piece[]): Result<Recording, readonly DumpFault[]> {
  const messages: DumpMessage[] = []
  const faults: DumpFault[] = []
  let open: number[] | null = null
  let openedAt = 0
  let loose = 0
  let [at, total, longest, aside] = [0, 0, 0, 0]
  let first: number | null = null
  let before: number | null = null
  const put = (fault: DumpFault) => faults.length < FAULTS_MAX && faults.push(fault)
  const closeLoose = () => {
    if (loose > 0) put({ code: 'loose', at: at - loose, count: loose })
    loose = 0
  }
  const keep = (bytes: readonly number[], came: number | null) => {
    const now: number | null = came === null ? null : Math.round(came - (first ??= came))
    const ms: number | null =
      messages.length === 0 ? 0 : now === null || before === null ? null : Math.max(0, now - before)
    before = now
    messages.push({ hex: hexOf(bytes).replaceAll(' ', ''), ms: ms === null ? null : Math.min(ms, 600_000) })
    total += bytes.length
    longest = Math.max(longest, bytes.length)
  }
  for (const { bytes, at: came } of pieces)
    for (const byte of bytes) {
      if (byte >= 0xf8 && byte !== 0xf9 && byte !== 0xfd) aside++
      else if (byte === 0xf0) {
        closeLoose()
        if (open) put({ code: 'cut', message: messages.length + 1, at: openedAt, isNext: true })
        open = [byte]
        openedAt = at
      } else if (open && byte === 0xf7) {
        keep([...open, byte], came)
        open = null
      } else if (open && byte < 0x80) open.push(byte)
      else if (open) {
        put({ code: 'garbled', message: messages.length + 1, at, byte })
        open = null
      } else loose++
      at++
    }
  closeLoose()
  if (open) put({ code: 'cut', message: messages.length + 1, at: openedAt, isNext: false })
  if (messages.length === 0 && faults.length === 0) put({ code: 'empty' })
  if (total > DUMP_BYTES_MAX || longest > DUMP_MESSAGE_MAX || messages.length > DUMP_MESSAGES_MAX)
    put({ code: 'tooLong' })
  return faults.length > 0 ? refuse(faults) : accept({ messages, aside })
}

/** The bytes of one message, F0 and F7 with them. */
export const messageBytes = ({ hex }: DumpMessage): Uint8Array =>
  Uint8Array.from({ length: hex.length / 2 }, (_, n) => Number.parseInt(hex.slice(2 * n, 2 * n + 2), 16))

/** So many bytes in all. */
export const dumpLength = (messages: readonly DumpMessage[]): number =>
  messages.reduce((sum, { hex }) => sum + hex.length / 2, 0)
