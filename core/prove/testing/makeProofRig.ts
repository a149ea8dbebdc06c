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
import { seeded } from '../../base/seeded'
import type { Rig } from '../../rig/rig'
import type { Action } from '../../rig/table/action'
import type { Cell } from '../../rig/table/sound'

/** So many switches of each bank and layer recall a sound, where there are enough. */
const SOUNDS_MAX = 6

interface ProofSize {
  readonly banks: number
  readonly switches: number
  readonly devices: number
  /** Messages of each switch. */
  readonly messages: number
  readonly layers: 1 | 2
  /** Of ten switches so many have two positions. */
  readonly alternates?: number
}

/**
 * A rig as a player with a large board has it, from a fixed seed: of each bank two switches travel, the others say of one
 * device after the other which preset it plays or whether its effect is on, and set a control. Six of each bank do so by a
 * sound, the others by a list; of those two in ten have a second position, a few controls go by what was sent last, and some
 * change over by themselves. Presets have values of their own.
 */
export function makeProofRig(
  { banks, switches, devices, messages, layers, alternates = 2 }: ProofSize,
  seed = 7,
): Rig {
  const random = seeded(seed)
  const below = (n: number) => Math.floor(random() * n)
  const each = <One>(n: number, one: (n: number) => One) => Array.from({ length: n }, (_, at) => one(at))
  const CONTROLS = 6
  const SOUNDS = Math.max(0, Math.min(SOUNDS_MAX, switches - 4))
  const control = (device: number, n: number) => `d${device}-c${n}` as never
  const action = (at: number): Action => {
    const device = at % devices
    const isFirst = at < devices
    if (isFirst && random() < 0.6)
      return { kind: 'recallPreset', presetId: `d${device}-p${below(6)}` as never }
    if (isFirst) return { kind: 'setControl', controlId: control(device, 3), value: below(2) * 127 }
    const n = below(CONTROLS)
    if (random() < 0.05 && n < 4)
      return { kind: 'alternateControl', controlId: control(device, n), a: 127, b: 0 }
    return {
      kind: 'setControl',
      controlId: control(device, n),
      value: n === 4 ? below(5) * 30 : below(2) * 127,
    }
  }
  const list = () => each(messages, action)
  const cell = (device: number): Cell => ({
    kind: 'preset',
    presetId: `d${device}-p${below(6)}` as never,
    // Bank select comes before the recall.
    values: each(Math.max(0, Math.round(messages / devices) - 1), (n) => ({
      controlId: control(device, n),
      value: below(2) * 127,
    })),
  })
  const names = each(banks, (n) => `b${n}`)
  const travels = (to: 'next' | 'previous'): Action[][] => [[{ kind: 'travel', to, bankId: null }]]
  return makeRig({
    controllers: [
      makeController({
        columns: Math.ceil(switches / 2),
        rows: 2,
        bankCount: banks,
        hasShift: layers === 2,
        messagesPerEvent: messages,
        ports: [makePort('out', makeRole('midiOut'))],
      }),
    ],
    devices: each(devices, (n) => makeDevice(`d${n}`, n + 1, { order: n, deafMs: 0 })),
    cables: each(devices, (n) => makeCable(n === 0 ? 'controller.out' : `d${n - 1}.thru`, `d${n}.in`)),
    controls: each(devices * CONTROLS, (n) =>
      makeControl(
        `d${Math.floor(n / CONTROLS)}-c${n % CONTROLS}`,
        `d${Math.floor(n / CONTROLS)}`,
        20 + (n % CONTROLS),
        {
          order: n,
          reading:
            n % CONTROLS === 5
              ? { kind: 'toggle', value: 127 }
              : n % CONTROLS < 4
                ? { kind: 'switch', isStrict: false }
                : { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
        },
      ),
    ),
    presets: each(devices * 6, (n) =>
      makePreset(`d${Math.floor(n / 6)}-p${n % 6}`, `d${Math.floor(n / 6)}`, n % 6, '', {
        recalls: each(3, (c) => ({
          controlId: `d${Math.floor(n / 6)}-c${c}` as never,
          value: ((n + c) % 2) * 127,
        })),
      }),
    ),
    sounds: [...names.keys()].flatMap((bank) =>
      each(layers * SOUNDS, (n) =>
        makeSound(`s${bank}-${n}`, Object.fromEntries(each(devices, (d) => [`d${d}`, cell(d)])), {
          order: bank * 100 + n,
        }),
      ),
    ),
    banks: names.map((name, n) => makeBank(name, n)),
    switches: names.flatMap((name, bank) =>
      each(layers, (layer) => (layer === 0 ? 'base' : 'shift') as 'base' | 'shift').flatMap((layer) =>
        each(switches, (n) => {
          const positions: Action[][] =
            n === 0
              ? travels('previous')
              : n === 1
                ? travels('next')
                : n === 2 && layers === 2
                  ? [[{ kind: 'layer', does: 'change' }]]
                  : n >= switches - SOUNDS
                    ? [[recallSound(`s${bank}-${(layer === 'shift' ? SOUNDS : 0) + switches - 1 - n}`)]]
                    : random() < alternates / 10
                      ? [list(), list()]
                      : [list()]
          return makeSwitch(name, n + 1, positions, { layer, id: `${name}-${layer}-${n + 1}` as never })
        }),
      ),
    ),
  })
}
