import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { own } from '#core/base'
import {
  expectedOf,
  gestureKey,
  gesturesOf,
  gesturesThatSend,
  mayBePedal,
  judgeBoard,
  type FootGesture,
  type HeardMessage,
  type HeardTake,
} from '#core/listen'
import { hexOf } from '#core/midi'
import { inOrder } from '#core/rig'
import { useIncoming } from '~/stores/useIncoming'
import { usePlatform } from '~/platform/platform'
import { useMidiStore } from './midi'
import { useRigStore } from './rig'

/** After this long without a message a step is over, in ms; longer where the plan itself pauses. */
const SILENCE = 450
/** Timing clock and active sensing go on all the time. */
const ASIDE = 0xf8

/** Listening to a real controller: what comes in is held against the plan, step by step. */
export const useListenStore = defineStore('listen', () => {
  const { clock } = usePlatform()
  const midi = useMidiStore()
  const rigs = useRigStore()

  const isOn = ref(false)
  /** The controller that is listened to. */
  const controllerId = ref('')
  /** In the order of the plan, each asked for by name; or as the player likes, told by what is sent. */
  const mode = ref<'inTurn' | 'anyhow'>('inTurn')
  /** The bank that is gone through in any order: banks turn without a message. */
  const bankId = ref('')
  const takes = shallowRef<readonly HeardTake[]>([])
  /** What the plan sends nothing for is not asked for: whether it is right cannot be heard. */
  const skipsSilent = ref(true)
  /** What is being asked for, by its key. */
  const asked = ref<string | null>(null)
  /** What came in last in any order, and which steps send that. */
  const last = shallowRef<{
    readonly sent: readonly HeardMessage[]
    readonly meant: readonly FootGesture[]
  } | null>(null)
  let together: HeardMessage[] = []
  let from = 0
  let stop: (() => void) | null = null
  onScopeDispose(() => stop?.())

  const controller = computed(() => {
    const { rig } = rigs
    return rig ? (own(rig.controllers, controllerId.value) ?? inOrder(rig.controllers)[0]) : undefined
  })
  const gestures = computed(() =>
    rigs.rig && controller.value ? gesturesOf(rigs.rig, controller.value) : [],
  )
  const judged = computed(() =>
    rigs.rig && controller.value ? judgeBoard(rigs.rig, controller.value, takes.value) : [],
  )
  const askedFor = computed(() => gestures.value.find((one) => gestureKey(one) === asked.value) ?? null)

  useIncoming(
    () => isOn.value,
    ({ bytes, at }) => {
      if (bytes.length === 0 || bytes[0]! >= ASIDE) return
      if (together.length === 0) from = at
      together.push({ ms: Math.max(0, Math.round(at - from)), hex: hexOf(bytes) })
      stop?.()
      stop = clock.after(silence(), conclude)
    },
  )

  /** A pause of the plan is no end of a step. */
  function silence(): number {
    const one = askedFor.value
    if (!rigs.rig || !one || mode.value === 'anyhow') return SILENCE
    const { sends } = expectedOf(rigs.rig, one)
    return sends.reduce(
      (most, { ms }, n) => Math.max(most, n === 0 ? 0 : ms - sends[n - 1]!.ms + 200),
      SILENCE,
    )
  }

  /** A pedal that moves meanwhile is no part of a step, unless the step sends just that. */
  function withoutPedals(
    messages: readonly HeardMessage[],
    planned: readonly HeardMessage[],
  ): HeardMessage[] {
    const { rig } = rigs
    return messages.filter(
      ({ hex }) => !rig || !mayBePedal(rig, hex) || planned.some((one) => one.hex === hex),
    )
  }

  function conclude(): void {
    const all = together
    together = []
    stop?.()
    stop = null
    if (!rigs.rig || !controller.value) return
    if (mode.value === 'inTurn') {
      const planned = askedFor.value ? expectedOf(rigs.rig, askedFor.value).sends : []
      const sent = withoutPedals(all, planned)
      // Only a pedal moved: the step is still to come.
      if (all.length === 0 || sent.length > 0) take(sent)
      return
    }
    if (all.length === 0) return
    const whole = gesturesThatSend(rigs.rig, controller.value, bankId.value, all)
    const sent = whole.length > 0 ? all : withoutPedals(all, [])
    if (sent.length === 0) return
    const meant = whole.length > 0 ? whole : gesturesThatSend(rigs.rig, controller.value, bankId.value, sent)
    last.value = { sent, meant }
    if (meant.length === 1) put(meant[0]!, sent)
  }

  function put(gesture: FootGesture, sent: readonly HeardMessage[]): void {
    const key = gestureKey(gesture)
    takes.value = [...takes.value.filter((one) => gestureKey(one.gesture) !== key), { gesture, sent }]
  }

  /** What was asked for is over; the next that was not heard yet is asked for. */
  function take(sent: readonly HeardMessage[]): void {
    const one = askedFor.value
    if (!one) return
    put(one, sent)
    goOn()
  }

  const isSilent = (one: FootGesture): boolean =>
    rigs.rig !== null && expectedOf(rigs.rig, one).sends.length === 0

  function goOn(): void {
    const at = gestures.value.findIndex((one) => gestureKey(one) === asked.value)
    const heard = new Set(takes.value.map(({ gesture }) => gestureKey(gesture)))
    const rest = [...gestures.value.slice(at + 1), ...gestures.value.slice(0, at + 1)]
    const next = rest.find((one) => !heard.has(gestureKey(one)) && !(skipsSilent.value && isSilent(one)))
    asked.value = next ? gestureKey(next) : null
  }

  function ask(gesture: FootGesture): void {
    mode.value = 'inTurn'
    asked.value = gestureKey(gesture)
    together = []
  }

  async function start(): Promise<void> {
    await midi.open()
    // The real one plays the devices: what the simulated one would send as well stays here.
    midi.isMuted = true
    isOn.value = true
    bankId.value ||= gestures.value[0]?.bankId ?? ''
    if (askedFor.value === null) goOn()
  }

  function end(): void {
    isOn.value = false
    midi.isMuted = false
    together = []
    stop?.()
    stop = null
  }

  function forget(): void {
    takes.value = []
    last.value = null
    asked.value = null
    if (isOn.value) goOn()
  }

  watch(
    () => rigs.rigId,
    () => {
      end()
      forget()
      bankId.value = ''
    },
  )
  // Steps of switches that are gone are no steps any more.
  watch(gestures, (all) => {
    const known = new Set(all.map(gestureKey))
    if (takes.value.some(({ gesture }) => !known.has(gestureKey(gesture))))
      takes.value = takes.value.filter(({ gesture }) => known.has(gestureKey(gesture)))
    if (!own(rigs.rig?.banks ?? {}, bankId.value)) bankId.value = all[0]?.bankId ?? ''
    if (isOn.value && asked.value !== null && !known.has(asked.value)) goOn()
  })

  return {
    isOn,
    controllerId,
    mode,
    skipsSilent,
    bankId,
    takes,
    judged,
    gestures,
    asked,
    askedFor,
    last,
    start,
    end,
    forget,
    ask,
    goOn,
    /** Nothing came: the step was made, and the controller said nothing. */
    nothingCame: () => take([]),
  }
})
