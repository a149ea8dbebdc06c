import { describe, expect, it } from 'vitest'
import { requireChannel } from '../base/channel'
import { requireU14 } from '../base/u14'
import { requireU7, type U7 } from '../base/u7'
import { encodeMessage, encodeMessages } from './encode'
import { controlChange, programChange } from './message'

const channel = requireChannel
const u7 = requireU7

// MIDI 1.0 Detailed Specification, M1 v4.2.1, tables I to VI; from memory.
describe('encodeMessage', () => {
  it.each([
    ['program change, channel 4', programChange(channel(4), u7(11)), [0xc3, 0x0b]],
    ['control change, channel 16', controlChange(channel(16), u7(7), u7(127)), [0xbf, 0x07, 0x7f]],
    ['note on', { kind: 'noteOn', channel: channel(1), note: u7(60), velocity: u7(64) }, [0x90, 60, 64]],
    ['note off', { kind: 'noteOff', channel: channel(1), note: u7(60), velocity: u7(0) }, [0x80, 60, 0]],
    [
      'pitch bend at rest',
      { kind: 'pitchBend', channel: channel(1), bend: requireU14(8192) },
      [0xe0, 0x00, 0x40],
    ],
    ['song position', { kind: 'songPosition', beats: requireU14(129) }, [0xf2, 0x01, 0x01]],
    [
      'identity request',
      { kind: 'exclusive', data: [0x7e, 0x7f, 0x06, 0x01] as U7[] },
      [0xf0, 0x7e, 0x7f, 6, 1, 0xf7],
    ],
    ['clock', { kind: 'clock' }, [0xf8]],
    ['start', { kind: 'start' }, [0xfa]],
    ['continue', { kind: 'continue' }, [0xfb]],
    ['stop', { kind: 'stop' }, [0xfc]],
    ['active sensing', { kind: 'activeSensing' }, [0xfe]],
    ['reset', { kind: 'reset' }, [0xff]],
  ] as const)('%s', (_, message, bytes) => {
    expect([...encodeMessage(message)]).toEqual(bytes)
  })

  it('refuses numbers the wire cannot carry, naming them', () => {
    expect(() => encodeMessage({ kind: 'program', channel: 17 as never, program: u7(0) })).toThrow(
      'A channel must be a whole number from 1 to 16, got 17',
    )
    expect(() => encodeMessage({ kind: 'program', channel: channel(1), program: 128 as U7 })).toThrow(
      RangeError,
    )
    expect(() =>
      encodeMessage({ kind: 'control', channel: channel(1), controller: u7(1), value: NaN as U7 }),
    ).toThrow(RangeError)
  })
})

describe('encodeMessages with running status', () => {
  const drive = controlChange(channel(1), u7(21), u7(127))
  const clean = controlChange(channel(1), u7(21), u7(0))

  // M1 v4.2.1, "Running Status"; from memory.
  it('leaves out a repeated status', () => {
    expect([...encodeMessages([drive, clean], { runningStatus: true })]).toEqual([0xb0, 21, 127, 21, 0])
  })

  it('keeps running over real-time bytes and not over system ones', () => {
    expect([...encodeMessages([drive, { kind: 'clock' }, clean], { runningStatus: true })]).toEqual([
      0xb0, 21, 127, 0xf8, 21, 0,
    ])
    expect([...encodeMessages([drive, { kind: 'tuneRequest' }, clean], { runningStatus: true })]).toEqual([
      0xb0, 21, 127, 0xf6, 0xb0, 21, 0,
    ])
  })

  it('writes every status without it', () => {
    expect([...encodeMessages([drive, clean])]).toEqual([0xb0, 21, 127, 0xb0, 21, 0])
  })
})
