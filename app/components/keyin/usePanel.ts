import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import {
  boxOfController,
  knownIn,
  panelView,
  pressPanel,
  startPanel,
  type KeyInLine,
  type Panel,
  type PanelBox,
  type Press,
  type Stroke,
} from '#core/keyin'
import type { Controller, Rig } from '#core/rig'
import { usePlatform } from '~/platform/platform'
import { strokeText } from '#shared/keyInText'

/** One fast step for every so many ms a key is held. */
const RUN_MS = 150
/** Held shorter than this it is a press. */
const HELD_MS = 400
/** Between two presses of a line that plays itself. */
const PLAY_MS = 140

interface Shown {
  readonly rig: Rig
  readonly controller: Controller
  readonly line: KeyInLine | null
  /** Lines that come before it: what it copies may be of them. */
  readonly before: readonly KeyInLine[]
  readonly end: readonly Stroke[]
}

/** A simulated front panel that is worked by hand, or by a line of the sheet. */
export function usePanel(shown: () => Shown) {
  const { clock } = usePlatform()

  const box = computed((): PanelBox => boxOfController(shown().rig, shown().controller))
  const keying = computed(() => box.value.shape.keying)
  /** What is known to be in the controller; where nobody knows it is taken for empty. */
  const stored = computed(() => knownIn(shown().rig, shown().controller))
  const panel = shallowRef<Panel>(startPanel())
  const view = computed(() => panelView(box.value, panel.value))
  /** The last press, in words. */
  const last = ref('')

  function restart(): void {
    stopPlaying()
    played.value = null
    panel.value = startPanel(stored.value)
  }

  function press(one: Press): void {
    panel.value = pressPanel(box.value, panel.value, one)
    last.value = strokeText(shown().controller, keying.value, { ...one, times: 1 })
  }

  let downAt = 0
  let downKey = ''
  const down = (key: string) => {
    downAt = clock.now().getTime()
    downKey = key
  }

  /** A key let go: held by the pointer itself, or for so many seconds as chosen; what runs fast then runs. */
  function up(key: string, seconds: number): void {
    const held =
      seconds > 0 ? seconds * 1000 : downKey === key && downAt > 0 ? clock.now().getTime() - downAt : 0
    downAt = 0
    const fast = fastAfter(key)
    if (fast !== null && held >= fast && !isCommand(key, held))
      press({ key, holdMs: held, runs: Math.max(1, Math.floor((held - fast) / RUN_MS)) })
    else press(held >= HELD_MS ? { key, holdMs: held } : { key })
  }

  /** After how long a key runs fast; null for one that does not. */
  function fastAfter(key: string): number | null {
    for (const { set } of keying.value.fields)
      if (set.how === 'steps' && set.fast && (set.up === key || set.down === key)) return set.fast.afterMs
    return null
  }

  const isCommand = (key: string, held: number): boolean =>
    [...keying.value.save.keys, ...keying.value.clear, ...keying.value.cancel].some(
      (one) => one.key === key && one.holdMs > 0 && held >= one.holdMs,
    )

  /** Presses still to come of the line that plays itself; and which line that is or was. */
  const waiting = shallowRef<readonly Press[]>([])
  const played = shallowRef<KeyInLine | null>(null)
  let stop: (() => void) | null = null
  function stopPlaying(): void {
    stop?.()
    stop = null
    waiting.value = []
  }
  onUnmounted(stopPlaying)

  function play(): void {
    const { line, before, end } = shown()
    if (!line) return
    restart()
    // As the sheet expects it: all lines before are done, and the controller is in the bank of the last.
    const done = new Map(stored.value)
    for (const { key, wanted } of before) done.set(key, wanted)
    panel.value = { ...startPanel(done), chosen: line.from }
    played.value = line
    waiting.value = [...line.steps.flatMap(({ strokes }) => single(strokes)), ...single(end)]
    next()
  }

  function next(): void {
    const [one, ...rest] = waiting.value
    if (!one) return
    press(one)
    waiting.value = rest
    stop = rest.length > 0 ? clock.after(PLAY_MS, next) : null
  }

  function atOnce(): void {
    const all = waiting.value
    stopPlaying()
    for (const one of all) press(one)
  }

  /** Whether the line that was played left what the plan says; null while none was. */
  const isRight = computed(() => {
    const line = played.value
    if (!line || waiting.value.length > 0) return null
    return JSON.stringify(panel.value.stored.get(line.key)) === JSON.stringify(line.wanted)
  })

  watch([keying, stored], restart, { immediate: true })

  return { box, keying, panel, view, last, waiting, isRight, press, down, up, play, atOnce, restart }
}

const single = (strokes: readonly Stroke[]): Press[] =>
  strokes.flatMap(({ times, ...one }) => Array.from({ length: times }, () => one))
