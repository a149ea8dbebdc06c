/** What stands between the player and real gear; `open` when nothing does. */
export type MidiState = 'unasked' | 'asking' | 'open' | 'none' | 'insecure' | 'refused' | 'failed'

/** A message that came in. */
export interface Incoming {
  /** In ms on the page's clock. */
  readonly at: number
  readonly from: string
  readonly bytes: Uint8Array
  /** It is one of our own, come back. */
  readonly isEcho: boolean
}

/** A place MIDI bytes are sent to. Times are in ms on the page's own clock, as the browser's timestamps are. */
export interface MidiOut {
  readonly id: string
  readonly name: string
  /** Bytes of one message, out at `at`; at once when that is past. */
  readonly send: (bytes: Uint8Array, at: number) => void
}

/** A place MIDI bytes come in from. */
export interface MidiIn {
  readonly id: string
  readonly name: string
}

/** What a browser can do about MIDI before it is asked. */
export type MidiReach =
  | 'ready'
  /** The browser has no MIDI at all. */
  | 'none'
  /** The page came over an insecure connection: the browser keeps MIDI from it. */
  | 'insecure'

/** Ports that are there now; the same objects as long as a port stays. */
export interface MidiPorts {
  readonly outs: () => readonly MidiOut[]
  readonly ins: () => readonly MidiIn[]
  /** A port came or went. */
  readonly onChange: (heard: () => void) => void
  /** Whatever comes in, from any port, as it came; `at` as the browser tells it. */
  readonly onBytes: (heard: (from: MidiIn, bytes: Uint8Array, at: number) => void) => void
}

export interface Midi {
  readonly reach: () => MidiReach
  /** Asks the player's leave the first time. */
  readonly open: () => Promise<
    | {
        readonly kind: 'open'
        readonly ports: MidiPorts
        /** Without leave for exclusive messages a browser neither sends them nor hears them. */
        readonly hasExclusive: boolean
      }
    | { readonly kind: 'refused' }
    | { readonly kind: 'failed'; readonly reason: string }
  >
  /** The page's clock in ms. */
  readonly now: () => number
}

export const browserMidi: Midi = {
  // Browsers take the whole interface away from an insecure page: what is missing there is not the browser's.
  reach: () => (!isSecureContext ? 'insecure' : 'requestMIDIAccess' in navigator ? 'ready' : 'none'),
  open: async () => {
    try {
      // Dumps need it; a player who does not want that is asked again without.
      const access = await navigator
        .requestMIDIAccess({ sysex: true })
        .catch(() => navigator.requestMIDIAccess())
      return { kind: 'open', ports: portsOf(access), hasExclusive: access.sysexEnabled }
    } catch (error) {
      if (!(error instanceof DOMException)) throw error
      const isRefused = error.name === 'SecurityError' || error.name === 'NotAllowedError'
      return isRefused ? { kind: 'refused' } : { kind: 'failed', reason: error.message }
    }
  },
  now: () => performance.now(),
}

function portsOf(access: MIDIAccess): MidiPorts {
  const outs = new Map<MIDIOutput, MidiOut>()
  const ins = new Map<MIDIInput, MidiIn>()
  const isThere = ({ state }: MIDIPort) => state === 'connected'
  return {
    outs: () =>
      [...access.outputs.values()].filter(isThere).map((port) => {
        const known = outs.get(port)
        if (known) return known
        const one: MidiOut = {
          id: port.id,
          name: port.name ?? port.id,
          send: (bytes, at) => port.send([...bytes], at),
        }
        outs.set(port, one)
        return one
      }),
    ins: () =>
      [...access.inputs.values()].filter(isThere).map((port) => {
        const known = ins.get(port)
        if (known) return known
        const one: MidiIn = { id: port.id, name: port.name ?? port.id }
        ins.set(port, one)
        return one
      }),
    onChange: (heard) => access.addEventListener('statechange', heard),
    onBytes: (heard) => {
      const listen = () => {
        for (const port of access.inputs.values())
          port.onmidimessage = ({ data, timeStamp }) => {
            if (data) heard(ins.get(port) ?? { id: port.id, name: port.name ?? port.id }, data, timeStamp)
          }
      }
      access.addEventListener('statechange', listen)
      listen()
    },
  }
}

/** What runs on a page at a time, and how to stop it. */
export type After = (ms: number, run: () => void) => () => void

const BENCH = { id: 'bench', name: 'Bench port' }

/**
 * A loop-back that is always there: what is sent to it comes in again, at the time it was sent for. With it everything
 * about real gear can be tried without any.
 */
export function benchPort(
  now: () => number,
  after: After,
): { readonly out: MidiOut; readonly ports: Pick<MidiPorts, 'onBytes'> } {
  const listeners: Parameters<MidiPorts['onBytes']>[0][] = []
  /** Under way, the earliest first: browsers round the time of a timer, and one wire lets nothing pass another. */
  const wire: { readonly bytes: Uint8Array; readonly at: number }[] = []
  return {
    out: {
      ...BENCH,
      send: (bytes, at) => {
        const one = { bytes: Uint8Array.from(bytes), at }
        const behind = wire.findLastIndex((other) => other.at <= at)
        wire.splice(behind + 1, 0, one)
        after(Math.max(0, at - now()), () => {
          const due = wire.splice(0, wire.indexOf(one) + 1)
          for (const { bytes: out, at: then } of due)
            for (const heard of listeners) heard(BENCH, out, Math.max(then, now()))
        })
      },
    },
    ports: { onBytes: (heard) => void listeners.push(heard) },
  }
}

/** For tests: gear that is plugged in and out by hand, on a clock that is moved by hand. */
export function memoryMidi(now: () => number, reach: MidiReach = 'ready') {
  const sent: {
    readonly id: string
    readonly bytes: Uint8Array
    readonly at: number
    readonly handedAt: number
  }[] = []
  let outs: MidiOut[] = []
  let ins: MidiIn[] = []
  let changed: () => void = () => {}
  let heard: Parameters<MidiPorts['onBytes']>[0] = () => {}
  const midi = {
    answer: 'open' as 'open' | 'refused' | 'failed',
    hasExclusive: true,
    sent,
    plug: (id: string, name = id) => {
      const out: MidiOut = {
        id,
        name,
        send: (bytes, at) => {
          // As the browser does with a port that is gone.
          if (!outs.includes(out)) throw new DOMException('The port is gone.', 'InvalidStateError')
          sent.push({ id, bytes: Uint8Array.from(bytes), at, handedAt: now() })
        },
      }
      outs = [...outs, out]
      ins = [...ins, { id, name }]
      changed()
    },
    unplug: (id: string) => {
      outs = outs.filter((one) => one.id !== id)
      ins = ins.filter((one) => one.id !== id)
      changed()
    },
    comeIn: (id: string, bytes: readonly number[], at = now()) =>
      heard({ id, name: id }, Uint8Array.from(bytes), at),
    reach: () => reach,
    now,
    open: async (): ReturnType<Midi['open']> =>
      midi.answer === 'open'
        ? {
            kind: 'open',
            hasExclusive: midi.hasExclusive,
            ports: {
              outs: () => outs,
              ins: () => ins,
              onChange: (hear) => (changed = hear),
              onBytes: (hear) => (heard = hear),
            },
          }
        : midi.answer === 'refused'
          ? { kind: 'refused' }
          : { kind: 'failed', reason: 'no MIDI service' },
  }
  return midi
}
