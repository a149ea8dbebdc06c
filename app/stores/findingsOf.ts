import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { Finding, SlowFindings } from '#core/check'
import type { Rig } from '#core/rig'
import { useAnswer } from '~/platform/useAnswer'
import { usePlatform } from '~/platform/platform'
import type { WorkFault } from '~/platform/workers'
import { isProofFault } from '~/text/proof'

/** Rigs of more rows than this are looked through off the page's thread. */
const LARGE = 1200
const NONE: readonly Finding[] = []
const NOTHING_SLOW: SlowFindings = { found: [], unknown: [], proof: { proved: [], ways: null } }
/** After an edit so long a pause is waited for before anything is searched for, in ms. */
const PAUSE = 600

const rowsOf = ({ switches, sounds, presets, controls, banks }: Rig): number =>
  [switches, sounds, presets, controls, banks].reduce((sum, rows) => sum + Object.keys(rows).length, 0)

/** What could not be looked for, with the way to try again. */
export interface LostSearch {
  /** "What is wrong with this rig". */
  readonly what: string
  readonly fault: WorkFault
  readonly again: () => void
}

/**
 * All that is wrong with a rig. Of a small one at once, as soon as the code for it is here; of a large one from a worker, so
 * that an edit is drawn without waiting for it: until its answer comes, what is shown is of the rig before, and `isOld` says
 * so. What must be searched for (lamps that can lie) always comes from a worker; until then its findings are of the rig
 * before, and `search` says how far it is. What could not be looked for stands in `lost`, and is then not known.
 */
export function findingsOf(rig: Readonly<Ref<Rig | null>>) {
  const { clock } = usePlatform()
  const far = useAnswer('findings')
  const isLarge = computed(() => rig.value !== null && rowsOf(rig.value) > LARGE)
  const near = shallowRef<((rig: Rig) => readonly Finding[]) | null>(null)
  const nearFault = shallowRef<WorkFault | null>(null)
  let stopFetch: (() => void) | null = null
  async function fetchNear(): Promise<void> {
    stopFetch = null
    nearFault.value = null
    try {
      near.value = (await import('./lookThrough')).lookThrough
    } catch (error) {
      nearFault.value = { kind: 'gone', text: String(error) }
    }
  }
  watch(
    [rig, isLarge],
    () => {
      if (!rig.value || !isLarge.value) far.forget()
      else far.ask(rig.value, null)
      // The floor is drawn first.
      if (rig.value && !isLarge.value && !near.value) stopFetch ??= clock.after(0, () => void fetchNear())
    },
    { immediate: true },
  )

  const foundFault = computed(() => (isLarge.value ? far.fault.value : nearFault.value))

  const lies = useAnswer('search')
  // What would mend each takes longer, and is put to it when it is known.
  const cures = useAnswer('search')
  /** The page is drawn first, and a player who goes on typing is waited for. */
  const isPutOff = ref(false)
  let stop: (() => void) | null = null
  watch(
    rig,
    (one, before) => {
      stop?.()
      stop = null
      isPutOff.value = false
      cures.forget()
      if (!one || (Object.keys(one.switches).length === 0 && Object.keys(one.parts).length === 0))
        return lies.forget()
      lies.cancel()
      isPutOff.value = true
      stop = clock.after(before ? PAUSE : PAUSE * 2, () => {
        isPutOff.value = false
        lies.ask(one, 'lies')
      })
    },
    { immediate: true },
  )
  watch([lies.answer, lies.done], ([one, done]) => {
    if (one && done === null && one.of === rig.value && one.value.found.some(isProofFault))
      cures.ask(one.of, 'cures')
  })
  onScopeDispose(() => {
    stop?.()
    stopFetch?.()
  })
  const slow = computed(() => (cures.done.value === null && cures.answer.value) || lies.answer.value)
  const search = computed(() => (isPutOff.value ? 0 : (lies.done.value ?? (lies.fault.value ? 0 : null))))

  const quick = computed(() => {
    if (!rig.value) return NONE
    return isLarge.value ? (far.answer.value?.value ?? NONE) : (near.value?.(rig.value) ?? NONE)
  })
  /** Of rows that are still there: what was found of the rig before an edit is shown until it has been looked for again. */
  const searched = computed((): SlowFindings => {
    const now = rig.value
    if (!now || !slow.value) return NOTHING_SLOW
    const { value: last, of } = slow.value
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
    isOld: computed(() => (isLarge.value ? far.answer.value?.of !== rig.value : near.value === null)),
    /** How far the search is, from 0 to 1; null when it has come to its end. One that was lost comes to none. */
    search,
    lost: computed((): LostSearch[] => [
      ...lostOf(
        'What is wrong with this rig',
        foundFault.value,
        isLarge.value ? far.again : () => void fetchNear(),
      ),
      ...lostOf('What can go wrong on the way', lies.fault.value, lies.again),
      ...lostOf('What would mend what can go wrong', cures.fault.value, cures.again),
    ]),
    isFoundLost: computed(() => foundFault.value !== null),
    isSearchLost: computed(() => lies.fault.value !== null),
    /** Switches of whose lamps it is not known whether they can lie. */
    unknownLamps: computed(() => searched.value.unknown),
    /** What was proven; of the rig before as long as `search` goes on. */
    proof: computed(() => searched.value.proof),
  }
}

const lostOf = (what: string, fault: WorkFault | null, again: () => void): LostSearch[] =>
  fault ? [{ what, fault, again }] : []
