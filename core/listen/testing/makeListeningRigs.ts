import { seeded } from '../../base/seeded'
import {
  makeBank,
  makeControl,
  makeController,
  makeDevice,
  makePreset,
  makeRig,
  makeSwitch,
} from '../../rig/testing/makeRig'
import { PLAIN_128 } from '../../rig/numbering/numbering'
import type { Rig } from '../../rig/rig'
import type { Action } from '../../rig/table/action'
import type { Footswitch } from '../../rig/table/switch'

const DEVICES = ['amp', 'echo', 'reverb'] as const

/** Generated rigs whose switches send messages only: programs with and without bank select, controls, notes, pauses. */
export function makeListeningRig(seed: number): Rig {
  const random = seeded(seed + 77)
  const int = (size: number) => Math.floor(random() * size)
  const some = <Value>(all: readonly Value[]): Value => all[int(all.length)]!
  const devices = DEVICES.map((id, n) =>
    makeDevice(id, n * 4 + 1, {
      order: n + 1,
      numbering: { ...PLAIN_128, count: 1024, bankSelect: some(['none', 'msb', 'lsb', 'both'] as const) },
    }),
  )
  // Without bank select only the first 128 can be reached.
  const presets = devices.flatMap(({ id, numbering }) =>
    Array.from({ length: 6 }, (_, n) =>
      makePreset(`${id}-${n}`, id, numbering.bankSelect === 'none' ? n * 17 + int(9) : n * 150 + int(100)),
    ),
  )
  const controls = DEVICES.flatMap((id) => [20, 41, 64].map((n) => makeControl(`${id}-${n}`, id, n + int(9))))
  const action = (): Action => {
    const kind = int(8)
    if (kind < 3) return { kind: 'recallPreset', presetId: some(presets).id }
    if (kind < 6) return { kind: 'setControl', controlId: some(controls).id, value: int(128) }
    return kind === 6
      ? {
          kind: 'note',
          deviceId: some(devices).id,
          note: int(128) as never,
          velocity: (1 + int(127)) as never,
          does: 'on',
          ms: 10,
        }
      : { kind: 'wait', ms: 50 + int(200) }
  }
  const list = (least: number, most: number): Action[] => {
    const all = Array.from({ length: least + int(most - least + 1) }, action)
    if (all.every(({ kind }) => kind === 'wait')) return list(least, most)
    // A list neither begins nor ends with a pause, since that is silence.
    while (all[0]?.kind === 'wait') all.shift()
    while (all.at(-1)?.kind === 'wait') all.pop()
    return all
  }
  const hasLong = random() < 0.6
  const controller = makeController({
    rows: 1,
    columns: 4,
    bankCount: 4,
    waitMs: 500,
    events: hasLong ? ['press', 'release', 'longPress'] : ['press', 'release'],
    pressWithLong: some(['press', 'release'] as const),
  })
  const banks = [makeBank('one', 0), makeBank('two', 1)]
  const switches = banks.flatMap(({ id }) =>
    [1, 2, 3, 4].flatMap((number): Footswitch[] => {
      if (int(8) === 0) return []
      const positions = Array.from({ length: int(4) === 0 ? 2 + int(2) : 1 }, () => list(1, 5))
      return [
        makeSwitch(id, number, positions, {
          release: int(3) === 0 ? list(1, 2) : [],
          longPress: hasLong && int(3) === 0 ? list(1, 3) : [],
        }),
      ]
    }),
  )
  return makeRig({ controllers: [controller], devices, presets, controls, banks, switches })
}
