import { shallowRef, watch, type Ref } from 'vue'
import type { Rig } from '#core/rig'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'

/** Rigs of earlier revisions, as far as they were looked at: what was once so stays so. */
const kept = new Map<string, { readonly rig: Rig; readonly at: string }>()
const KEPT_MAX = 40

/** The rig as it was at a revision; null where it cannot be had. */
export async function fetchThen(
  server: ReturnType<typeof usePlatform>['server'],
  rigId: string,
  revision: number,
): Promise<{ readonly rig: Rig; readonly at: string } | Failure> {
  const key = `${rigId}/${revision}`
  const known = kept.get(key)
  if (known) return known
  const answer = await server.then(rigId, revision)
  if (answer.kind !== 'done') return answer
  const { rig, at } = answer.value
  kept.set(key, { rig, at })
  for (const old of kept.keys()) {
    if (kept.size <= KEPT_MAX) break
    kept.delete(old)
  }
  return { rig, at }
}

/** The rig at the revision that is looked at, fetched when that changes. */
export function useThen(revision: Ref<number | null>) {
  const { server } = usePlatform()
  const rigs = useRigStore()
  const then = shallowRef<{ readonly revision: number; readonly rig: Rig } | null>(null)
  const failure = shallowRef<Failure | null>(null)
  watch(
    [revision, () => rigs.rigId],
    async ([wanted, id]) => {
      then.value = null
      failure.value = null
      if (wanted === null || !id) return
      const found = await fetchThen(server, id, wanted)
      if (revision.value !== wanted || rigs.rigId !== id) return
      if ('rig' in found) then.value = { revision: wanted, rig: found.rig }
      else failure.value = found
    },
    { immediate: true },
  )
  return { then, failure }
}
