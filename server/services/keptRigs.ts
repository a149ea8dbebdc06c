import { LRUCache } from 'lru-cache'
import { rigBytes, type Rig } from '#core/rig'
import type { RigHead } from '../db/repositories/rigHeads'

/** Together the rigs kept may be this large as files; in memory they take a few times as much. */
const KEPT_BYTES = 64_000_000

/**
 * The rigs in use, each as it was at one revision. Nothing here is believed without its head, read from the
 * database in the same transaction: another server may have gone on, or a backup been put in its place.
 */
export interface KeptRigs {
  /** The rig at exactly this head; null when it is not kept so. */
  readonly at: (head: RigHead) => Rig | null
  readonly keep: (head: RigHead, rig: Rig) => void
  readonly forget: (rigId: string) => void
}

export function createKeptRigs(maxSize = KEPT_BYTES): KeptRigs {
  const kept = new LRUCache<string, { readonly head: RigHead; readonly rig: Rig }>({
    maxSize,
    sizeCalculation: ({ rig }) => rigBytes(rig),
  })
  return {
    at: (head) => {
      const one = kept.get(head.id)
      return one && versionOf(one.head) === versionOf(head) ? one.rig : null
    },
    keep: (head, rig) => void kept.set(head.id, { head, rig }),
    forget: (rigId) => void kept.delete(rigId),
  }
}

/** Tells states of a rig apart, also those that two lives of one database gave the same revision. */
export const versionOf = ({ id, revision, changedAt }: RigHead): string => `${id}.${revision}.${changedAt}`
