/** A place real MIDI bytes can be sent to. */
export interface MidiOutput {
  readonly id: string
  readonly name: string
  readonly send: (bytes: Uint8Array) => void
}

export interface MidiOutputs {
  /** Whether this browser, on this page, can reach MIDI gear at all. */
  readonly isThere: () => boolean
  /** Asks the player's leave the first time. Empty when it was refused or nothing is plugged in. */
  readonly list: () => Promise<readonly MidiOutput[]>
}

export const browserMidiOutputs: MidiOutputs = {
  isThere: () => 'requestMIDIAccess' in navigator,
  list: async () => {
    if (!('requestMIDIAccess' in navigator)) return []
    try {
      const access = await navigator.requestMIDIAccess()
      return [...access.outputs.values()].map((port) => ({
        id: port.id,
        name: port.name ?? port.id,
        send: (bytes: Uint8Array) => port.send([...bytes]),
      }))
    } catch (error) {
      // The player said no, or the system has no MIDI.
      if (error instanceof DOMException) return []
      throw error
    }
  },
}

/** For tests: no gear. */
export const memoryMidiOutputs: MidiOutputs = { isThere: () => false, list: async () => [] }
