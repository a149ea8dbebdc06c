import { own } from '#core/base'
import { MICROSECONDS_PER_BYTE } from '#core/midi'
import { guidedFoot, STEPS } from '#core/pedal'
import type { Rig, Pedal, PedalId } from '#core/rig'
import { floorAtPowerOn } from './floor'
import { step } from './step'

/** What a fast sweep puts on the wire. */
export interface SweepLoad {
  readonly messages: number
  /** Messages a second while it lasts. */
  readonly perSecond: number
  /** Share of the wire it takes of the fullest output while it lasts; above 1 it falls behind. */
  readonly share: number
  /** By how much, in ms, it holds up a recall that comes at the worst moment. */
  readonly delayMs: number
}

/** A foot stamped down goes from heel to toe in a quarter of a second (common practice, from memory). */
const FAST_SWEEP_MS = 250

/** One sweep from heel to toe by a role of a pedal, at a reading a ms, on an otherwise quiet floor. */
export function sweepLoad(rig: Rig, pedal: Pedal, role: number, sweepMs = FAST_SWEEP_MS): SweepLoad {
  const led = pedal.roles[role]
  if (!led) return { messages: 0, perSecond: 0, share: 0, delayMs: 0 }
  const id = pedal.id as PedalId
  const alone: Rig = {
    ...rig,
    pedals: {
      [id]: { ...pedal, roles: [{ ...led, when: { kind: 'always' } }], off: null, takeover: 'leaps' },
    },
  }
  let state = floorAtPowerOn(alone)
  state = { ...state, due: [] }
  const parts = [{ kind: 'up', from: 0, to: sweepMs }] as const
  let [messages, delay] = [0, 0]
  const busy = new Map<string, number>()
  for (let ms = 0; ms <= sweepMs; ms++) {
    const position = Math.round(guidedFoot(ms, parts) * STEPS)
    const done = step(alone, state, { kind: 'pedal', pedalId: id, position, at: ms * 1000 })
    state = done.state
    messages += done.sent.length
    for (const { lane, bytes } of done.sent)
      busy.set(lane, (busy.get(lane) ?? 0) + bytes.length * MICROSECONDS_PER_BYTE)
    for (const lane in state.wires) delay = Math.max(delay, (own(state.wires, lane)?.freeAt ?? 0) - state.at)
  }
  return {
    messages,
    perSecond: (messages * 1000) / sweepMs,
    share: Math.max(0, ...busy.values()) / (sweepMs * 1000),
    delayMs: delay / 1000,
  }
}

/** Pauses between two values of a target that are worth a try, in ms: slower than 50 is heard as steps (from memory). */
const PAUSES = [0, 5, 10, 15, 20, 25, 30, 40, 50]

/** A recall that comes 10 ms late is not heard as late (common practice, from memory). */
const LATE_MS = 10

/** The shortest pause with which a fast sweep holds nothing up by more than 10 ms; null when none worth a try does. */
export function pauseFor(rig: Rig, pedal: Pedal, role: number): number | null {
  const fits = (everyMs: number) => !holdsUp(sweepLoad(rig, { ...pedal, everyMs }, role))
  return PAUSES.find((pause) => pause >= pedal.everyMs && fits(pause)) ?? null
}

/** Whether a sweep holds a recall up by more than is heard. */
export const holdsUp = ({ delayMs }: SweepLoad): boolean => delayMs > LATE_MS
