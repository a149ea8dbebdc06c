import type { MidiState } from '~/platform/midi'

/** Where real MIDI stands, and what to do about it. */
export const MIDI_TEXT: Record<MidiState, string> = {
  unasked: 'The browser has not been asked for MIDI yet.',
  asking: 'The browser is asking for your leave.',
  open: 'The browser lets this page use MIDI.',
  none: 'This browser has no MIDI. Chromium-based browsers and Firefox on a computer have it.',
  insecure:
    'The browser keeps MIDI from pages that come over an insecure connection. Open this page by https, or on the computer it runs on as http://localhost.',
  refused:
    'The browser was told not to let this page use MIDI. Allow MIDI in the settings of this page, beside its address, then ask again.',
  failed: 'The browser could not open MIDI. Close other programs that use the port, then ask again.',
}
