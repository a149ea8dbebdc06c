import { seeded } from '../../base/seeded'
import {
  makeBank,
  makeController,
  makeDevice,
  makePart,
  makePreset,
  makeRig,
  makeShow,
  makeSong,
  makeSound,
  makeSwitch,
  recallSound,
} from '../../rig/testing/makeRig'
import { applyEdit } from '../../rig/applyEdit'
import type { Edit } from '../../rig/edit'
import type { Rig } from '../../rig/rig'
import type { Action } from '../../rig/table/action'
import type { Footswitch } from '../../rig/table/switch'

const go = (to: 'next' | 'home' | 'previous'): Action => ({ kind: 'travel', to, bankId: null })

/** A rig with an edit done; as it is where there is none. Throws where the edit is refused. */
export function applied(rig: Rig, edit: Edit | null): Rig {
  if (edit === null) return rig
  const result = applyEdit(rig, edit)
  if (!result.ok) throw new Error(JSON.stringify(result))
  return result.value
}

/**
 * A generated show that has nothing wrong with it: two devices, a sound a preset, every sound on a switch, a way on from
 * every bank, and time enough.
 */
export function makeShowRig(
  seed: number,
  most: { readonly sounds?: number; readonly songs?: number } = {},
): Rig {
  const random = seeded(seed)
  const some = (count: number) => Math.floor(random() * count)
  const bankCount = 1 + some(4)
  const perBank = 6
  const soundCount = 2 + some(Math.min(most.sounds ?? 12, bankCount * perBank - 2))
  const names = Array.from({ length: soundCount }, (_, n) => `sound${n}`)
  const banks = Array.from({ length: bankCount }, (_, n) => makeBank(`bank${n}`, n, `Bank ${n}`))
  const hasShift = some(2) === 0
  const controller = makeController({
    rows: 2,
    columns: 4,
    events: ['press', 'release', 'longPress', 'doublePress'],
    hasShift,
    ...(some(3) === 0 && { keepsSwitches: 0, columnMm: 40 + some(60), rowMm: 80 + some(60) }),
    ...(bankCount > 1 && some(3) === 0 && { home: banks[some(bankCount)]!.id }),
  })
  const free = banks.flatMap(({ id }) => Array.from({ length: perBank }, (_, n) => ({ id, number: n + 1 })))
  const switches: Footswitch[] = names.map((name, n) => {
    const { id, number } = free.splice(some(free.length), 1)[0]!
    return makeSwitch(id, number, [[recallSound(name)]], {
      isPinned: some(6) === 0,
      group: some(8) === 0 ? 'one' : '',
      label: `S${n}`,
    })
  })
  switches.push(
    makeSwitch('bank0', 7, [[go('next')]], {
      everywhere: true,
      ...(some(2) === 0 && { doublePress: [go('home')] }),
      ...(hasShift && some(2) === 0 && { longPress: [{ kind: 'layer', does: 'change' }] }),
    }),
    makeSwitch('bank0', 8, [[go(some(2) === 0 ? 'previous' : 'home')]], { everywhere: true }),
  )
  const songCount = 1 + some(most.songs ?? 4)
  const songs = Array.from({ length: songCount }, (_, n) =>
    makeSong(`song${n}`, null, { order: n, name: `Song ${n}` }),
  )
  const parts = songs.flatMap(({ id }) =>
    Array.from({ length: 1 + some(6) }, (_, n) =>
      makePart(id, n + 1, names[some(soundCount)]!, {
        lasts: { amount: 20, unit: 'seconds' },
        ahead: some(3) === 0 ? null : { amount: 15, unit: 'seconds' },
      }),
    ),
  )
  return makeRig({
    controllers: [controller],
    devices: [makeDevice('amp', 1), makeDevice('echo', 4, { order: 2 })],
    presets: names.flatMap((name, n) => [
      makePreset(`amp-${name}`, 'amp', n, name),
      makePreset(`echo-${name}`, 'echo', n, name),
    ]),
    sounds: names.map((name, n) =>
      makeSound(
        name,
        {
          amp: { kind: 'preset', presetId: `amp-${name}` as never, values: [] },
          echo: { kind: 'preset', presetId: `echo-${name}` as never, values: [] },
        },
        { order: n },
      ),
    ),
    banks,
    switches,
    songs,
    parts,
    shows: [
      makeShow(
        'show',
        Array.from({ length: songCount + some(2) }, (_, n) => `song${n % songCount}`),
      ),
    ],
  })
}
