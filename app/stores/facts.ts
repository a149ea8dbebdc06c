import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { LogFact } from '#core/history'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import { useRigStore } from './rig'

/** What the log of the open rig tells happened: fetched once, then what is new at every revision. */
export const useFactsStore = defineStore('facts', () => {
  const { server } = usePlatform()
  const rigs = useRigStore()

  const facts = shallowRef<readonly LogFact[]>([])
  /** Up to which revision they are told; 0 before the first answer. */
  const revision = ref(0)
  const failure = shallowRef<Failure | null>(null)
  let of: string | null = null
  let isWanted = false
  let isAsking = false

  async function look(): Promise<void> {
    const id = rigs.rigId
    if (!isWanted || !id || isAsking) return
    if (of !== id) {
      of = id
      facts.value = []
      revision.value = 0
    }
    isAsking = true
    const answer = await server.facts(id, revision.value)
    isAsking = false
    if (rigs.rigId !== id) return look()
    failure.value = answer.kind === 'done' ? null : answer
    if (answer.kind !== 'done') return
    facts.value = [...facts.value, ...answer.value.facts]
    revision.value = answer.value.revision
    // Another revision was made while it was asked.
    if (rigs.revision > revision.value) await look()
  }

  watch(
    () => [rigs.rigId, rigs.revision],
    () => void look(),
  )

  return {
    facts,
    revision,
    failure,
    /** Fetches them now, and again whenever there is news. */
    want: () => {
      isWanted = true
      return look()
    },
  }
})
