import type { Control, Pair, Reading } from '#core/rig'

/** The charts of the demo rig's devices: what each can be told, with its own numbers. */

const percent: Reading = { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 }
const onOff: Reading = { kind: 'switch', isStrict: false }
const range = (
  unit: string,
  low: number,
  high: number,
  scale: 'linear' | 'logarithmic' = 'linear',
): Reading => ({
  kind: 'range',
  unit,
  low,
  high,
  scale,
  from: 0,
  to: 127,
})
/** A semitone a step, unison in the middle. */
const SEMITONES: Reading = {
  kind: 'range',
  unit: 'semitones',
  low: -12,
  high: 12,
  scale: 'linear',
  from: 52,
  to: 76,
}
const named = (...names: string[]): Reading => ({
  kind: 'named',
  names: names.map((name, value) => ({ value, name })),
})

type Line = readonly [
  id: string,
  section: string,
  name: string,
  number: number,
  reading: Reading,
  fields?: Partial<Control>,
]

const lines: Readonly<Record<string, readonly Line[]>> = {
  preamp: [
    ['preamp-on', '', 'Preamp on', 20, onOff],
    ['preamp-drive', 'Drive', 'Drive', 21, percent],
    ['preamp-blend', 'Drive', 'Blend', 22, percent],
    ['preamp-low', 'Tone', 'Bass', 23, range('dB', -15, 15)],
    ['preamp-mid', 'Tone', 'Mid', 24, range('dB', -15, 15)],
    ['preamp-mid-frequency', 'Tone', 'Mid frequency', 25, range('Hz', 200, 3200, 'logarithmic')],
    ['preamp-high', 'Tone', 'Treble', 26, range('dB', -15, 15)],
    ['preamp-volume', '', 'Volume', 7, percent],
    ['preamp-mute', '', 'Mute and tuner', 28, { kind: 'switch', isStrict: true }],
  ],
  echo: [
    ['echo-on', '', 'Echo on', 102, onOff],
    ['echo-time', '', 'Time', 103, range('ms', 20, 1200, 'logarithmic'), { division: 'quarter' }],
    ['echo-right', '', 'Right side', 111, range('ms', 20, 1200, 'logarithmic'), { division: 'dottedEighth' }],
    ['echo-repeats', '', 'Repeats', 104, percent],
    ['echo-mix', '', 'Mix', 105, percent],
    ['echo-wow', 'Tape', 'Wow', 106, percent],
    [
      'echo-age',
      'Tape',
      'Age',
      107,
      percent,
      { source: 'heard', note: 'From a friend; the chart leaves it out.' },
    ],
    ['echo-division', '', 'Division', 108, named('Quarter', 'Dotted eighth', 'Eighth', 'Triplet')],
    ['echo-tap', '', 'Tap tempo', 109, { kind: 'trigger', value: 127 }],
    ['echo-loop-tap', 'Looper', 'Tap: record, play, overdub', 110, { kind: 'trigger', value: 127 }],
  ],
  reverb: [
    ['reverb-on', '', 'Reverb on', 14, onOff],
    ['reverb-mix', '', 'Mix', 15, percent],
    ['reverb-decay', '', 'Decay', 16, range('s', 0.2, 20, 'logarithmic')],
    ['reverb-predelay', '', 'Pre-delay', 17, range('ms', 0, 200)],
    ['reverb-tone', '', 'Tone', 18, range('%', -100, 100)],
    ['reverb-freeze', '', 'Freeze', 19, { kind: 'toggle', value: 127 }],
    ['reverb-type', '', 'Type', 21, named('Room', 'Hall', 'Plate', 'Spring', 'Drowned')],
  ],
  synth: [
    ['synth-scene', '', 'Scene', 34, named('Scene 1', 'Scene 2', 'Scene 3')],
    ['synth-pitch', 'Pitch', 'Pitch', 35, SEMITONES],
    ['synth-wah', 'Filter', 'Filter sweep', 36, percent, { kind: 'assignable', map: 'preset' }],
    ['synth-resonance', 'Filter', 'Resonance', 37, percent, { kind: 'assignable' }],
    [
      'synth-drift',
      'Oscillator',
      'Drift',
      0,
      { kind: 'range', unit: 'cents', low: 0, high: 50, scale: 'linear', from: 0, to: 16383 },
      {
        address: {
          kind: 'nrpn',
          parameter: 12588 as never,
          written: 'number',
          value: 'both',
          nullAfter: true,
        },
      },
    ],
    ['synth-wobble', 'Filter', 'Wobble', 42, range('Hz', 0.1, 12, 'logarithmic'), { division: 'eighth' }],
    ['synth-wah-on', 'Filter', 'Wah', 40, onOff],
    ['synth-wah-sweep', 'Filter', 'Wah sweep', 41, percent],
    ['synth-next', '', 'Next and previous preset', 39, { kind: 'increment', up: 1, down: 0 }],
  ],
}

/** The loop pedal takes its two footswitches over MIDI too: general purpose switches 80 and 81. */
const LOOP_SWITCHES: readonly Line[] = [
  ['loop-one', '', 'Loop switch', 80, onOff],
  ['loop-two', '', 'Stop switch', 81, onOff],
]

export const controls: readonly Control[] = Object.entries({ ...lines, looper: LOOP_SWITCHES }).flatMap(
  ([deviceId, chart], d) =>
    chart.map(([id, section, name, number, reading, fields], n): Control => ({
      id: id as Control['id'],
      deviceId: deviceId as Control['deviceId'],
      order: d * 100 + n + 1,
      name,
      section,
      address: { kind: 'cc', number: number as never },
      reading,
      kind: 'fixed',
      map: 'device',
      division: null,
      source: 'maker',
      note: '',
      origin: '',
      ...fields,
    })),
)

/** A control of the demo at a value. */
export const at = (controlId: string, value: number) => ({ controlId: controlId as Control['id'], value })

export const pairs: readonly Pair[] = [
  {
    id: 'preamp-pair' as Pair['id'],
    deviceId: 'preamp' as Pair['deviceId'],
    order: 1,
    name: 'Verse and shout',
    by: 'Footswitch of the preamp',
    a: [at('preamp-drive', 25), at('preamp-mid', 64), at('preamp-volume', 90)],
    b: [at('preamp-drive', 88), at('preamp-mid', 80), at('preamp-volume', 96)],
    isLocked: true,
    losesAll: 'A factory reset',
    learned: null,
  },
]
