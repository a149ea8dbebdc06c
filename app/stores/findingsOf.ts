import { computed, onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { findings, type Finding, type Rig, type SlowFindings } from '#core'
import { usePlatform } from '~/platform/platform'
import type { FindingWorker } from '~/platform/findingWorker'
import { isProofFault } from '~/text/proof'

/** Rigs of more rows than this are looked through off the page's thread. */
const LARGE = 1200
const NONE: readonly Finding[] = []
const NOTHING_SLOW: SlowFindings = { found: [], unknown: [], proof: { proved: [], ways: null } }
/** After an edit so long a pause is waited for before anything is searched for, in ms. */
const PAUSE = 600

const rowsOf = ({ switches, sounds, presets, controls, banks }: Rig): number =>
  [switches, sounds, presets, controls, banks].reduce((sum, rows) => sum + Object.keys(rows).length, 0)

/**
 * All that is wrong with a rig. Of a small one at once; of a large one from a worker, so that an edit is drawn without
 * waiting for it: until its answer comes, what is shown is of the rig before, and `isOld` says so. What must be searched
 * for (lamps that can lie) always comes from a worker of its own; until then its findings are of the rig before, and
 * `search` says how far it is.
 */
export function findingsOf(rig: Readonly<Ref<Rig | null>>) {
  const { openFindingWorker, openSlowWorker, clock } = usePlatform()
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

  let slowWorker: ReturnType<typeof openSlowWorker> | null = null
  const slow = shallowRef<{ readonly of: Rig; readonly answer: SlowFindings } | null>(null)
  const search = shallowRef<number | null>(null)
  let stop: (() => void) | null = null
  watch(
    rig,
    (one, before) => {
      stop?.()
      stop = null
      slowWorker?.cancel()
      if (!one || (Object.keys(one.switches).length === 0 && Object.keys(one.parts).length === 0)) {
        slow.value = null
        search.value = null
        return
      }
      search.value = 0
      const ask = () => {
        slowWorker ??= openSlowWorker()
        slowWorker.ask(
          one,
          'lies',
          (found, of) => {
            slow.value = { of, answer: found }
            search.value = null
            // What would mend each takes longer, and is put to it when it is known.
            if (found.found.some(isProofFault))
              slowWorker?.ask(
                of,
                'cures',
                (cured, madeFrom) => (slow.value = { of: madeFrom, answer: cured }),
              )
          },
          (done, soFar) => {
            search.value = done
            if (soFar) slow.value = { of: one, answer: soFar }
          },
        )
      }
      // The page is drawn first, and a player who goes on typing is waited for.
      stop = clock.after(before ? PAUSE : PAUSE * 2, ask)
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    stop?.()
    worker?.close()
    slowWorker?.close()
  })

  const quick = computed(() => {
    if (!rig.value) return NONE
    return isLarge.value ? (answer.value?.found ?? NONE) : findings(rig.value)
  })
  /** Of rows that are still there: what was found of the rig before an edit is shown until it has been looked for again. */
  const searched = computed((): SlowFindings => {
    const now = rig.value
    if (!now || !slow.value) return NOTHING_SLOW
    const { answer: last, of } = slow.value
    if (of === now) return last
    return {
      found: last.found
        .filter(({ about }) => Object.hasOwn(now[about.table], about.id))
        // What would have mended the rig before need not fit the one now.
        .map(({ fix: _, cures: __, ...one }) => one as Finding),
      unknown: [],
      proof: {
        proved: last.proof.proved.filter(({ about }) => Object.hasOwn(now[about.table], about.id)),
        ways: last.proof.ways,
      },
    }
  })
  return {
    found: computed(() => [...quick.value, ...searched.value.found]),
    /** What is shown is not of the rig as it is now: nothing may be called all right by it. */
    isOld: computed(() => isLarge.value && answer.value?.of !== rig.value),
    /** How far the search is, from 0 to 1; null when it has come to its end. */
    search,
    /** Switches of whose lamps it is not known whether they can lie. */
    unknownLamps: computed(() => searched.value.unknown),
    /** What was proven; of the rig before as long as `search` goes on. */
    proof: computed(() => searched.value.proof),
  }
}
