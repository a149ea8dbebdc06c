import * as fc from 'fast-check'
import type { MidiMessage } from '../message'

const u7 = fc.integer({ min: 0, max: 127 })
const u14 = fc.integer({ min: 0, max: 16383 })
const channel = fc.integer({ min: 1, max: 16 })

/** Any channel message, for generated tests. */
export const anyChannelMessage = fc.oneof(
  fc.record({ kind: fc.constantFrom('noteOn', 'noteOff'), channel, note: u7, velocity: u7 }),
  fc.record({ kind: fc.constant('polyPressure'), channel, note: u7, value: u7 }),
  fc.record({ kind: fc.constant('control'), channel, controller: u7, value: u7 }),
  fc.record({ kind: fc.constant('program'), channel, program: u7 }),
  fc.record({ kind: fc.constant('channelPressure'), channel, value: u7 }),
  fc.record({ kind: fc.constant('pitchBend'), channel, bend: u14 }),
) as fc.Arbitrary<MidiMessage>

/** Any message at all. */
export const anyMessage = fc.oneof(
  { weight: 4, arbitrary: anyChannelMessage },
  {
    weight: 1,
    arbitrary: fc.oneof(
      fc.record({ kind: fc.constant('exclusive'), data: fc.array(u7, { maxLength: 20 }) }),
      fc.record({ kind: fc.constant('timeCode'), value: u7 }),
      fc.record({ kind: fc.constant('songPosition'), beats: u14 }),
      fc.record({ kind: fc.constant('songSelect'), song: u7 }),
      fc.record({
        kind: fc.constantFrom('tuneRequest', 'clock', 'start', 'continue', 'stop', 'activeSensing', 'reset'),
      }),
    ) as fc.Arbitrary<MidiMessage>,
  },
) as fc.Arbitrary<MidiMessage>
