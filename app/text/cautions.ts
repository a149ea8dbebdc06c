import type { Caution } from '#core/setup'

/** Short; the maker's manual and a qualified technician have the last word. */
export const CAUTION_TEXT: Record<Caution, string> = {
  power:
    'Right voltage, polarity and enough current, by the maker’s manual. Never feed one box from two supplies.',
  midiPower: 'Power on a MIDI cable only into gear built for it.',
  ampJack:
    'Switching jacks are for contacts, not audio; on an amp some carry voltage. Never open an amp: ask a technician.',
  jackRole: 'Switch roles and cables of shared jacks with the gear off or muted; a relay change can thump.',
  walkway: 'Keep cables off the walkway.',
  hum: 'Hum between two amps: use an isolating box; never lift a safety earth.',
  loudness: 'Try new sounds at low volume first, above all in headphones or in-ears.',
  saveFirst: 'Save before changing presets; back up before updating firmware.',
}
