import type { DumpMessage } from '#core/rig'
import { messageBytes } from './exclusives'

/** How several dumps in one recording are told apart. */
export type SplitBy =
  | { readonly kind: 'whole' }
  /** After a pause of so many ms and more; where no times are known nothing is parted. */
  | { readonly kind: 'pause'; readonly ms: number }
  /** Wherever the first bytes after F0 are others: another maker, unit or model. */
  | { readonly kind: 'head'; readonly bytes: number }
  | { readonly kind: 'each' }

/** The parts of a recording in their order: every message is in one of them. The first of each comes after 0 ms. */
export function splitDump(messages: readonly DumpMessage[], by: SplitBy): (readonly DumpMessage[])[] {
  const parts: DumpMessage[][] = []
  messages.forEach((message, n) => {
    if (n === 0 || isParted(messages[n - 1]!, message, by)) parts.push([{ ...message, ms: 0 }])
    else parts.at(-1)!.push(message)
  })
  return parts
}

function isParted(before: DumpMessage, after: DumpMessage, by: SplitBy): boolean {
  switch (by.kind) {
    case 'whole':
      return false
    case 'each':
      return true
    case 'pause':
      return after.ms !== null && after.ms >= by.ms
    case 'head':
      return headOf(before, by.bytes) !== headOf(after, by.bytes)
  }
}

const headOf = (message: DumpMessage, bytes: number): string =>
  messageBytes(message)
    .subarray(1, 1 + bytes)
    .join()
