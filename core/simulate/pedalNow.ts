import { FRESH_WATCH, type Watch } from '#core/pedal'

/** A pedal on the floor, since it was first moved. */
export interface PedalNow {
  /** The step it stands at, 0-127. */
  readonly position: number
  /** The role that led it last; null for none. */
  readonly role: number | null
  /** How far each target of that role has been led; null before the first time since the role came. */
  readonly led: readonly (Led | null)[]
  /** What it last sent on numbers of its own, by control: of those the controller knows nothing else. */
  readonly onOwn: { readonly [controlId: string]: number }
  /** When it last sent anything, in µs, and what is due because it may not yet send again: 0 for nothing. */
  readonly sentAt: number
  readonly sending: number
  readonly watch: Watch
  /** What is due when it has rested long enough; 0 for nothing. */
  readonly resting: number
  /** What it works was switched off by it. */
  readonly isOff: boolean
}

/** A value the foot came to; not sent while the foot has yet to come to where the control is. */
export interface Led {
  readonly value: number
  readonly isSent: boolean
}

/** A pedal nobody has moved: at the heel. */
export const PEDAL_AT_FIRST: PedalNow = {
  position: 0,
  role: null,
  led: [],
  onOwn: {},
  sentAt: -Infinity,
  sending: 0,
  watch: FRESH_WATCH,
  resting: 0,
  isOff: false,
}

/** Whether a value has come to where a control is, or gone past it, since the one before. */
export const hasCaught = (before: number | null, value: number, control: number): boolean =>
  Math.abs(value - control) <= 1 || (before !== null && before < control !== value < control)
