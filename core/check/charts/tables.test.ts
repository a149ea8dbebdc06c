import { expect, it } from 'vitest'
import { TABLE_NAMES, type Rig } from '../../rig/rig'
import {
  makeBank,
  makeController,
  makeDevice,
  makePreset,
  makeRig,
  makeSwitch,
  recall,
  smallRig,
} from '../../rig/testing/makeRig'
import { rigOfNumbers } from '../../sound/testing/makeSounds'
import { CHECKS } from '../findings'

/** Rigs with something wrong in many ways, so that checks have something to say. */
const RIGS: readonly Rig[] = [
  smallRig(),
  ...Array.from({ length: 12 }, (_, n) =>
    rigOfNumbers(Array.from({ length: 60 }, (_, k) => (k * 7919 + n * 104_729) % 9973)),
  ),
  makeRig({
    controllers: [
      makeController({ highestProgram: 3 as never, sendsBankSelect: false, messagesPerEvent: 1 }),
    ],
    devices: [
      makeDevice('a', 1, { receivesPrograms: false }),
      makeDevice('b', 1, { order: 2, sendsProgramsBack: true }),
      makeDevice('c', 'omni', { order: 3, followsClock: true }),
      makeDevice('d', 'none', { order: 4 }),
    ],
    presets: [makePreset('p', 'a', 9), makePreset('q', 'b', 2), makePreset('r', 'd', 1)],
    banks: [makeBank('one', 0), makeBank('two', 7)],
    switches: [
      makeSwitch('one', 1, [recall('p', 'q')]),
      makeSwitch('one', 2, [[]], { label: 'Empty' }),
      makeSwitch('two', 1, [recall('r')], { release: recall('p') }),
    ],
    controls: ['a', 'b'].map((deviceId, n) => ({
      id: `k${n}`,
      deviceId,
      order: n,
      name: 'Tap',
      section: n ? 'Looper' : '',
      address: { kind: 'cc', number: 120 },
      reading: { kind: 'switch', isStrict: false },
      kind: 'assignable',
      map: 'preset',
      source: 'heard',
      note: '',
      origin: '',
    })) as never,
    pairs: [
      {
        id: 'pair',
        deviceId: 'a',
        order: 1,
        name: 'Pair',
        by: '',
        a: [{ controlId: 'k0', value: 1 }],
        b: [],
        isLocked: true,
        losesAll: '',
        learned: null,
      },
    ] as never,
  }),
]

it.each(CHECKS.map((check, n) => [check.tables.join(', '), n] as const))(
  'a check on %s says the same whatever stands in the other tables (%i)',
  (_, n) => {
    const { tables, find } = CHECKS[n]!
    for (const rig of RIGS)
      for (const table of TABLE_NAMES) {
        if (tables.includes(table)) continue
        // structuredClone: nothing is remembered from the rig with the table in it.
        const without = { ...structuredClone(rig), [table]: {} } as Rig
        expect(find(without)).toEqual(find(structuredClone(rig)))
      }
  },
)

it('the rigs looked at make checks speak', () => {
  const spoken = CHECKS.filter(({ find }) => RIGS.some((rig) => find(rig).length > 0))
  expect(spoken.length).toBeGreaterThanOrEqual(11)
})
