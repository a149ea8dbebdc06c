import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import fc from 'fast-check'
import { applyEdit } from '../rig/applyEdit'
import { invertEdit, type Edit } from '../rig/edit'
import { inOrder, type Rig } from '../rig/rig'
import {
  makeControl,
  makeDevice,
  makePreset,
  makeMacro,
  makePart,
  makeRig,
  makeSong,
  makeSound,
  makeSwitch,
  makeBank,
  makeCable,
  makeController,
  makePort,
  makeRole,
  recall,
  recallSound,
} from '../rig/testing/makeRig'
import { removeRow } from '../rig/edits/removeRow'
import { rigProblems } from '../rig/integrity'
import type { Device } from '../rig/table/device'
import type { Cell, Sound } from '../rig/table/sound'
import { outlineBetween, deviceBetween, between, type Outline } from './between'
import { spokenCells } from './cells'
import { moveSound } from './edits/moveSound'
import { pasteCells } from './edits/pasteCells'
import { detachSound, removeSounds } from './edits/removeSounds'
import { setCells, type NewIds } from './edits/setCells'
import { presetsFromSound, setSwitchSound, soundFromSwitch } from './edits/switchSound'
import { rigsWithSounds } from './testing/makeSounds'
import { seen } from './leftover'
import { soundMatrix } from './matrix'
import { sendingOf } from './sending'
import { shortNames } from './shortNames'
import { switchName } from './switchName'
import { useCount, usedBy } from './usedBy'
import { wantsOf } from './want'

let made = 0
const ids: NewIds = {
  preset: () => `new-preset-${++made}` as never,
  sound: () => `new-sound-${++made}` as never,
}

function done(rig: Rig, edit: Edit | null): Rig {
  const applied = applyEdit(rig, edit!)
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
  expect(applyEdit(applied.value, invertEdit(edit!))).toEqual({ ok: true, value: rig })
  return applied.value
}

const rig = makeRig({
  devices: [
    makeDevice('preamp', 1),
    makeDevice('echo', 4, { order: 2, bypass: { kind: 'preset', index: 0 }, deafMs: 60 }),
  ],
  presets: [makePreset('round', 'preamp', 2, 'Round'), makePreset('dotted', 'echo', 11, 'Dotted')],
  controls: [makeControl('mix', 'echo', 105, { name: 'Mix' })],
  sounds: [
    makeSound(
      'verse',
      { preamp: { kind: 'preset', presetId: 'round' as never, values: [] }, echo: { kind: 'off' } },
      { name: 'Verse' },
    ),
    makeSound(
      'pushed',
      {
        echo: {
          kind: 'preset',
          presetId: 'dotted' as never,
          values: [{ controlId: 'mix' as never, value: 30 }],
        },
      },
      { order: 2, name: 'Pushed', parentId: 'verse' as never },
    ),
    makeSound('plus', {}, { order: 3, name: 'Plus', parentId: 'pushed' as never }),
  ],
  banks: [makeBank('one', 0)],
  switches: [
    makeSwitch('one', 1, [recall('round', 'dotted')], { label: 'Both' }),
    makeSwitch('one', 2, [[recallSound('pushed')]]),
  ],
})
const slot = (number: number) => ({ bankId: 'one' as never, number, newId: `one-${number}` as never })
const said = (one: Rig, id: string) =>
  Object.fromEntries([...spokenCells(one, one.sounds[id]!)].map(([device, { cell }]) => [device, cell]))

describe('what is left over', () => {
  const echo = (cell: Cell) => ({ echo: cell })
  const preset = (presetId: string, values: { controlId: never; value: number }[] = []): Cell => ({
    kind: 'preset',
    presetId: presetId as never,
    values,
  })
  const one = makeRig({
    devices: [
      makeDevice('echo', 4, {
        powerOn: 11,
        bypass: { kind: 'control', controlId: 'on' as never, off: 0, on: 127 },
      }),
    ],
    presets: [makePreset('dotted', 'echo', 11), makePreset('long', 'echo', 12)],
    controls: [
      makeControl('on', 'echo', 102, { reading: { kind: 'switch', isStrict: false } }),
      makeControl('mix', 'echo', 105),
    ],
    sounds: [
      makeSound('begins', echo(preset('dotted'))),
      makeSound('long', echo(preset('long')), { order: 2 }),
      makeSound('pushed', echo(preset('dotted', [{ controlId: 'mix' as never, value: 30 }])), { order: 3 }),
      makeSound('off', echo({ kind: 'off' }), { order: 4 }),
      makeSound('on', echo({ kind: 'values', values: [{ controlId: 'on' as never, value: 127 }] }), {
        order: 5,
      }),
      makeSound('silent', {}, { order: 6 }),
    ],
  })
  const leftIn = (rig: Rig) => (from: string, to: string) => {
    const want = (id: string) => wantsOf(rig, rig.sounds[id]!).get('echo' as never)!
    return deviceBetween(rig, rig.devices['echo']!, want(from), want(to)).leftovers
  }
  const left = leftIn(one)

  /** The same of an echo that is switched in another way, with its contact on a relay. */
  const leftSwitchedBy = (bypass: Device['bypass'], rest: Device['rest'] = null) => {
    const device = makeDevice('echo', 4, {
      powerOn: 11,
      bypass,
      rest,
      ports: [makePort('in', makeRole('midiIn')), makePort('foot', makeRole('switchIn'))],
    })
    const controller = makeController({ ports: [makePort('relay', makeRole('switchOut'))] })
    const cable = makeCable('controller.relay', 'echo.foot', { lead: 'ts' })
    const rig: Rig = {
      ...one,
      controllers: { [controller.id]: controller },
      devices: { [device.id]: device },
      cables: { [cable.id]: cable },
    }
    return leftIn(rig)
  }

  it('is not the preset a device begins in, and is another one', () => {
    expect(left('begins', 'silent')).toEqual([])
    expect(left('long', 'silent')).toEqual([{ kind: 'preset', index: 12 }])
  })

  it('is what a sound set that says nothing of it, and not what is switched off', () => {
    expect(left('pushed', 'silent')).toEqual([{ kind: 'control', controlId: 'mix', value: 30 }])
    expect(left('pushed', 'off')).toEqual([])
  })

  // Whoever does not speak of a device leaves it switched as it was, in each of the ways there are (common practice).
  it('is that a device was switched off, by control, empty preset or contact, where the next sound says nothing of it', () => {
    expect(left('off', 'silent')).toEqual([{ kind: 'control', controlId: 'on', value: 0 }])
    expect(leftSwitchedBy({ kind: 'preset', index: 12 })('off', 'silent')).toEqual([
      { kind: 'preset', index: 12 },
    ])
    for (const off of ['open', 'closed'] as const)
      expect(leftSwitchedBy({ kind: 'contact', off })('off', 'silent')).toEqual([
        { kind: 'contact', contactId: 'foot', isClosed: off === 'closed' },
      ])
    const resting = { preset: 12, values: [], closes: [] }
    expect(leftSwitchedBy({ kind: 'preset', index: 12 }, resting)('off', 'silent')).toEqual([])
  })

  it('is nothing that a device may hold while it is off, by its contact too', () => {
    expect(leftSwitchedBy({ kind: 'contact', off: 'open' })('pushed', 'off')).toEqual([])
  })

  it('is nothing that the device has at rest, by what its resting preset has stored too', () => {
    const stored = { ...one.presets['dotted']!, recalls: [{ controlId: 'mix' as never, value: 30 }] }
    const echo = { ...one.devices['echo']!, rest: { preset: 11, values: [], closes: [] } }
    const long: Sound = {
      ...one.sounds['long']!,
      cells: [
        { deviceId: 'echo' as never, cell: preset('long', [{ controlId: 'mix' as never, value: 30 }]) },
      ],
    }
    const rig: Rig = {
      ...one,
      presets: { ...one.presets, dotted: stored },
      devices: { echo },
      sounds: { ...one.sounds, long },
    }
    expect(leftIn(rig)('long', 'silent')).toEqual([{ kind: 'preset', index: 12 }])
  })

  it('is that it was switched on, where that is all that was said of it', () => {
    expect(left('on', 'silent')).toEqual([{ kind: 'control', controlId: 'on', value: 127 }])
    expect(left('on', 'off')).toEqual([])
    expect(left('off', 'on')).toEqual([])
  })
})

describe('edits of sounds', () => {
  it('write cells, and make the presets they name for the first time, once', () => {
    const cell = { kind: 'preset', index: 77, values: [] } as const
    const edit = setCells(
      rig,
      [
        { soundId: 'verse' as never, deviceId: 'echo' as never, cell },
        { soundId: 'pushed' as never, deviceId: 'echo' as never, cell },
      ],
      ids,
    )
    const after = done(rig, edit)
    expect(Object.values(after.presets).filter(({ index }) => index === 77)).toHaveLength(1)
    expect(said(after, 'plus').echo).toEqual(said(after, 'verse').echo)
    expect(setCells(after, [{ soundId: 'verse' as never, deviceId: 'echo' as never, cell }], ids)).toBeNull()
  })

  it('removing a parent leaves variants saying what they said, and following what it followed', () => {
    const after = done(rig, removeSounds(rig, ['verse' as never]))
    expect(said(after, 'pushed')).toEqual(said(rig, 'pushed'))
    expect(after.sounds.pushed!.parentId).toBeNull()
    const both = done(rig, removeSounds(rig, ['pushed' as never]))
    expect(said(both, 'plus')).toEqual(said(rig, 'plus'))
    expect(both.sounds.plus!.parentId).toBe('verse')
    // The switch that recalled it recalls nothing.
    expect(both.switches['one-2']!.positions).toEqual([[]])
    expect(said(done(rig, detachSound(rig, 'plus' as never)), 'plus')).toEqual(said(rig, 'plus'))
  })

  it('a sound that would be its own parent is refused', () => {
    const edit: Edit = {
      label: 'changeSound',
      changes: [
        {
          table: 'sounds',
          id: 'verse',
          before: rig.sounds.verse!,
          after: { ...rig.sounds.verse!, parentId: 'plus' as never },
        },
      ],
    }
    expect(applyEdit(rig, edit)).toMatchObject({
      ok: false,
      refusal: { code: 'invalid', problems: Array(3).fill({ code: 'ownParent' }) },
    })
  })

  it('moving puts a sound just where it is told, again and again', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat({ max: 2 }), fc.nat({ max: 2 })), { minLength: 60, maxLength: 60 }),
        (moves) => {
          let one = rig
          let model = ['verse', 'pushed', 'plus']
          for (const [from, to] of moves) {
            const id = model[from]!
            model = model.toSpliced(from, 1).toSpliced(to, 0, id)
            const edit = moveSound(one, id as never, to)
            if (edit) one = done(one, edit)
            expect(inOrder(one.sounds).map((sound) => sound.id)).toEqual(model)
          }
        },
      ),
      generated(20, 8_4000),
    )
  })

  it('a device, a preset or a control that goes takes what sounds say of it, and comes back whole', async () => {
    const { removeRow } = await import('../rig/edits/removeRow')
    const device = done(rig, removeRow(rig, 'removeDevice', 'devices', 'echo'))
    expect(said(device, 'pushed')).toEqual({ preamp: said(rig, 'verse').preamp })
    const preset = done(rig, removeRow(rig, 'removePreset', 'presets', 'dotted'))
    expect(said(preset, 'pushed').echo).toEqual({ kind: 'values', values: [{ controlId: 'mix', value: 30 }] })
    const control = done(rig, removeRow(rig, 'removeControl', 'controls', 'mix'))
    expect(said(control, 'pushed').echo).toEqual({ kind: 'preset', presetId: 'dotted', values: [] })
    for (const one of [device, preset, control]) expect(rigProblems(one)).toEqual([])
  })

  it('a pasted table goes in, in one edit, and what cannot be read is told with its place', () => {
    const table = [
      ['Sound', 'echo', 'preamp'],
      ['Verse', 'dotted + mix 50', ''],
      ['', 'nonsense', '3'],
      ['Third', 'off', '3'],
      ['New one', 'rest', 'leave'],
      ['', '', ''],
      ['', 'off', 'off'],
    ]
    const { edit, faults, taken } = pasteCells(rig, table, { row: 0, column: 0 }, ids)
    const after = done(rig, edit)
    expect(taken).toBe(9)
    expect(faults).toMatchObject([
      {
        row: 3,
        column: 2,
        text: 'nonsense',
        sound: 'Pushed',
        device: 'echo',
        why: { code: 'notUnderstood' },
      },
      { row: 7, column: 1, why: { code: 'noName' } },
    ])
    expect(said(after, 'verse').echo).toEqual({
      kind: 'preset',
      presetId: 'dotted',
      values: [{ controlId: 'mix', value: 64 }],
    })
    expect(said(after, 'verse').preamp).toEqual(said(rig, 'verse').preamp)
    expect(inOrder(after.sounds).map(({ name }) => name)).toEqual(['Verse', 'Pushed', 'Third', 'New one'])
    // Past the last device there is nothing to paste into.
    expect(
      pasteCells(rig, [['a', 'b', 'c', 'd']], { row: 0, column: 2 }, ids).faults.map(({ why }) => why.code),
    ).toContain('noDevice')
  })

  it('presets of a switch become a sound that sends the same, and presets again', () => {
    const bytes = (one: Rig, sound: string) =>
      sendingOf(one, one.sounds[sound]!).steps.filter(({ kind }) => kind === 'send').length
    const after = done(rig, soundFromSwitch(rig, slot(1), 0, 'made' as never, 'Both'))
    expect(after.switches['one-1']!.positions).toEqual([[recallSound('made')]])
    expect(bytes(after, 'made')).toBe(2)
    const back = presetsFromSound(after, slot(1), 0)!
    expect(back.left).toEqual([])
    expect(done(after, back.edit).switches['one-1']!.positions).toEqual(rig.switches['one-1']!.positions)
    expect(presetsFromSound(rig, slot(2), 0)!.left).toEqual(['echo'])
    expect(soundFromSwitch(rig, slot(2), 0, 'x' as never, 'X')).toBeNull()
    expect(setSwitchSound(rig, slot(2), 0, 'pushed' as never)).toBeNull()
    expect(done(rig, setSwitchSound(rig, slot(5), 0, 'verse' as never)).switches['one-5']!.positions).toEqual(
      [[recallSound('verse')]],
    )
  })
})

describe('names on a display', () => {
  it('fit, all differ, keep themselves where they can, and are the same every time', () => {
    const names = fc.array(
      fc.string({ minLength: 1, maxLength: 24 }).map((text) => text.trim() || 'x'),
      { maxLength: 60 },
    )
    fc.assert(
      fc.property(names, fc.integer({ min: 3, max: 16 }), (all, most) => {
        const short = shortNames(all, most)
        expect(short).toEqual(shortNames(all, most))
        expect(new Set(short.map((name) => name.toLowerCase())).size).toBe(all.length)
        short.forEach((name, n) => {
          expect([...name].length).toBeLessThanOrEqual(most)
          const isFirst = all.findIndex((one) => one.toLowerCase() === all[n]!.toLowerCase()) === n
          if (isFirst && [...all[n]!].length <= most) expect(name).toBe(all[n])
        })
      }),
      generated(500, 8_5000),
    )
    expect(shortNames(['Storm, an octave down', 'Storm, an octave up', 'Solo'], 8)).toEqual([
      'StrmAnOc',
      'StrmAnO2',
      'Solo',
    ])
  })

  it('a switch without a label is called by its sound', () => {
    const [first, second] = [rig.switches['one-1']!, rig.switches['one-2']!]
    expect(switchName(rig, first, { labelLength: 16 })).toBe('Both')
    expect(switchName(rig, second, { labelLength: 4 })).toBe('Pshd')
    expect(switchName(rig, second, { labelLength: null })).toBe('Pushed')
  })
})

describe('what a change touches', () => {
  it('sounds that say it or inherit it, and switches that recall those', () => {
    const names = (use: ReturnType<typeof usedBy>) => [
      use.sounds.map(({ name }) => name),
      use.switches.map(({ number }) => number),
    ]
    expect(names(usedBy(rig, 'presets', 'round'))).toEqual([
      ['Verse', 'Pushed', 'Plus'],
      [1, 2],
    ])
    expect(names(usedBy(rig, 'controls', 'mix'))).toEqual([['Pushed', 'Plus'], [2]])
    expect(names(usedBy(rig, 'sounds', 'verse'))).toEqual([['Pushed', 'Plus'], [2]])
    expect(names(usedBy(rig, 'devices', 'echo'))).toEqual([
      ['Verse', 'Pushed', 'Plus'],
      [1, 2],
    ])
    expect(names(usedBy(rig, 'presets', 'nowhere'))).toEqual([[], []])
  })

  it('switches, macros, songs and banks that name a control themselves, by way of macros too', () => {
    const set = { kind: 'setControl', controlId: 'gain', value: 1 } as never
    const one = makeRig({
      devices: [makeDevice('echo', 4)],
      controls: [makeControl('gain', 'echo', 21), makeControl('idle', 'echo', 22)],
      macros: [
        makeMacro('inner', [set]),
        makeMacro('outer', [{ kind: 'macro', macroId: 'inner' as never }], { order: 2 }),
      ],
      sounds: [
        makeSound('loud', { echo: { kind: 'values', values: [{ controlId: 'gain' as never, value: 9 }] } }),
      ],
      songs: [makeSong('air', 96)],
      parts: [makePart('air', 1, 'loud')],
      banks: [makeBank('one', 0, 'One', { enter: [set] })],
      switches: [
        makeSwitch('one', 1, [[set]]),
        makeSwitch('one', 2, [[{ kind: 'macro', macroId: 'outer' as never }]]),
        makeSwitch('one', 3, [[]], { longPress: [set] }),
        makeSwitch('one', 4, [[{ kind: 'wait', ms: 5 }]]),
      ],
    })
    const use = usedBy(one, 'controls', 'gain')
    expect([
      use.switches.map(({ number }) => number),
      use.macros.map(({ id }) => id),
      use.sounds.map(({ id }) => id),
      use.songs.map(({ id }) => id),
      use.banks.map(({ id }) => id),
    ]).toEqual([[1, 2, 3], ['inner', 'outer'], ['loud'], ['air'], ['one']])
    expect(useCount(usedBy(one, 'controls', 'idle'))).toBe(0)
  })

  it('whatever a removal empties is counted before it', () => {
    // What is of the past, or is gone with the row, is no use of it.
    const PAST = new Set<string>(['practices', 'dumps', 'notes', 'marks', 'keyIns', 'cables'])
    fc.assert(
      fc.property(rigsWithSounds, (one) => {
        for (const table of ['controls', 'presets', 'sounds'] as const)
          for (const { id } of Object.values<{ id: string }>(one[table])) {
            const touched = removeRow(one, 'removeControl', table, id)!.changes.filter(
              (change) => !PAST.has(change.table) && !(change.table === table && change.id === id),
            )
            expect(useCount(usedBy(one, table, id)) > 0 || touched.length === 0).toBe(true)
          }
      }),
      generated(100, 31_0006),
    )
  })
})

describe('from one sound to another', () => {
  it('the matrix says what each pair says, and the short way what the long way says', () => {
    fc.assert(
      fc.property(rigsWithSounds, (one) => {
        const sounds = inOrder(one.sounds)
        const [controller] = inOrder(one.controllers)
        const matrix = soundMatrix(one)
        sounds.forEach((from, row) =>
          sounds.forEach((to, column) => {
            const n = row * sounds.length + column
            if (row === column) return expect(matrix.rough[n]).toBe(0)
            const pair = between(one, from, to, controller)
            expect(matrix.rough[n]).toBeCloseTo(pair.rough, 5)
            expect(matrix.hole[n]).toBe(pair.hole?.gap.ms ?? 0)
            expect(Math.abs(matrix.jump[n]!)).toBe(Math.abs(pair.jump?.by ?? Number.NaN))
            expect(matrix.left[n]).toBe(pair.leftovers + pair.lost)
            for (const [id, want] of wantsOf(one, to)) {
              const device = one.devices[id]!
              const before = wantsOf(one, from).get(id)!
              const long = deviceBetween(one, device, before, want)
              const short = {} as { -readonly [Key in keyof Outline]: Outline[Key] }
              outlineBetween(device, seen(one, device, before), seen(one, device, want), short)
              expect(short).toEqual({
                leftovers: long.leftovers.length,
                unknown: long.unknown.length,
                gap: long.gap,
                jump: long.jump,
              })
            }
          }),
        )
      }),
      generated(150, 8_6000),
    )
  })
})
