import { computed, onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import { findings, type Finding, type Rig } from '#core'
import { usePlatform } from '~/platform/platform'
import type { FindingWorker } from '~/platform/findingWorker'

/** Rigs of more rows than this are looked through off the page's thread. */
const LARGE = 1200
const NONE: readonly Finding[] = []

const rowsOf = ({ switches, sounds, presets, controls, banks }: Rig): number =>
  [switches, sounds, presets, controls, banks].reduce((sum, rows) => sum + Object.keys(rows).length, 0)

/**
 * All that is wrong with a rig. Of a small one at once; of a large one from a worker, so that an edit is drawn without
 * waiting for it: until its answer comes, what is shown is of the rig before, and `isOld` says so.
 */
export function findingsOf(rig: ShallowRef<Rig | null>) {
  const { openFindingWorker } = usePlatform()
  let worker: FindingWorker | null = null
  const answer = shallowRef<{ readonly of: Rig; readonly found: readonly Finding[] } | null>(null)
  const isLarge = computed(() => rig.value !== null && rowsOf(rig.value) > LARGE)
  watch(
    [rig, isLarge],
    () => {
      const one = rig.value
      if (!one || !isLarge.value) return
      worker ??= openFindingWorker()
      worker.ask(one, 'all', (found, of) => {
        answer.value = { of, found }
      })
    },
    { immediate: true },
  )
  onScopeDispose(() => worker?.close())
  return {
    found: computed(() => {
      if (!rig.value) return NONE
      return isLarge.value ? (answer.value?.found ?? NONE) : findings(rig.value)
    }),
    /** What is shown is not of the rig as it is now: nothing may be called all right by it. */
    isOld: computed(() => isLarge.value && answer.value?.of !== rig.value),
  }
}
