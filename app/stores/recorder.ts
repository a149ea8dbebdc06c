import { own } from '#core/base'
import { encodeMessage, hexOf } from '#core/midi'
import { RUN_STEPS_MAX, type Action, type Rig, type RunStep } from '#core/rig'
import type { FloorInput, FloorState } from '#core/simulate'

type Timeless = RunStep extends infer One ? (One extends { at: number } ? Omit<One, 'at'> : never) : never

/** What an input is as a step of a run, with its moment on the floor's clock; null for what no run holds. */
export function stepOf(
  rig: Rig,
  state: FloorState,
  input: FloorInput,
): (Timeless & { readonly at: number }) | null {
  const { at } = input
  switch (input.kind) {
    case 'press':
    case 'release': {
      const footswitch = own(rig.switches, input.switchId)
      if (!footswitch) return null
      const { jack, number } = footswitch
      return { at, kind: input.kind === 'press' ? 'down' : 'up', jack, number }
    }
    case 'bank': {
      const bank = own(rig.banks, input.bankId)
      return bank && bank.id !== state.known.bankId ? { at, kind: 'bank', index: bank.index } : null
    }
    case 'layer':
      return { at, kind: 'layer', to: input.layer }
    case 'act':
      return { at, kind: 'act', actions: [...input.actions] }
    case 'send': {
      const { deviceId, messages } = input
      return {
        at,
        kind: 'act',
        actions: messages.map((message): Action => ({
          kind: 'raw',
          deviceId,
          hex: hexOf(encodeMessage(message)),
        })),
      }
    }
    case 'need':
      return { at, kind: 'need', soundId: input.soundId }
    case 'putRight':
      return { at, kind: 'putRight' }
    case 'power':
      return { at, kind: 'power', deviceId: input.deviceId, isOn: input.isOn }
    case 'pedal':
      return { at, kind: 'pedal', pedalId: input.pedalId, position: input.position }
    case 'toe':
      return { at, kind: 'toe', pedalId: input.pedalId, isDown: input.isDown }
    case 'clockIn':
      return { at, kind: 'clockIn', bpm: input.bpm }
    case 'powerAll':
      return null
  }
}

/** Notes what is done from one moment on. */
export class Recorder {
  readonly #base: number
  readonly #steps: RunStep[] = []

  /** `base` is when all was switched on, on the floor's clock in µs. */
  constructor(base: number) {
    this.#base = base
  }

  get count(): number {
    return this.#steps.length
  }

  get isFull(): boolean {
    return this.#steps.length >= RUN_STEPS_MAX
  }

  note(step: ReturnType<typeof stepOf>): void {
    if (step && !this.isFull) this.#steps.push({ ...step, at: step.at - this.#base } as RunStep)
  }

  /** What was noted up to a moment; null when that is nothing. */
  end(at: number): { readonly steps: readonly RunStep[]; readonly length: number } | null {
    return this.#steps.length === 0 ? null : { steps: this.#steps, length: at - this.#base }
  }
}
