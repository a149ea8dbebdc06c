import { onBeforeUnmount, ref, shallowRef } from 'vue'
import type { Ridden } from '#core/pedal'
import { RIDE_MOVES_MAX, type Pedal, type Ride } from '#core/rig'
import { usePlatform } from '~/platform/platform'
import { useFloorStore } from '~/stores/floor'

/** The floor is looked at so often, in ms; and a ride is as long as its schema lets it be. */
const EVERY = 10
const LONGEST = 600_000

/** Notes what a foot does with a pedal on the floor, whoever moves it. `full` is called where nothing more is held. */
export function useRideRecorder(pedal: () => Pedal, full: () => void) {
  const { clock } = usePlatform()
  const floor = useFloorStore()
  const recording = shallowRef<{ begun: number; moves: Ride['moves']; toes: Ride['toes'] } | null>(null)
  const elapsed = ref(0)
  let stop: (() => void) | null = null
  const now = () => clock.microseconds() / 1000

  function listen(): void {
    const one = recording.value
    if (!one) return
    elapsed.value = now() - one.begun
    const at = Math.round(elapsed.value)
    const { position } = floor.pedalAt(pedal().id)
    if (position !== one.moves.at(-1)!.position) one.moves.push({ at, position })
    const isDown = floor.isToeDown(pedal().id)
    if (isDown !== (one.toes.at(-1)?.isDown ?? false)) one.toes.push({ at, isDown })
    if (one.moves.length >= RIDE_MOVES_MAX || one.toes.length >= 2000 || at >= LONGEST) full()
    else stop = clock.after(EVERY, listen)
  }

  function record(): void {
    const moves = [{ at: 0, position: floor.pedalAt(pedal().id).position }]
    recording.value = { begun: now(), moves, toes: [] }
    listen()
  }

  /** Ends the recording; null when nothing was moved. Nothing in it is meant to be off yet. */
  function end(): Ridden | null {
    stop?.()
    stop = null
    const one = recording.value
    recording.value = null
    if (!one || one.moves.length + one.toes.length < 2) return null
    const length = Math.min(LONGEST, Math.round(now() - one.begun))
    return { length, moves: one.moves, toes: one.toes, meant: [] }
  }
  onBeforeUnmount(() => stop?.())

  return { recording, elapsed, record, end }
}
