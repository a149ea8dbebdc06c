import {
  addPedal,
  GUIDE_MS,
  guidedFoot,
  readSweeps,
  SHIPPED_RIDES,
  simulatedPedal,
  tryDelays,
} from '#core/pedal'
import { applyEdit, editRow, type Control, type Edit, type PedalId, type Rig, type Target } from '#core/rig'
import { advance, startFloor, step, sweepPedal } from '#core/simulate'
import { tidewright } from '../server/demo/tidewright'
import { measureTime } from './measure'

const TARGETS = 16
const SECONDS = 10
const id = 'bench' as PedalId

const done = (rig: Rig, edit: Edit | null): Rig => {
  const applied = edit && applyEdit(rig, edit)
  if (!applied?.ok) throw new Error(JSON.stringify(applied))
  return applied.value
}

/** The demo with one more pedal that leads sixteen controls at once. */
function rigOfSixteen(everyMs: number): Rig {
  const rig = tidewright()
  const place = { kind: 'jack', table: 'controllers', id: 'controller', port: 'exp1' } as const
  const added = done({ ...rig, pedals: {} }, addPedal(rig, id, 'Bench', place))
  const targets = Object.values(rig.controls)
    .filter(({ reading, address }: Control) => reading.kind === 'range' && address.kind === 'cc')
    .slice(0, TARGETS)
    .map((control): Target => ({
      controlId: control.id,
      number: null,
      sends: { heel: 0, toe: 127 },
      device: null,
      curve: { kind: 's' },
      from: 0,
      to: 100,
    }))
  if (targets.length < TARGETS) throw new Error('The demo has fewer than sixteen controls to lead')
  const roles = [{ name: '', when: { kind: 'always' as const }, targets }]
  return done(added, editRow(added, 'changePedal', 'pedals', id, { roles, everyMs }))
}

const WAYS = [
  { kind: 'up', from: 0, to: 500 },
  { kind: 'down', from: 500, to: 1000 },
] as const

/** A reading a ms, heel to toe and back once a second. */
const moves = Array.from({ length: SECONDS * 1000 }, (_, ms) => ({
  at: ms * 1000,
  position: Math.round(guidedFoot(ms % 1000, WAYS) * 127),
}))

export function measurePedals(): void {
  for (const everyMs of [10, 0]) {
    const rig = rigOfSixteen(everyMs)
    const whole = () => sweepPedal(rig, startFloor(rig).state, id, moves)
    const sent = whole().sent.length
    const began = performance.now()
    let runs = 0
    while (performance.now() - began < 1500) {
      const { state } = whole()
      advance(rig, state, SECONDS * 1_000_000)
      runs++
    }
    const took = (performance.now() - began) / runs
    const single = performance.now()
    let state = startFloor(rig).state
    for (const { at, position } of moves)
      state = step(rig, state, { kind: 'pedal', pedalId: id, position, at }).state
    const oneByOne = performance.now() - single
    console.log(
      `A 1 kHz sweep over ${TARGETS} targets, ${everyMs === 0 ? 'every value' : `a value every ${everyMs} ms`} (${Math.round(sent / SECONDS)} messages a second): ${((SECONDS * 1000) / took).toFixed(0)} times as fast as real, of 50 asked; a move at a time ${((SECONDS * 1000) / oneByOne).toFixed(0)}`,
    )
  }
  const off = tidewright().pedals['left']!.off!
  measureTime('All 201 delays tried on two rides', () =>
    tryDelays(off, [SHIPPED_RIDES.swells, SHIPPED_RIDES.inTime]),
  )
  const pedal = simulatedPedal('good', 1)
  const readings = Array.from({ length: GUIDE_MS / 5 }, (_, n) => ({
    at: n * 5,
    value: pedal.read(guidedFoot(n * 5), n * 5),
  }))
  measureTime('A calibration read, nine seconds of sweeping', () => readSweeps(readings))
}
