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

/** As big as floors get: 16 devices, 30 banks of 10 switches, each recalling a preset on every device. */
export function bigRig(): Rig {
  const devices = Array.from({ length: 16 }, (_, n) => makeDevice(`d${n}`, n + 1, { order: n }))
  const presets = devices.flatMap(({ id }) =>
    Array.from({ length: 8 }, (_, n) => makePreset(`${id}-${n}`, id, n)),
  )
  const banks = Array.from({ length: 30 }, (_, n) => makeBank(`b${n}`, n))
  return makeRig({
    controllers: [makeController({ rows: 2, columns: 5 })],
    devices,
    presets,
    banks,
    switches: banks.flatMap(({ id }) =>
      Array.from({ length: 10 }, (_, n) =>
        makeSwitch(id, n + 1, [recall(...devices.map((device) => `${device.id}-${n % 8}`))]),
      ),
    ),
  })
}
