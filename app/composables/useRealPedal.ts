import { watch } from 'vue'
import { useMidiStore } from '~/stores/midi'

/** One value of a controller number that came in. */
export interface PedalMessage {
  /** In ms on the page's clock. */
  readonly at: number
  readonly channel: number
  readonly controller: number
  readonly value: number
}

/** Control changes that come in from real gear while `isOn`, our own that came back left out. */
export function useRealPedal(isOn: () => boolean, heard: (message: PedalMessage) => void): void {
  const midi = useMidiStore()
  let seen = midi.incoming.length
  watch(
    () => [isOn(), midi.incoming.length, midi.incoming.at(-1)?.at] as const,
    ([on]) => {
      // What came before it was switched on is not for us; the list is cut when it is full.
      if (midi.incoming.length < seen) seen = 0
      const fresh = midi.incoming.slice(seen)
      seen = midi.incoming.length
      if (!on) return
      for (const { at, bytes, isEcho } of fresh) {
        const [status, controller, value] = bytes
        if (!isEcho && status !== undefined && (status & 0xf0) === 0xb0 && value !== undefined)
          heard({ at, channel: (status & 0x0f) + 1, controller: controller!, value })
      }
    },
    { flush: 'sync' },
  )
}
