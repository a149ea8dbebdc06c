import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import fc from 'fast-check'
import { applyEdit } from '../../rig/applyEdit'
import { ABOUT_ID } from '../../rig/table/about'
import type { Device } from '../../rig/table/device'
import type { Cell, Sound } from '../../rig/table/sound'
import type { Preset } from '../../rig/table/preset'
import {
  makeController,
  makeControl,
  makeDevice,
  makePreset,
  makeRig,
  makeSound,
} from '../../rig/testing/makeRig'
import type { Rig } from '../../rig/rig'
import { rigsWithSounds } from '../../sound/testing/makeSounds'
import { between } from '../../sound/between'
import { expectFixable, requireFinding, codes } from '../testing/makeFinding'
import { findings } from '../findings'

const at = (controlId: string, value: number) => ({ controlId: controlId as never, value })
const preset = (presetId: string, ...values: ReturnType<typeof at>[]): Cell => ({
  kind: 'preset',
  presetId: presetId as never,
  values,
})
const values = (...all: ReturnType<typeof at>[]): Cell => ({ kind: 'values', values: all })

/** An echo whose presets are written down, a preamp, and the sounds given as cells of those two. */
function rigWith(
  sounds: { readonly [name: string]: { readonly echo?: Cell; readonly preamp?: Cell } },
  echo: Partial<Device> = {},
  more: {
    readonly fields?: Readonly<Record<string, Partial<Sound>>>
    readonly levels?: readonly (number | null)[]
    readonly waitMs?: number
    readonly messagesPerEvent?: number
    readonly presets?: Partial<Preset>
  } = {},
): Rig {
  const [round = null, lead = null] = more.levels ?? []
  return makeRig({
    controllers: [
      makeController({ waitMs: more.waitMs ?? 0, messagesPerEvent: more.messagesPerEvent ?? 16 }),
    ],
    devices: [makeDevice('preamp', 1), makeDevice('echo', 2, { order: 2, ...echo })],
    controls: [
      makeControl('mix', 'echo', 20, { name: 'Mix' }),
      makeControl('repeats', 'echo', 21, { name: 'Repeats' }),
      makeControl('hold', 'echo', 22, { name: 'Hold', reading: { kind: 'switch', isStrict: false } }),
      makeControl('freeze', 'echo', 23, { name: 'Freeze', reading: { kind: 'toggle', value: 127 } }),
      makeControl('learned', 'echo', 24, { name: 'Wah', map: 'preset' }),
    ],
    presets: [
      makePreset('blank', 'echo', 0, 'Blank', { recalls: [at('mix', 0), at('repeats', 40)] }),
      makePreset('dotted', 'echo', 11, 'Dotted', {
        recalls: [at('mix', 44), at('repeats', 40)],
        ...more.presets,
      }),
      makePreset('wide', 'echo', 12, 'Wide', { recalls: [at('mix', 70), at('repeats', 40)] }),
      makePreset('round', 'preamp', 2, 'Round', { level: round }),
      makePreset('lead', 'preamp', 3, 'Lead', { level: lead }),
    ],
    sounds: Object.entries(sounds).map(([name, cells], n) =>
      makeSound(name, cells as { [id: string]: Cell }, { order: n, name, ...more.fields?.[name] }),
    ),
  })
}

const OFF = { bypass: { kind: 'preset', index: 0 } } as const

describe('a cell that cannot be done', () => {
  it.each<[string, Cell, Partial<Device>]>([
    ['noBypass', { kind: 'off' }, {}],
    ['noRest', { kind: 'rest' }, {}],
    ['noWay', { kind: 'contacts', closes: [] }, {}],
    ['otherDevice', preset('round'), {}],
    ['noWay', preset('dotted'), { channel: 'none' }],
    [
      'noProgram',
      { kind: 'contacts', closes: ['drive'] },
      { relays: [{ id: 'drive', name: 'Drive', does: '', within: '' }] },
    ],
  ])('is said: %s', (why, cell, device) => {
    const rig = rigWith({ Verse: { echo: cell } }, device)
    expect(requireFinding(rig, 'soundCannot').facts).toMatchObject({ sound: 'Verse', device: 'echo', why })
  })

  it('is said of the sound that says it, and not of its variants', () => {
    const rig = rigWith(
      { Verse: { echo: { kind: 'off' } }, Plus: {} },
      {},
      { fields: { Plus: { parentId: 'Verse' as never } } },
    )
    expect(codes(rig).filter((code) => code === 'soundCannot')).toHaveLength(1)
    expect(codes(rigWith({ Verse: { echo: { kind: 'off' } } }, OFF))).not.toContain('soundCannot')
  })

  it.each<[string, Cell]>([
    ['cannotBeSet', values(at('freeze', 127))],
    ['notMapped', values(at('learned', 9))],
    ['notMapped', preset('dotted', at('learned', 9))],
  ])('is doubted where it is not sure: %s', (why, cell) => {
    expect(requireFinding(rigWith({ Verse: { echo: cell } }), 'soundDoubt').facts.why).toBe(why)
  })

  it('is doubted where the device ignores program changes, on a switch or not', () => {
    const rig = rigWith({ Verse: { echo: preset('dotted') } }, { receivesPrograms: false })
    expect(requireFinding(rig, 'soundDoubt').facts.why).toBe('ignoresPrograms')
  })

  it('is not doubted where the map has been entered in the preset', () => {
    const rig = rigWith(
      { Verse: { echo: preset('dotted', at('learned', 9)) } },
      {},
      { presets: { entered: ['learned' as never] } },
    )
    expect(codes(rig)).not.toContain('soundDoubt')
  })
})

describe('controls behind a recall', () => {
  const lossy = { deafMs: 60, whileDeaf: 'loses' } as const
  const sounds = { Verse: { echo: preset('dotted', at('mix', 90)) } }

  it('are lost on a device that loads, and stored in the preset in one click', () => {
    const rig = rigWith(sounds, lossy)
    expect(requireFinding(rig, 'lostControls').facts).toMatchObject({
      deafMs: 60,
      fixIs: 'store',
      controls: ['Mix 70.9 %'],
    })
    expect(expectFixable(rig, 'lostControls').presets.dotted!.recalls).toContainEqual(at('mix', 90))
  })

  it('are sent alone where another sound uses the preset', () => {
    const rig = rigWith({ ...sounds, Other: { echo: preset('dotted') } }, lossy)
    expect(requireFinding(rig, 'lostControls').facts.fixIs).toBe('stay')
    expectFixable(rig, 'lostControls')
  })

  it('are not lost by a device that keeps them, nor when the controller waits long enough', () => {
    expect(codes(rigWith(sounds, { ...lossy, whileDeaf: 'keeps' }))).not.toContain('lostControls')
    expect(codes(rigWith(sounds, lossy, { waitMs: 60 }))).not.toContain('lostControls')
    expect(codes(rigWith(sounds, lossy, { waitMs: 59 }))).toContain('lostControls')
  })
})

describe('what stays', () => {
  const sounds = {
    Solo: { echo: values(at('mix', 90), at('hold', 127)) },
    Verse: { echo: values(at('mix', 20)) },
  }

  it('is found whatever the order the sounds stand in, and turned off in one click', () => {
    const facts = requireFinding(rigWith(sounds), 'leftover').facts
    expect(facts).toEqual({
      device: 'echo',
      what: 'Hold on',
      by: ['Solo'],
      left: ['Verse'],
      cure: 'Hold off',
    })
    const turned = rigWith({ Verse: sounds.Verse, Solo: sounds.Solo })
    expect(requireFinding(turned, 'leftover').facts).toEqual(facts)
    expect(expectFixable(turned, 'leftover').sounds.Verse!.cells[0]!.cell).toEqual(
      values(at('mix', 20), at('hold', 0)),
    )
  })

  it('goes back to its rest where that is known, and is no leftover when it was at rest', () => {
    const solo = { Solo: { echo: values(at('repeats', 90)) }, Verse: { echo: values(at('mix', 20)) } }
    const rest = (value: number) => ({
      rest: { preset: null, values: [at('repeats', value), at('mix', 20)], closes: [] },
    })
    expect(requireFinding(rigWith(solo), 'leftover').fix).toBeUndefined()
    expectFixable(rigWith(solo, rest(10)), 'leftover')
    expect(codes(rigWith(solo, rest(90)))).not.toContain('leftover')
    expect(codes(rigWith({ Solo: solo.Solo, Verse: { echo: { kind: 'leave' } } }))).not.toContain('leftover')
    expect(codes(rigWith({ Solo: solo.Solo, Verse: { echo: preset('dotted') } }))).not.toContain('leftover')
  })

  it('of a device another sound forgets altogether it says nothing: that is the forgotten device', () => {
    const solo = { Solo: { echo: preset('dotted', at('mix', 30)) }, Verse: {} }
    expect(codes(rigWith(solo))).toContain('forgottenDevice')
    expect(codes(rigWith(solo))).not.toContain('leftover')
  })

  it('a device that one sound switches off and another forgets stays off, and off is not the cure', () => {
    const off = rigWith({ Solo: { echo: { kind: 'off' } }, Verse: {} }, OFF)
    expect(requireFinding(off, 'forgottenDevice').facts).toMatchObject({ forgot: ['Verse'], cure: 'leave' })
    expectFixable(off, 'forgottenDevice')
  })

  it('a device that others forget is found, and switched off, put to rest or left alone in one click', () => {
    const forgotten = { Solo: { echo: preset('dotted') }, Verse: {} }
    expect(requireFinding(rigWith(forgotten), 'forgottenDevice').facts).toMatchObject({
      by: ['Solo'],
      forgot: ['Verse'],
      cure: 'leave',
    })
    for (const device of [{}, OFF, { rest: { preset: 0, values: [], closes: [] } }])
      expectFixable(rigWith(forgotten, device), 'forgottenDevice')
    const rest = rigWith(forgotten, { rest: { preset: 0, values: [], closes: [] } })
    const byRest: Rig = { ...rest, about: { about: { ...rest.about[ABOUT_ID]!, unsaid: 'rest' } } }
    expect(codes(byRest)).not.toContain('forgottenDevice')
  })

  it('of generated rigs: said of the same things in any order of the sounds', () => {
    const said = (rig: Rig) =>
      findings(rig)
        .filter(({ code }) => code === 'leftover' || code === 'forgottenDevice')
        .map(({ facts }) => {
          const { device, by, left, forgot } = facts as unknown as {
            device: string
            by: string[]
            left?: string[]
            forgot?: string[]
          }
          return JSON.stringify([device, by.toSorted(), (left ?? forgot)!.toSorted()])
        })
        .sort()
    fc.assert(
      fc.property(rigsWithSounds, (rig) => {
        const turned: Rig = {
          ...rig,
          sounds: Object.fromEntries(
            Object.entries(rig.sounds)
              .reverse()
              .map(([id, sound]) => [id, { ...sound, order: -sound.order }]),
          ),
        }
        expect(said(turned)).toEqual(said(rig))
      }),
      generated(150, 8_7000),
    )
  })
})

describe('levels', () => {
  const sounds = { Verse: { preamp: preset('round') }, Solo: { preamp: preset('lead') } }
  const lead = { fields: { Solo: { purpose: 'lead' as const } } }

  // Rhythm sounds at 8 leave room for a lead at 10 (common practice).
  it('rhythm at 8 and lead at 10 are right', () => {
    const found = codes(rigWith(sounds, {}, { ...lead, levels: [8, 10] }))
    expect(found).not.toContain('levelJump')
    expect(found).not.toContain('noHeadroom')
  })

  it('a lead no louder than the rhythm, and a jump beyond that room, are found and planned anew', () => {
    expectFixable(rigWith(sounds, {}, { ...lead, levels: [8, 8] }), 'noHeadroom')
    expectFixable(rigWith(sounds, {}, { ...lead, levels: [10, 10] }), 'noHeadroom')
    expectFixable(rigWith(sounds, {}, { ...lead, levels: [5, 10] }), 'levelJump')
    expect(codes(rigWith(sounds, {}, { ...lead, levels: [5, null] }))).not.toContain('levelJump')
  })

  it('the step between two sounds is told in its direction', () => {
    const rig = rigWith(sounds, {}, { ...lead, levels: [8, 10] })
    expect(between(rig, rig.sounds.Verse!, rig.sounds.Solo!).jump).toEqual({ deviceId: 'preamp', by: 2 })
    expect(between(rig, rig.sounds.Solo!, rig.sounds.Verse!).jump).toEqual({ deviceId: 'preamp', by: -2 })
  })
})

describe('a hole that need not be', () => {
  const sounds = { Verse: { echo: preset('dotted') }, Solo: { echo: preset('wide') } }
  const clear = { gap: { heard: 'clear', ms: 80 }, deafMs: 60 } as const

  it('is found between two presets a few settings apart, and avoided in one click', () => {
    const keeps = rigWith(sounds, { ...clear, whileDeaf: 'keeps' })
    expect(requireFinding(keeps, 'avoidableHole').facts).toMatchObject({
      settings: 1,
      ms: 80,
      stay: 'Mix 55.1 %',
      isAlone: false,
    })
    const fixed = expectFixable(keeps, 'avoidableHole')
    expect(fixed.sounds.Solo!.cells[0]!.cell).toEqual(preset('dotted', at('mix', 70)))
    expect(between(fixed, fixed.sounds.Verse!, fixed.sounds.Solo!).hole).toBeNull()
    expect(requireFinding(rigWith(sounds, clear), 'avoidableHole').facts.isAlone).toBe(true)
  })

  it('is not advised where it cannot be told: what a preset holds is not all written down', () => {
    const unknown = rigWith(sounds, clear, { presets: { recalls: [at('mix', 44)] } })
    expect(codes(unknown)).not.toContain('avoidableHole')
    expect(codes(rigWith(sounds, { gap: { heard: 'none', ms: 0 } }))).not.toContain('avoidableHole')
  })

  it('is found in a variant’s parent as well, wherever that stands in the list', () => {
    const rig = rigWith({ Plus: {}, ...sounds }, clear, { fields: { Plus: { parentId: 'Solo' as never } } })
    expect(codes(rig)).toContain('avoidableHole')
  })
})

describe('the rest', () => {
  it('more messages than one step sends are counted, with what is alike everywhere', () => {
    const both = { echo: preset('dotted', at('mix', 1), at('repeats', 2)), preamp: preset('round') }
    const rig = rigWith({ Verse: both, Solo: { ...both, echo: preset('wide') } }, {}, { messagesPerEvent: 3 })
    expect(requireFinding(rig, 'tooManyMessages').facts).toMatchObject({
      sound: 'Verse',
      messages: 4,
      most: 3,
      same: ['preamp'],
    })
    expect(codes(rigWith({ Verse: both }, {}, { messagesPerEvent: 4 }))).not.toContain('tooManyMessages')
  })

  it('two devices on one channel that are told different things clash; told the same, or apart, they do not', () => {
    const sounds = { Verse: { echo: preset('dotted'), preamp: preset('round') } }
    expect(requireFinding(rigWith(sounds, { channel: 1 as never }), 'soundClash').facts).toMatchObject({
      device: 'preamp',
      other: 'echo',
      channel: 1,
    })
    expect(codes(rigWith(sounds))).not.toContain('soundClash')
    expect(codes(rigWith({ Verse: { echo: preset('dotted') } }, { channel: 1 as never }))).not.toContain(
      'soundClash',
    )
  })

  it.each([
    ['presets', preset('dotted', at('mix', 3)), true],
    ['presets', preset('dotted'), false],
    ['absolute', values(at('mix', 3)), true],
    ['absolute', preset('dotted', at('mix', 3)), false],
    ['songPreset', values(at('mix', 3)), false],
  ] as const)('the school "%s" is followed, and nothing is forced (%#)', (school, cell, isAgainst) => {
    const rig = rigWith({ Verse: { echo: cell } })
    const schooled: Rig = { ...rig, about: { about: { ...rig.about[ABOUT_ID]!, school } } }
    expect(codes(schooled).includes('againstSchool')).toBe(isAgainst)
    if (isAgainst) expect(requireFinding(schooled, 'againstSchool').severity).toBe('hint')
  })

  it('back to rest after a special: the fix lets what is not said go back', () => {
    const rig = rigWith({ Verse: {} }, { rest: { preset: 0, values: [], closes: [] } })
    expectFixable(
      { ...rig, about: { about: { ...rig.about[ABOUT_ID]!, school: 'backToRest' } } },
      'againstSchool',
    )
  })

  it('every fix of every finding on sounds of generated rigs can be done', () => {
    let fixes = 0
    fc.assert(
      fc.property(rigsWithSounds, (rig) => {
        for (const { about, fix } of findings(rig)) {
          if (about.table !== 'sounds' || !fix) continue
          fixes++
          expect(applyEdit(rig, fix).ok).toBe(true)
        }
      }),
      generated(200, 8_7001),
    )
    expect(fixes).toBeGreaterThan(runs(200))
  })
})
