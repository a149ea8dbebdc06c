import { onBeforeUnmount, ref, shallowRef } from 'vue'
import {
  GUIDE_MS,
  guidedFoot,
  readSweeps,
  simulatedPedal,
  type CalibrationRead,
  type SimulatedKind,
  type SimulatedPedal,
} from '#core/pedal'
import { useRealPedal } from '~/composables/useRealPedal'
import { usePlatform } from '~/platform/platform'
import { useMidiStore } from '~/stores/midi'

export type SweepSource = SimulatedKind | 'real'

/** A jack is read so often, in ms; and nobody sweeps for longer than this to calibrate. */
const READ_EVERY = 10
const LONGEST = 120_000

/** A pedal swept, by the app as it asks or by the player, and what its jack reads meanwhile. */
export function useSweepReader(source: () => SweepSource) {
  const { clock } = usePlatform()
  const midi = useMidiStore()

  /** Who moves the foot: the app as it asks, or the player. */
  const state = ref<'idle' | 'guided' | 'byHand'>('idle')
  const readings = shallowRef<{ at: number; value: number }[]>([])
  const reading = ref(0)
  const foot = ref(0)
  const elapsed = ref(0)
  const result = shallowRef<CalibrationRead | null>(null)
  /** It stopped short the time before. */
  let wasShort = false
  let seed = 1
  let begun = 0
  let simulated: SimulatedPedal | null = null
  let stop: (() => void) | null = null
  let heardNumber: number | null = null

  const now = () => clock.microseconds() / 1000

  function start(by: 'guided' | 'byHand'): void {
    result.value = null
    readings.value = []
    foot.value = 0
    elapsed.value = 0
    heardNumber = null
    begun = now()
    const kind = source()
    simulated = kind === 'real' ? null : simulatedPedal(kind, seed++)
    state.value = by
    if (kind === 'real') void midi.open()
    tick()
  }

  function take(at: number): void {
    if (!simulated) return
    reading.value = simulated.read(foot.value, at)
    readings.value.push({ at, value: reading.value })
  }

  function tick(): void {
    stop?.()
    const to = now() - begun
    // The jack is read every 10 ms, however often the page is drawn.
    for (
      let at = (readings.value.at(-1)?.at ?? -READ_EVERY) + READ_EVERY;
      simulated && at <= to;
      at += READ_EVERY
    ) {
      if (state.value === 'guided') foot.value = guidedFoot(at)
      take(at)
    }
    elapsed.value = to
    readings.value = [...readings.value]
    if ((state.value === 'guided' && to >= GUIDE_MS) || to >= LONGEST) done()
    else stop = clock.after(30, tick)
  }

  /** The rest of the way at once. */
  function skip(): void {
    for (let at = (readings.value.at(-1)?.at ?? -READ_EVERY) + READ_EVERY; at <= GUIDE_MS; at += READ_EVERY) {
      foot.value = guidedFoot(at)
      take(at)
    }
    done()
  }

  function done(): void {
    stop?.()
    stop = null
    const last = readings.value.at(-1)
    // A real pedal is silent while it stands: it stood there until now.
    const stood = last && !simulated ? [{ at: now() - begun, value: last.value }] : []
    readings.value = [...readings.value, ...stood]
    result.value = readSweeps(readings.value, wasShort)
    wasShort = result.value.why === 'short'
    state.value = 'idle'
  }

  function cancel(): void {
    stop?.()
    stop = null
    state.value = 'idle'
  }
  onBeforeUnmount(cancel)

  useRealPedal(
    () => state.value !== 'idle' && source() === 'real',
    ({ at, controller, value }) => {
      // The first number that moves is the pedal's.
      heardNumber ??= controller
      if (controller !== heardNumber) return
      reading.value = value
      readings.value.push({ at: Math.max(0, at - begun), value })
    },
  )

  return { state, readings, reading, foot, elapsed, result, start, skip, done, cancel }
}
