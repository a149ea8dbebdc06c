import {
  makeBank,
  makeController,
  makeDevice,
  makePreset,
  makeRig,
  makeSwitch,
  recall,
} from '../core/rig/testing/makeRig'
import type { Rig } from '#core/rig'

/** A board as full as controllers come: 100 banks of 10 switches, each recalling a preset on 16 devices. */
export function bigBoard(): Rig {
  const devices = Array.from({ length: 16 }, (_, n) =>
    makeDevice(`d${n}`, n + 1, { order: n, name: `Device ${n + 1}` }),
  )
  const presets = devices.flatMap(({ id }) =>
    Array.from({ length: 100 }, (_, n) => makePreset(`${id}-${n}`, id, n, `Sound ${n + 1}`)),
  )
  const banks = Array.from({ length: 100 }, (_, n) => makeBank(`b${n}`, n, `Number ${n + 1}`))
  return makeRig({
    controllers: [makeController({ rows: 2, columns: 5, bankCount: 100, keepsSwitches: 2 })],
    devices,
    presets,
    banks,
    switches: banks.flatMap(({ id }, bank) =>
      Array.from({ length: 10 }, (_, n) =>
        makeSwitch(id, n + 1, [recall(...devices.map((device) => `${device.id}-${(bank + n) % 100}`))], {
          label: `Part ${n + 1}`,
        }),
      ),
    ),
  })
}
