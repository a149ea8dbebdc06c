import { own } from '#core/base'
import { canHold, EMPTY_LOOP, loopDown, loopUp, type LoopNow } from '#core/looper'
import { CLOCKS_A_QUARTER } from '#core/tempo'
import type { MidiMessage } from '#core/midi'
import type { Device, LoopChart, LoopInput, TapIn } from '#core/rig'

/** The tempo as a device understands it. */
export interface Beat {
  /** Beats a minute; null until enough has come. */
  readonly bpm: number | null
  readonly by: 'tap' | 'clock'
  /** Taps that count, in µs; and since when its contact is closed, and since when it is open. */
  readonly taps: readonly number[]
  readonly closedAt: number | null
  readonly openedAt: number | null
  /** When the last clocks came, in µs: those of one quarter at most. */
  readonly clocks: readonly number[]
  /** Started, continued or stopped; and how many clocks it has counted since it was started. */
  readonly isPlaying: boolean
  readonly position: number
}

const NO_BEAT: Beat = {
  bpm: null,
  by: 'tap',
  taps: [],
  closedAt: null,
  openedAt: null,
  clocks: [],
  isPlaying: false,
  position: 0,
}

/** The part of a device's state that keeps time: the tempo as it understands it, and its loop; null as long as nothing came. */
export interface Timekeeping {
  readonly beat: Beat | null
  readonly loop: LoopNow | null
}

/** What came to a device that bears on its beat or its loop; and whose holding is to be looked at later. */
export interface Heard<State extends Timekeeping> {
  readonly state: State
  readonly hold: { readonly input: string; readonly after: number } | null
}

/** Whether anything that comes to a device bears on a beat or a loop. */
export const hasBeat = ({ followsClock, tapIn, looper }: Device): boolean =>
  followsClock || tapIn !== null || looper !== null

/** Real-time messages (M1 v4.2.1, "System Real Time Messages"; from memory): start counts from the next clock on. */
export function hearRealTime<State extends Timekeeping>(
  state: State,
  { kind }: MidiMessage,
  at: number,
): State {
  const beat = state.beat ?? NO_BEAT
  switch (kind) {
    case 'clock': {
      const clocks = [...beat.clocks, at].slice(-CLOCKS_A_QUARTER - 1)
      const mean = clocks.length < 2 ? null : (at - clocks[0]!) / (clocks.length - 1)
      const bpm = mean === null ? beat.bpm : 60_000_000 / (mean * CLOCKS_A_QUARTER)
      const position = beat.isPlaying ? beat.position + 1 : beat.position
      return { ...state, beat: { ...beat, bpm, by: 'clock', clocks, position } }
    }
    case 'start':
      return { ...state, beat: { ...beat, isPlaying: true, position: 0, clocks: [] } }
    case 'continue':
      return { ...state, beat: { ...beat, isPlaying: true, clocks: [] } }
    case 'stop':
      return { ...state, beat: { ...beat, isPlaying: false } }
    default:
      return state
  }
}

/** One tap that counts: with enough of them the device goes by their mean. */
function tapped(tapIn: TapIn, beat: Beat, at: number): Beat {
  const last = beat.taps.at(-1)
  const isNew = last === undefined || at - last > tapIn.forgetsMs * 1000
  const taps = [...(isNew ? [] : beat.taps), at].slice(-tapIn.taps)
  const bpm = taps.length < tapIn.taps ? null : (60_000_000 * (taps.length - 1)) / (taps.at(-1)! - taps[0]!)
  const isTaken = bpm !== null && bpm >= tapIn.low - 0.05 && bpm <= tapIn.high + 0.05
  return { ...beat, taps, ...(isTaken && { bpm, by: 'tap' as const }) }
}

/** A value that came to a control. */
export function hearControlFor<State extends Timekeeping>(
  device: Device,
  state: State,
  controlId: string,
  isDown: boolean,
  isWhole: boolean,
  at: number,
): Heard<State> {
  const { tapIn, looper } = device
  const isTap = tapIn?.place.kind === 'control' && tapIn.place.controlId === controlId
  const beaten = isTap && isDown ? { ...state, beat: tapped(tapIn, state.beat ?? NO_BEAT, at) } : state
  const input = looper && inputFor(looper, ({ by }) => by?.kind === 'control' && by.controlId === controlId)
  return looper && input ? worked(looper, beaten, input, isDown, isWhole, at) : { state: beaten, hold: null }
}

/** A contact closed or opened: a pulse or a gap too short for it is no tap. */
export function hearContact<State extends Timekeeping>(
  device: Device,
  state: State,
  contactId: string,
  isClosed: boolean,
  at: number,
): Heard<State> {
  const { tapIn, looper } = device
  const isTap = tapIn?.place.kind === 'contact' && tapIn.place.contactId === contactId
  const beaten = isTap ? { ...state, beat: contactTap(tapIn, state.beat ?? NO_BEAT, isClosed, at) } : state
  const input = looper && inputFor(looper, ({ by }) => by?.kind === 'contact' && by.contactId === contactId)
  return looper && input ? worked(looper, beaten, input, isClosed, false, at) : { state: beaten, hold: null }
}

function contactTap(tapIn: TapIn, beat: Beat, isClosed: boolean, at: number): Beat {
  if (isClosed) {
    if (beat.closedAt !== null) return beat
    const isHeard = beat.openedAt === null || at - beat.openedAt >= tapIn.openMs * 1000
    return isHeard ? { ...beat, closedAt: at } : beat
  }
  const { closedAt } = beat
  const opened = { ...beat, closedAt: null, openedAt: at }
  return closedAt !== null && at - closedAt >= tapIn.closedMs * 1000
    ? tapped(tapIn, opened, closedAt)
    : opened
}

const inputFor = (looper: LoopChart, is: (input: LoopInput) => boolean): string | null =>
  looper.inputs.find(is)?.id ?? null

/** A whole press is let go at once: a message that says no more than that. */
function worked<State extends Timekeeping>(
  looper: LoopChart,
  state: State,
  input: string,
  isDown: boolean,
  isWhole: boolean,
  at: number,
): Heard<State> {
  const before: LoopNow = state.loop ?? EMPTY_LOOP
  const wasDown = own(before.down, input) !== undefined
  const down = isDown ? loopDown(looper, before, input, at) : loopUp(looper, before, input, at)
  const loop = isDown && isWhole ? loopUp(looper, down, input, at) : down
  const holds = isDown && !isWhole && !wasDown && canHold(looper, input)
  return { state: { ...state, loop }, hold: holds ? { input, after: looper.holdMs * 1000 } : null }
}
