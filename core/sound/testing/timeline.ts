import { own } from '#core/base'
import { encodeMessage, CONTROLLER, MICROSECONDS_PER_BYTE } from '#core/midi'
import type { Rig } from '#core/rig'
import type { Step } from '../step'

/** One message byte by byte, in µs from the first. */
export interface TimelineEntry {
  readonly step: Extract<Step, { kind: 'send' }>
  /** The bytes that go out: the status byte may be left out. */
  readonly bytes: readonly number[]
  readonly start: number
  readonly end: number
  /** It begins while the device it is for is deaf, and that device loses what comes then. */
  readonly isLost: boolean
}

/**
 * Plays steps byte by byte, 320 µs each, and looks which controls reach a device that is loading. Written on
 * its own, from the bytes: it shares nothing with the search for an order, so that each can be held against
 * the other.
 */
export function timeline(rig: Rig, steps: readonly Step[], runningStatus: boolean): TimelineEntry[] {
  const entries: TimelineEntry[] = []
  const deafUntil = new Map<string, number>()
  let clock = 0
  let lastStatus = -1
  for (const step of steps) {
    if (step.kind === 'wait') clock += step.microseconds
    if (step.kind !== 'send') continue
    const whole = [...encodeMessage(step.message)]
    const bytes = runningStatus && whole[0] === lastStatus ? whole.slice(1) : whole
    lastStatus = whole[0]!
    const start = clock
    for (const _ of bytes) clock += MICROSECONDS_PER_BYTE
    const device = own(rig.devices, step.deviceId)
    const isSelect =
      step.message.kind === 'control' &&
      (step.message.controller === CONTROLLER.bankSelectMsb ||
        step.message.controller === CONTROLLER.bankSelectLsb)
    const isLost =
      step.message.kind === 'control' &&
      !isSelect &&
      device?.whileDeaf === 'loses' &&
      start < (deafUntil.get(step.deviceId) ?? -1)
    if (step.message.kind === 'program') deafUntil.set(step.deviceId, clock + (device?.deafMs ?? 0) * 1000)
    entries.push({ step, bytes, start, end: clock, isLost })
  }
  return entries
}
