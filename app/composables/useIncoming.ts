import { watch } from 'vue'
import { useMidiStore, type Incoming } from '~/stores/midi'

/** What comes in from real gear while `isOn`, our own that came back left out. */
export function useIncoming(isOn: () => boolean, heard: (message: Incoming) => void): void {
  const midi = useMidiStore()
  let seen = midi.incoming.length
  watch(
    () => [isOn(), midi.incoming.length, midi.incoming.at(-1)?.at] as const,
    ([on]) => {
      // What came before it was switched on is not for us; the list is cut when it is full.
      if (midi.incoming.length < seen) seen = 0
      const fresh = midi.incoming.slice(seen)
      seen = midi.incoming.length
      if (on) for (const message of fresh) if (!message.isEcho) heard(message)
    },
    { flush: 'sync' },
  )
}
