import fc from 'fast-check'
import {
  makeBank,
  makeCable,
  makeControl,
  makeController,
  makeDevice,
  makePort,
  makePreset,
  makeRig,
  makeRole,
  makeSound,
  makeSwitch,
  recallSound,
} from '../../rig/testing/makeRig'
import { highestValue, type Control, type Reading } from '../../rig/table/control'
import type { Bypass, Device } from '../../rig/table/device'
import type { Pair } from '../../rig/table/pair'
import type { Preset } from '../../rig/table/preset'
import type { SetValue } from '../../rig/table/setValue'
import type { Cell, Sound } from '../../rig/table/sound'
import type { Rig } from '../../rig/rig'

/** Rigs with sounds for generated tests: receivers in a chain, one device on a switching output, one without control. */

const READINGS: readonly Reading[] = [
  { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
  { kind: 'switch', isStrict: false },
  {
    kind: 'named',
    names: [
      { value: 0, name: 'Room' },
      { value: 1, name: 'Hall' },
      { value: 2, name: 'Plate, long' },
    ],
  },
  { kind: 'toggle', value: 127 },
]

const dinIn = makePort('in', makeRole('midiIn'))
const dinThru = makePort('thru', makeRole('midiOut', { isThru: true, passes: 'always' }))

const one = <Value>(values: readonly Value[], n: number): Value => values[n % values.length]!

/** A source of numbers from 0 up, the same for the same seed. */
type Draw = () => number

function setOf(controls: readonly Control[], draw: Draw, most: number): SetValue[] {
  return controls.slice(0, draw() % (most + 1)).map((control) => ({
    controlId: control.id,
    value: draw() % (control.reading.kind === 'named' ? 3 : highestValue(control.address) + 1),
  }))
}

function bypassOf(controls: readonly Control[], draw: Draw): Bypass {
  const control = controls.find(({ reading, map }) => reading.kind === 'switch' && map === 'device')
  switch (draw() % 3) {
    case 0:
      return { kind: 'none' }
    case 1:
      return { kind: 'preset', index: 0 }
    default:
      return control ? { kind: 'control', controlId: control.id, off: 0, on: 127 } : { kind: 'none' }
  }
}

function cellOf(
  device: Device,
  presets: readonly Preset[],
  controls: readonly Control[],
  pairs: readonly Pair[],
  draw: Draw,
): Cell {
  const values = setOf(controls, draw, 3)
  switch (draw() % 8) {
    case 0:
    case 1:
    case 2:
      return { kind: 'preset', presetId: one(presets, draw()).id, values }
    case 3:
      return values.length > 0 ? { kind: 'values', values } : { kind: 'leave' }
    case 4:
      return { kind: 'off' }
    case 5:
      return { kind: 'rest' }
    case 6: {
      const pair = pairs.find(({ deviceId }) => deviceId === device.id)
      return pair ? { kind: 'pair', pairId: pair.id, state: draw() % 2 ? 'a' : 'b' } : { kind: 'leave' }
    }
    default:
      return { kind: 'leave' }
  }
}

export function rigOfNumbers(numbers: readonly number[]): Rig {
  let at = 0
  const draw: Draw = () => numbers[at++ % numbers.length]! + at
  const controls: Control[] = []
  const presets: Preset[] = []
  const pairs: Pair[] = []
  const receivers = Array.from({ length: 1 + (draw() % 5) }, (_, n): Device => {
    const id = `d${n}`
    const ours = Array.from({ length: draw() % 5 }, (_, c) =>
      makeControl(`${id}c${c}`, id, 20 + c, {
        order: n * 10 + c,
        name: one(['Mix', 'Level', 'Type', 'Freeze', 'Mix'], c),
        section: `Part ${c}`,
        reading: one(READINGS, draw()),
        map: draw() % 6 === 0 ? 'preset' : 'device',
        ...(draw() % 5 === 0 && {
          address: {
            kind: 'nrpn',
            parameter: (1000 + c) as never,
            written: 'number',
            value: 'both',
            nullAfter: true,
          },
          reading: READINGS[0]!,
        }),
      }),
    )
    const entered = ours.filter(({ map }) => map === 'preset' && draw() % 2 === 0).map(({ id: one_ }) => one_)
    for (let index = 0; index < 3; index++)
      presets.push(
        makePreset(`${id}p${index}`, id, index * 50, one(['', 'Round', 'Dotted eighth', '7 up'], draw()), {
          recalls: setOf(
            ours.filter(({ reading }) => reading.kind !== 'toggle'),
            draw,
            4,
          ),
          entered,
          level: draw() % 3 === 0 ? null : draw() % 11,
        }),
      )
    if (draw() % 4 === 0)
      pairs.push({
        id: `${id}pair` as Pair['id'],
        deviceId: id as Device['id'],
        order: n,
        name: 'Shout',
        by: 'Foot',
        a: setOf(ours, draw, 2),
        b: setOf(ours, draw, 2),
        isLocked: false,
        losesAll: '',
        learned: null,
      })
    controls.push(...ours)
    return makeDevice(id, n + 1, {
      order: n,
      deafMs: one([0, 0, 3, 20, 250], draw()),
      whileDeaf: draw() % 4 === 0 ? 'keeps' : 'loses',
      gap: { heard: one(['none', 'slight', 'clear'], draw()), ms: draw() % 100 },
      numbering: {
        style: 'plain',
        first: 1,
        digits: 1,
        count: 200,
        bankSelect: one(['both', 'msb', 'lsb'] as const, draw()),
        programsPerBank: 128,
      },
      powerOn: draw() % 2 === 0 ? null : 50,
      bypass: bypassOf(ours, draw),
      rest: draw() % 2 === 0 ? null : { preset: 0, values: setOf(ours, draw, 2), closes: [] },
    })
  })
  const octaver = makeDevice('octaver', 'none', {
    order: 50,
    kind: 'plain',
    ports: [makePort('remote', makeRole('switchIn', { action: 'latching' }))],
  })
  const plain = makeDevice('fuzz', 'none', { order: 51, kind: 'plain', ports: [] })
  const sounds: Sound[] = []
  const devices = [...receivers, octaver, plain]
  for (let n = 0; n < 2 + (draw() % 5); n++) {
    const cells = Object.fromEntries(
      devices.flatMap((device): [string, Cell][] => {
        if (draw() % 4 === 0) return []
        if (device === octaver)
          return [[device.id, { kind: 'contacts', closes: draw() % 2 ? ['remote'] : [] }]]
        if (device === plain) return [[device.id, { kind: 'foot', does: 'Step on it' }]]
        const ours = presets.filter(({ deviceId }) => deviceId === device.id)
        return [
          [
            device.id,
            cellOf(
              device,
              ours,
              controls.filter(({ deviceId }) => deviceId === device.id),
              pairs,
              draw,
            ),
          ],
        ]
      }),
    )
    sounds.push(
      makeSound(`s${n}`, cells, {
        order: n,
        parentId: n > 0 && draw() % 3 === 0 ? one(sounds, draw()).id : null,
      }),
    )
  }
  const chain = receivers.map(({ id }, n) =>
    makeCable(n === 0 ? 'controller.out' : `d${n - 1}.thru`, `${id}.in`),
  )
  const rig = makeRig({
    controllers: [
      makeController({
        ports: [
          makePort('out', makeRole('midiOut')),
          makePort('relay1', makeRole('switchOut', { action: 'latching' })),
        ],
        waitMs: one([0, 5, 500], draw()),
        runningStatus: draw() % 2 === 0,
      }),
    ],
    devices: devices.map((device) =>
      receivers.includes(device) ? { ...device, ports: [dinIn, dinThru] } : device,
    ),
    controls,
    presets,
    pairs,
    sounds,
    banks: [makeBank('one', 0)],
    switches: sounds.map(({ id }, n) => makeSwitch('one', n + 1, [[recallSound(id)]])),
    cables: [...chain, makeCable('controller.relay1', 'octaver.remote', { lead: 'ts' })],
  })
  return {
    ...rig,
    about: { about: { ...Object.values(rig.about)[0]!, unsaid: draw() % 3 === 0 ? 'rest' : 'leave' } },
  }
}

export const rigsWithSounds = fc
  .array(fc.nat({ max: 10_000 }), { minLength: 40, maxLength: 120 })
  .map(rigOfNumbers)
