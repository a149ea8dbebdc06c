import { encodeMessage, type MidiMessage, wireTime } from '#core/midi'
import type { DeviceId } from '#core/rig'
import type { CompiledStep } from './compile'
import type { ActionStep } from './step'

/** A message with its bytes and the µs at which they begin and end on the wire. */
export interface TimedMessage {
  readonly message: MidiMessage
  /** Null: for whoever hears it. */
  readonly deviceId: DeviceId | null
  /** Which action of the list asked for it, from 0. */
  readonly action: number
  readonly bytes: Uint8Array
  readonly start: number
  readonly end: number
}

/** A list under way: its next step is due at `at`. */
interface Run {
  readonly steps: readonly ActionStep[]
  readonly action: number | null
  /** Beside everything else: it keeps its own time, and does not wait for what it sent. */
  readonly isBeside: boolean
  readonly name: string | null
  step: number
  at: number
}

/**
 * Puts the messages among steps on one wire, the first at `from` µs, with the waits between them; what runs by itself
 * goes its own way beside them. With `runningStatus`, a status byte equal to the one before is left out.
 */
export function schedule(steps: readonly CompiledStep[], from = 0, runningStatus = false): TimedMessage[] {
  const timed: TimedMessage[] = []
  const runs: Run[] = [{ steps, action: null, isBeside: false, name: null, step: 0, at: from }]
  let free = from
  let status = 0
  while (runs.length > 0) {
    const run = runs.reduce((first, one) => (one.at < first.at ? one : first))
    const step = run.steps[run.step++]
    if (!step) {
      runs.splice(runs.indexOf(run), 1)
      continue
    }
    const action = run.action ?? (step as CompiledStep).action
    if (step.kind === 'wait') run.at += step.microseconds
    if (step.kind === 'stop' || step.kind === 'start') {
      const at = runs.findIndex((one) => one !== run && one.name === step.name)
      if (at >= 0) runs.splice(at, 1)
    }
    if (step.kind === 'start')
      runs.push({ steps: step.steps, action, isBeside: true, name: step.name, step: 0, at: run.at })
    if (step.kind !== 'send') continue
    const whole = encodeMessage(step.message)
    const first = whole[0]!
    const bytes = runningStatus && first === status ? whole.subarray(1) : whole
    // Real-time bytes leave running status alone; all other system messages end it.
    if (first < 0xf8) status = first < 0xf0 ? first : 0
    const start = Math.max(free, run.at)
    free = start + wireTime(bytes.length)
    if (!run.isBeside) run.at = free
    timed.push({ message: step.message, deviceId: step.deviceId, action, bytes, start, end: free })
  }
  return timed
}
