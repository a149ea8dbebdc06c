import { watch } from 'vue'
import type { Incoming } from '~/platform/midi'
import { useMidiStore } from '~/stores/midi'

/** What comes in from real gear while `isOn`, our own that came back left out. */
export function useIncoming(isOn: () => boolean, heard: (message: Incoming) => void): void {
  const midi = useMidiStore()
  let last = midi.incoming.at(-1) ?? null
  watch(
    () => [isOn(), midi.incoming.length, midi.incoming.at(-1)] as const,
    ([on]) => {
      // What came before it was switched on is not for us. The list is cut in front when it is full, and may be emptied.
      const fresh = midi.incoming.slice(last ? midi.incoming.lastIndexOf(last) + 1 : 0)
      last = midi.incoming.at(-1) ?? null
      if (on) for (const message of fresh) if (!message.isEcho) heard(message)
    },
    { flush: 'sync' },
  )
}
