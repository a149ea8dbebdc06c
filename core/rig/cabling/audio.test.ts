import { describe, expect, it } from 'vitest'
import { DEVICES } from '../../archetype/archetypes'
import { codes, requireFinding } from '../../check/testing/makeFinding'
import { heardThrough } from '../../setup/soundOff'
import { soundDevices } from '../../sound/cells'
import { makeCable, makeDevice, makeRig } from '../testing/makeRig'
import type { Rig } from '../rig'
import type { Cable } from '../table/cable'
import type { Device } from '../table/device'
import { BLANK_SOUND, type Sound } from '../table/sound'
import { soundLoops, soundPaths } from './audio'

/** A box of a kind the app ships, by a short id. */
const box = (id: string, kind: string, fields: Partial<Device> = {}): Device =>
  makeDevice(id, 'none', {
    ...DEVICES.find(({ key }) => key === kind)!.fields,
    name: id,
    kind: 'plain',
    ...fields,
  })
const rigOf = (
  kinds: Readonly<Record<string, string>>,
  ...cables: (readonly [string, string, Partial<Cable>?])[]
): Rig =>
  makeRig({
    controllers: [],
    devices: Object.entries(kinds).map(([id, kind], order) => box(id, kind, { order })),
    cables: cables.map(([from, to, fields]) => makeCable(from, to, { lead: 'ts', ...fields })),
  })
const places = (rig: Rig) =>
  soundPaths(rig).map(({ stops }) =>
    stops.map(({ device, place, loopOf }) => `${device.id} ${place}${loopOf ? ` ${loopOf.id}` : ''}`),
  )

// Common practice: drive in front of the preamp, echo and reverb in its loop.
const usual = rigOf(
  { bass: 'instrument', fuzz: 'plainPedal', pre: 'preamp', echo: 'delay', hall: 'reverb', amp: 'amp' },
  ['bass.jack', 'fuzz.input'],
  ['fuzz.output', 'pre.input'],
  ['pre.send', 'echo.input'],
  ['echo.output', 'hall.input'],
  ['hall.output', 'pre.return'],
  ['pre.output', 'amp.input'],
)

describe('the sound’s own way', () => {
  it('says what is before the preamp, in its loop, and where it ends', () => {
    expect(places(usual)).toEqual([
      ['bass source', 'fuzz front', 'pre preamp', 'echo loop pre', 'hall loop pre', 'amp end'],
    ])
    expect(soundLoops(usual).map(({ of, endsAt }) => [of.id, endsAt?.id])).toEqual([['pre', 'pre']])
  })

  it('without a loop has nothing but front and end; an amp’s own loop is the preamp’s', () => {
    const plain = rigOf(
      { bass: 'instrument', fuzz: 'plainPedal', amp: 'amp' },
      ['bass.jack', 'fuzz.input'],
      ['fuzz.output', 'amp.input'],
    )
    expect(places(plain)).toEqual([['bass source', 'fuzz front', 'amp end']])
    const looped = rigOf(
      { bass: 'instrument', amp: 'amp', hall: 'reverb' },
      ['bass.jack', 'amp.input'],
      ['amp.send', 'hall.input'],
      ['hall.output', 'amp.return'],
    )
    expect(places(looped)).toEqual([['bass source', 'amp end', 'hall loop amp']])
  })

  it('goes both ways at a fork, comes to an end in a ring, and is not there without an instrument', () => {
    const ring = rigOf(
      { bass: 'instrument', a: 'plainPedal', b: 'plainPedal' },
      ['bass.jack', 'a.input'],
      ['a.output', 'b.input'],
      ['b.output', 'a.input'],
    )
    expect(places(ring)).toEqual([['bass source', 'a front', 'b front']])
    expect(places(rigOf({ a: 'plainPedal' }))).toEqual([])
  })

  it('is left by a sound with boxes that are off, and still on the way', () => {
    const sound = {
      ...BLANK_SOUND,
      id: 'verse',
      order: 1,
      name: 'Verse',
      cells: [
        { deviceId: 'echo', cell: { kind: 'off' } },
        { deviceId: 'hall', cell: { kind: 'foot', does: '' } },
      ],
    } as unknown as Sound
    expect(heardThrough(usual, sound)[0]!.map(({ stop, state }) => `${stop.device.id} ${state}`)).toEqual([
      'bass always',
      'fuzz unsaid',
      'pre unsaid',
      'echo off',
      'hall on',
      'amp always',
    ])
  })

  it('brings no column of sounds for what only leads it', () => {
    const rig = rigOf({ bass: 'instrument', desk: 'mixer', box: 'isolatingBox', fuzz: 'plainPedal' })
    expect(soundDevices(rig).map(({ id }) => id)).toEqual(['fuzz'])
  })
})

describe('what is lost on the way', () => {
  it('a loop that comes back nowhere, or to another box', () => {
    const open = rigOf(
      { bass: 'instrument', pre: 'preamp', echo: 'delay' },
      ['bass.jack', 'pre.input'],
      ['pre.send', 'echo.input'],
    )
    expect(requireFinding(open, 'brokenLoop').facts).toEqual({ box: 'pre', through: ['echo'], endsAt: null })
    const crossed = rigOf(
      { bass: 'instrument', pre: 'preamp', amp: 'amp' },
      ['bass.jack', 'pre.input'],
      ['pre.send', 'amp.return'],
    )
    expect(requireFinding(crossed, 'brokenLoop').facts).toMatchObject({ endsAt: 'amp' })
    expect(codes(usual)).not.toContain('brokenLoop')
  })

  it('a stereo tail into a mono jack, or over a mono lead; not what is mono on its way', () => {
    expect(requireFinding(usual, 'stereoLost').facts).toMatchObject({ from: 'echo', why: 'jack' })
    const looper = (lead: 'ts' | 'trs') =>
      rigOf({ hall: 'reverb', loop: 'looper' }, ['hall.output', 'loop.input', { lead }])
    expect(requireFinding(looper('ts'), 'stereoLost').facts).toMatchObject({ why: 'lead' })
    expect(codes(looper('trs'))).toEqual([])
    // A looper fed in mono loses nothing on its way to a mono amp.
    const mono = rigOf(
      { bass: 'instrument', loop: 'looper', amp: 'amp' },
      ['bass.jack', 'loop.input'],
      ['loop.output', 'amp.input'],
    )
    expect(codes(mono)).not.toContain('stereoLost')
    const pair = rigOf(
      { hall: 'reverb', desk: 'mixer' },
      ['hall.output', 'desk.left'],
      ['hall.output', 'desk.right'],
    )
    expect(codes(pair)).not.toContain('stereoLost')
  })

  it('headphones that do not hear what is behind them', () => {
    const rig = rigOf(
      { bass: 'instrument', unit: 'modularEffects', loop: 'looper', amp: 'amp' },
      ['bass.jack', 'unit.input'],
      ['unit.output', 'loop.input'],
      ['loop.output', 'amp.input'],
    )
    expect(requireFinding(rig, 'phonesBypassed').facts).toEqual({ box: 'unit', behind: ['loop'] })
  })

  // Common practice: two boxes on the mains with one earth between them hum.
  it('two amps, or an amp and a mixer, without an isolating box', () => {
    const two = rigOf(
      { bass: 'instrument', split: 'isolatingBox', amp: 'amp', desk: 'mixer' },
      ['bass.jack', 'split.input'],
      ['split.output', 'amp.input'],
      ['split.isolated', 'desk.left'],
    )
    expect(codes(two)).not.toContain('earthLoop')
    const hums = makeRig({
      controllers: [],
      devices: Object.values(two.devices),
      cables: Object.values(two.cables).map((cable) =>
        cable.from.port === 'isolated' ? { ...cable, from: { ...cable.from, port: 'output' } } : cable,
      ),
    })
    expect(requireFinding(hums, 'earthLoop').facts).toEqual({ source: 'bass', ends: ['amp', 'desk'] })
  })

  it('a sound that comes to no end', () => {
    const rig = rigOf({ bass: 'instrument', fuzz: 'plainPedal' }, ['bass.jack', 'fuzz.input'])
    expect(requireFinding(rig, 'soundEndsIn').facts).toEqual({ source: 'bass', last: 'fuzz' })
    expect(codes(usual)).not.toContain('soundEndsIn')
  })
})
