import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, triggerRef } from 'vue'
import type { WireEntry } from '#core/simulate'
import {
  benchPort,
  type Incoming,
  type MidiIn,
  type MidiOut,
  type MidiPorts,
  type MidiState,
} from '~/platform/midi'
import { usePlatform } from '~/platform/platform'
import { Echoes, Outgoing, type Jitter } from './outgoing'

/** Of what came in so many are kept. */
const INCOMING_MAX = 2000
/** Messages are handed to the browser so long before their time, in ms; and looked after so often. */
const AHEAD = 40
const EVERY = 8

/** Real MIDI beside the simulated floor: which port each wire goes out of, and what comes in. */
export const useMidiStore = defineStore('midi', () => {
  const { midi, clock, browserKeep } = usePlatform()

  const state = ref<MidiState>(midi.reach() === 'ready' ? 'unasked' : (midi.reach() as 'none' | 'insecure'))
  const reason = ref('')
  /** Whether the browser sends and hears exclusive messages. */
  const hasExclusive = ref(true)
  const outs = shallowRef<readonly MidiOut[]>([])
  const ins = shallowRef<readonly MidiIn[]>([])
  const bench = benchPort(midi.now, clock.after)
  /** The port of each wire: kept with its name, so that one that went away can be named. */
  const chosen = shallowRef<Readonly<Record<string, { readonly id: string; readonly name: string }>>>(
    read(browserKeep.read(KEY)),
  )
  const incoming = shallowRef<Incoming[]>([])
  const jitter = shallowRef<Jitter>({ count: 0, late: 0, worst: 0 })
  /** Messages that found their port gone, by the port's name, since it was last there. */
  const missed = shallowRef<ReadonlyMap<string, number>>(new Map())

  /** Nothing is sent: a real controller plays the devices itself. */
  const isMuted = ref(false)

  const outgoing = new Outgoing()
  const echoes = new Echoes()
  let pageTime: (floor: number) => number | null = () => null
  let stop: (() => void) | null = null

  bench.ports.onBytes(hear)

  const allOuts = computed(() => [bench.out, ...outs.value])
  /** Ports that were chosen and are not there. */
  const away = computed(() =>
    Object.values(chosen.value).filter(({ id }) => !allOuts.value.some((one) => one.id === id)),
  )
  const isOn = computed(() => Object.keys(chosen.value).length > 0)

  async function open(): Promise<void> {
    if (state.value !== 'unasked' && state.value !== 'refused' && state.value !== 'failed') return
    state.value = 'asking'
    const answer = await midi.open()
    state.value = answer.kind
    if (answer.kind === 'failed') reason.value = answer.reason
    if (answer.kind !== 'open') return
    const { ports } = answer
    hasExclusive.value = answer.hasExclusive
    look(ports)
    ports.onChange(() => look(ports))
    ports.onBytes(hear)
  }

  function look(ports: MidiPorts): void {
    outs.value = ports.outs()
    ins.value = ports.ins()
    // A port that came back under another id is known by its name.
    const here = (id: string) => allOuts.value.some((one) => one.id === id)
    const again = Object.entries(chosen.value).map(([lane, port]) => {
      const back = here(port.id) ? undefined : outs.value.find(({ name }) => name === port.name)
      return [lane, back ? { id: back.id, name: back.name } : port] as const
    })
    if (again.some(([lane, port]) => chosen.value[lane] !== port)) chosen.value = Object.fromEntries(again)
  }

  function choose(lane: string, id: string | null): void {
    const { [lane]: _, ...others } = chosen.value
    const port = allOuts.value.find((one) => one.id === id)
    chosen.value = port ? { ...others, [lane]: { id: port.id, name: port.name } } : others
    browserKeep.write(KEY, JSON.stringify(chosen.value))
    if (port) missed.value = new Map([...missed.value].filter(([name]) => name !== port.name))
  }

  function hear(from: MidiIn, bytes: Uint8Array, at: number): void {
    incoming.value.push({ at, from: from.name, bytes, isEcho: echoes.isEcho(bytes, at) })
    if (incoming.value.length > INCOMING_MAX) incoming.value.splice(0, INCOMING_MAX / 2)
    triggerRef(incoming)
  }

  /** Messages that were put on the simulated wire; `time` says when on the page's clock, in ms, the floor comes to a moment. */
  function take(entries: readonly WireEntry[], time: typeof pageTime): void {
    pageTime = time
    if (!isOn.value || isMuted.value || entries.length === 0) return
    outgoing.put(entries)
    handOver()
  }

  function portOf(lane: string) {
    const port = chosen.value[lane]
    return port ? { id: port.id, out: allOuts.value.find(({ id }) => id === port.id) ?? null } : null
  }

  function handOver(): void {
    stop?.()
    stop = null
    const gone = outgoing.handOver(midi.now(), AHEAD, pageTime, portOf)
    for (const { entry, due, isMissed, port } of gone) {
      if (!isMissed) echoes.sent(entry.bytes, due)
      else {
        const name = Object.values(chosen.value).find(({ id }) => id === port)?.name ?? port
        missed.value = new Map([...missed.value, [name, (missed.value.get(name) ?? 0) + 1]])
      }
    }
    if (gone.length > 0) jitter.value = outgoing.jitter
    if (!outgoing.isIdle) stop = clock.after(EVERY, handOver)
  }

  /** The floor was begun anew, or another rig opened: what is not out yet stays where it is. */
  function forget(): void {
    outgoing.clear()
  }

  onScopeDispose(() => stop?.())

  return {
    state,
    reason,
    hasExclusive,
    outs: allOuts,
    ins,
    chosen,
    away,
    isOn,
    isMuted,
    incoming,
    jitter,
    missed,
    open,
    choose,
    take,
    forget,
    clearMissed: () => (missed.value = new Map()),
    clearIncoming: () => (incoming.value = []),
    now: midi.now,
  }
})

const KEY = 'midi-ports'

function read(text: string | null): Record<string, { id: string; name: string }> {
  if (text === null) return {}
  try {
    const kept: unknown = JSON.parse(text)
    const isPort = (one: unknown): one is { id: string; name: string } =>
      typeof one === 'object' &&
      one !== null &&
      'id' in one &&
      'name' in one &&
      typeof one.id === 'string' &&
      typeof one.name === 'string'
    return typeof kept === 'object' && kept !== null
      ? Object.fromEntries(Object.entries(kept).filter(([, one]) => isPort(one)))
      : {}
  } catch (error) {
    // Someone else's text under our key: nothing was chosen.
    if (error instanceof SyntaxError) return {}
    throw error
  }
}
