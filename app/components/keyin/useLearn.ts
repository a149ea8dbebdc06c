import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { usualDevice } from '#core/archetype'
import {
  learnedRig,
  learnSwitch,
  nextAsked,
  type HeardMessage,
  type LearnedPlace,
  type SwitchTakes,
} from '#core/listen'
import { hexOf } from '#core/midi'
import { formatRigFile, type Controller } from '#core/rig'
import { useIncoming } from '~/stores/useIncoming'
import { usePlatform } from '~/platform/platform'
import { useListenStore } from '~/stores/listen'
import { useMidiStore } from '~/stores/midi'

/** After so long without a message a tap is over, in ms; longer than any usual pause within a list. */
const SILENCE = 900
/** How long a foot is asked to hold, in ms. */
export const HOLD_FOR = 1900
/** What comes as the foot comes off is waited for. */
const AFTER = 1300

const NO_TAKES: SwitchTakes = { taps: [], hold: null, double: null }

/** A controller nobody knows, stepped on switch by switch; what it does is drawn up from what it sends. */
export function useLearn(controller: () => Controller) {
  const { clock } = usePlatform()
  const midi = useMidiStore()

  const isOn = ref(false)
  const bank = ref(0)
  const number = ref(1)
  /** By "bank/number", what was heard. */
  const heard = shallowRef<ReadonlyMap<string, SwitchTakes>>(new Map())
  /** The foot is holding: since when, on the page's clock. */
  const holdsSince = ref<number | null>(null)
  let together: HeardMessage[] = []
  let from = 0
  let stop: (() => void) | null = null
  onScopeDispose(() => end())

  const key = computed(() => `${bank.value}/${number.value}`)
  const takes = computed(() => heard.value.get(key.value) ?? NO_TAKES)
  const tellsDouble = computed(() => controller().events.includes('doublePress'))
  const asked = computed(() => nextAsked(takes.value, tellsDouble.value))
  const switches = computed(() => controller().rows * controller().columns)

  useIncoming(
    () => isOn.value,
    ({ bytes, at }) => {
      if (bytes.length === 0 || bytes[0]! >= 0xf8) return
      const start = holdsSince.value
      if (together.length === 0) from = start ?? at
      together.push({ ms: Math.max(0, Math.round(at - from)), hex: hexOf(bytes) })
      if (start !== null) return
      stop?.()
      stop = clock.after(SILENCE, conclude)
    },
  )

  function put(after: SwitchTakes): void {
    heard.value = new Map(heard.value).set(key.value, after)
  }

  function conclude(): void {
    const messages = together
    together = []
    stop?.()
    stop = null
    const now = takes.value
    if (asked.value === 'tap') put({ ...now, taps: [...now.taps, messages] })
    else if (asked.value === 'double') put({ ...now, double: messages })
  }

  /** From now on the foot is down; it comes off when the time is over. */
  function hold(): void {
    together = []
    holdsSince.value = midi.now()
    stop?.()
    stop = clock.after(HOLD_FOR + AFTER, () => {
      const messages = together
      together = []
      holdsSince.value = null
      stop = null
      put({ ...takes.value, hold: { messages, heldMs: HOLD_FOR } })
    })
  }

  function goOn(): void {
    together = []
    if (number.value < switches.value) number.value++
    else {
      number.value = 1
      bank.value = Math.min(controller().bankCount - 1, bank.value + 1)
    }
  }

  function again(): void {
    put(NO_TAKES)
  }

  const learned = computed((): readonly LearnedPlace[] =>
    [...heard.value].flatMap(([place, its]): LearnedPlace[] => {
      if (its.taps.length === 0) return []
      const [at, which] = place.split('/').map(Number)
      return [{ bank: at!, layer: 'base', jack: '', number: which!, does: learnSwitch(its) }]
    }),
  )

  /** What was learned, as a rig file. */
  function file(name: string): File {
    const one = controller()
    const rig = learnedRig(name, one, { ...usualDevice, ports: [] }, learned.value)
    return new File([formatRigFile(rig)], 'learned.rig.json', { type: 'application/json' })
  }

  async function start(): Promise<void> {
    // Two who listen at once would each take the other's steps.
    useListenStore().end()
    await midi.open()
    midi.isMuted = true
    isOn.value = true
  }

  function end(): void {
    if (isOn.value) midi.isMuted = false
    isOn.value = false
    holdsSince.value = null
    together = []
    stop?.()
    stop = null
  }

  return {
    isOn,
    bank,
    number,
    takes,
    asked,
    holdsSince,
    learned,
    start,
    end,
    hold,
    goOn,
    again,
    file,
    /** Nothing came of the step. */
    nothingCame: conclude,
  }
}
