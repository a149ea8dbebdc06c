import { proposedDelay, SHIPPED_RIDES, tryDelays } from '#core/pedal'
import {
  addRow,
  type AutoOff,
  type BankId,
  type Calibration,
  type Edit,
  type Pedal,
  type PedalRole,
  type Target,
} from '#core/rig'

/** The demo's two pedals: wah and volume with a toe switch, and a cross-fade that is off by itself at the heel. */

const target = (controlId: string, heel: number, toe: number, fields: Partial<Target> = {}): Target => ({
  controlId: controlId as Target['controlId'],
  number: null,
  sends: { heel, toe },
  device: null,
  curve: { kind: 'linear' },
  from: 0,
  to: 100,
  ...fields,
})

const passed = (pedal: string, heel: number, toe: number): Calibration => ({
  on: '2026-11-19',
  pedal,
  verdict: 'pass',
  heel,
  toe,
  noise: 1,
  from: heel + 2,
  to: toe - 2,
})

const place = (port: string): Pedal['place'] => ({
  kind: 'jack',
  table: 'controllers',
  id: 'controller',
  port,
})
const role = (name: string, when: PedalRole['when'], targets: Target[]): PedalRole => ({
  name,
  when,
  targets,
})
const storm: PedalRole['when'] = { kind: 'banks', bankIds: ['storm' as BankId, 'storm2' as BankId] }

const heelOff: AutoOff = {
  kind: 'heel',
  delayMs: 600,
  zone: 3,
  toe: 'momentary',
  works: { kind: 'control', controlId: 'echo-on' as never, off: 0, on: 127 },
}

/** Tuned on a ride of swells, as the page proposes it. */
const tuned: AutoOff = {
  ...heelOff,
  delayMs: proposedDelay(tryDelays(heelOff, [SHIPPED_RIDES.swells]))!.delayMs,
}

const pedals: readonly Pedal[] = [
  {
    id: 'right' as Pedal['id'],
    order: 1,
    name: 'Right foot',
    place: place('exp1'),
    roles: [
      // The playable middle of a wah, 23 to 74 % (common practice).
      role('Wah', { kind: 'control', controlId: 'synth-wah-on' as never, is: 'on' }, [
        target('synth-wah-sweep', 29, 94),
      ]),
      role('Volume', { kind: 'always' }, [
        target('preamp-volume', 44, 127, { curve: { kind: 'logarithmic' } }),
      ]),
    ],
    takeover: 'catches',
    everyMs: 10,
    calibration: passed('sweep', 3, 124),
    off: null,
  },
  {
    id: 'left' as Pedal['id'],
    order: 2,
    name: 'Left foot',
    place: place('exp2'),
    roles: [
      role('Storm', storm, [
        target('echo-mix', 0, 57),
        target('reverb-mix', 76, 5, { curve: { kind: 's' } }),
      ]),
      role('Swell', { kind: 'always' }, [
        target('echo-mix', 0, 44, {
          curve: {
            kind: 'points',
            points: [
              { at: 0, to: 0 },
              { at: 0.4, to: 0.15 },
              { at: 0.75, to: 0.7 },
              { at: 1, to: 1 },
            ],
          },
        }),
      ]),
    ],
    takeover: 'catches',
    everyMs: 10,
    calibration: passed('fade', 2, 125),
    off: tuned,
  },
]

export const pedalSteps: readonly (() => Edit)[] = pedals.map(
  (pedal) => () => addRow('addPedal', 'pedals', pedal),
)
