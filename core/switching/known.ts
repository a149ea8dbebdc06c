import type { BankId, ShowPlace, SongId, SoundId, Layer, SwitchId } from '#core/rig'

/** All that a controller knows: what it was told, where it is, what it sent. Of the devices it knows nothing. */
export interface Known {
  /** The bank it is in; null when it has none. */
  readonly bankId: BankId | null
  readonly layer: Layer
  /** The switch whose foot holds the shift layer; null while nothing does. */
  readonly heldBy: SwitchId | null
  /** Banks it was in before, the last one last. */
  readonly back: readonly BankId[]
  /** The position the next press of a switch will do, where it is not 0. */
  readonly next: { readonly [switchId: string]: number }
  /** The position a switch did last; none for one not pressed, or put off by its group. */
  readonly done: { readonly [switchId: string]: number }
  /** What it last sent: presets by device, counted from 0; values by control; contacts by device and contact. */
  readonly presets: { readonly [deviceId: string]: number }
  readonly values: { readonly [controlId: string]: number }
  readonly contacts: { readonly [key: string]: boolean }
  readonly sound: SoundId | null
  /** The song it came to last: of a bank, or in its list of the show. */
  readonly songId: SongId | null
  /** Where its list of the show stands; null before the first part. */
  readonly showAt: ShowPlace | null
  /** Beats a minute, and who said so; null while it was told none. `tempoNow` says which one holds. */
  readonly tempo: number | null
  readonly tempoFrom: TempoFrom | null
  /** The tempo that was stored for song, sound or switch and taken up last: what a foot overrides. */
  readonly stored: { readonly bpm: number; readonly from: TempoFrom } | null
  /** The beats a minute of a clock that comes in; null while none does. */
  readonly clockIn: number | null
  /** When it was tapped, in µs; taps too old to count are gone. */
  readonly taps: readonly number[]
  readonly clock: boolean
  readonly tuner: boolean
  /** What runs by itself, by name: sweeps, pulses, notes that end. */
  readonly running: { readonly [name: string]: number }
}

/** Who says how fast it is: what was stored, or the foot. */
export type TempoFrom =
  | { readonly kind: 'song'; readonly songId: SongId }
  | { readonly kind: 'sound'; readonly soundId: SoundId }
  /** An action that sets it, on a switch or a bank. */
  | { readonly kind: 'set' }
  | { readonly kind: 'tap' }
  | { readonly kind: 'nudge' }

/** What changes in what it knows; maps are put over what is there. */
export type Learned = Partial<Omit<Known, 'next' | 'done' | 'running'>>

/** What a controller knows before anything was done. */
export const NOTHING_KNOWN: Known = {
  bankId: null,
  layer: 'base',
  heldBy: null,
  back: [],
  next: {},
  done: {},
  presets: {},
  values: {},
  contacts: {},
  sound: null,
  songId: null,
  showAt: null,
  tempo: null,
  tempoFrom: null,
  stored: null,
  clockIn: null,
  taps: [],
  clock: false,
  tuner: false,
  running: {},
}

/** What it knows afterwards. */
export function learn(known: Known, learned: Learned): Known {
  const { presets, values, contacts } = learned
  const after = { ...known, ...learned }
  // What was there before is only put under what leaves some of it out.
  after.presets = presets ? over(known.presets, presets) : known.presets
  after.values = values ? over(known.values, values) : known.values
  after.contacts = contacts ? over(known.contacts, contacts) : known.contacts
  return after
}

type Values<Value> = { readonly [id: string]: Value }

function over<Value>(before: Values<Value>, after: Values<Value>): Values<Value> {
  for (const id in before) if (!Object.hasOwn(after, id)) return { ...before, ...after }
  return after
}

/** Names a contact of a device among all. */
export const contactKey = (deviceId: string, contactId: string): string => `${deviceId}/${contactId}`

/** The tempo a controller goes by before it is told one (MIDI files take the same; RP-001, from memory). */
export const FIRST_TEMPO = 120
