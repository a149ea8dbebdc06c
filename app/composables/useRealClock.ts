import { useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'
import { CLOCKS_A_QUARTER } from '#core/tempo'
import { usePlatform } from '~/platform/platform'
import { useFloorStore } from '~/stores/floor'
import { useIncoming } from '../stores/useIncoming'

const isRead = ref(false)

/** Whether a clock on a real MIDI input leads the floor's controller. */
export const useClockRead = () => isRead

/** Timing clock and stop (M1 v4.2.1, "System Real Time Messages"; from memory). */
const CLOCK = 0xf8
const STOP = 0xfc
/** So many clocks before a tempo is told, and so long without one, in ms, before it has stopped. */
const ENOUGH = CLOCKS_A_QUARTER / 2
const SILENT = 1000

/** The tempo of clocks that came at so many ms, to a tenth; null of too few. */
function tempoOfClocks(times: readonly number[]): number | null {
  if (times.length <= ENOUGH) return null
  const mean = (times.at(-1)! - times[0]!) / (times.length - 1)
  return Math.round(600_000 / (mean * CLOCKS_A_QUARTER)) / 10
}

/** Hands a clock that comes in to the floor: once, where the floor is. */
export function useRealClock(): void {
  const floor = useFloorStore()
  const { midi } = usePlatform()
  let times: number[] = []
  let told: number | null = null

  const tell = (bpm: number | null): void => {
    // What wavers by a tenth is the same tempo.
    if (bpm === told || (bpm !== null && told !== null && Math.abs(bpm - told) < 0.15)) return
    told = bpm
    floor.clockIn(bpm)
  }
  const end = (): void => {
    times = []
    tell(null)
  }
  useIncoming(
    () => isRead.value,
    ({ at, bytes: [status] }) => {
      if (status === STOP) end()
      if (status !== CLOCK) return
      times = [...times, at].slice(-CLOCKS_A_QUARTER - 1)
      const bpm = tempoOfClocks(times)
      if (bpm !== null && bpm >= 20 && bpm <= 400) tell(bpm)
    },
  )
  useIntervalFn(() => {
    if (told !== null && (!isRead.value || midi.now() - times.at(-1)! > SILENT)) end()
  }, 250)
}
