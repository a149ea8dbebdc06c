import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { own, type Result } from '#core/base'
import {
  hearDump,
  IDENTITY_REQUEST,
  inNewGo,
  readExclusives,
  sendingBack,
  standInDevice,
  standInDumping,
  type DumpFault,
  type Piece,
  type Recording,
  type StandInDevice,
} from '#core/dump'
import { hexOf, readBytes } from '#core/midi'
import { UNKNOWN_DUMPING, type DumpMessage, type Dumping } from '#core/rig'
import { useIncoming } from '~/stores/useIncoming'
import { usePlatform } from '~/platform/platform'
import { useMidiStore } from './midi'
import { useRigStore } from './rig'

/** The port of the simulated device that stands in where there is none. */
export const STAND_IN = 'standIn'

/** After so long without a message what was asked for is over, in ms. */
const SILENCE = 1200

/** A message is handed over so long before its time, and answers are waited for so long after the last, in ms. */
const [AHEAD, ANSWERS] = [10, 200]

/** A dump on its way back. */
interface Sending {
  readonly of: number
  readonly sent: number
}

/** Taking dumps from a device and sending them back: from real gear, or from a simulated one. */
export const useDumpStore = defineStore('dumps', () => {
  const { clock, midi: wires } = usePlatform()
  const midi = useMidiStore()
  const rigs = useRigStore()

  const deviceId = ref('')
  const port = ref<string>(STAND_IN)
  const isRecording = ref(false)
  /** What comes is to be kept, and is no answer to what was sent. */
  const isTaking = ref(false)
  const pieces = shallowRef<readonly Piece[]>([])
  /** Who answered the question who is there: its reply as hex. */
  const answers = shallowRef<readonly string[]>([])
  const sending = shallowRef<Sending | null>(null)
  /** Why a message did not go out; empty when it did. */
  const trouble = ref('')
  /** Which message the simulated device is to lose; 0 for none. */
  const loses = ref(0)
  const standIns = shallowRef<{ readonly [deviceId: string]: StandInDevice }>({})

  const device = computed(() => own(rigs.rig?.devices ?? {}, deviceId.value) ?? null)
  const isStandIn = computed(() => port.value === STAND_IN)
  /** What is known of its dumps; of the simulated device what it does. */
  const dumping = computed((): Dumping => {
    if (device.value?.dumping) return device.value.dumping
    return isStandIn.value && rigs.rig && device.value
      ? standInDumping(rigs.rig, device.value.id)
      : UNKNOWN_DUMPING
  })
  const recorded = computed((): Result<Recording, readonly DumpFault[]> | null =>
    // Read once it is over: with every message all of it would be read again.
    pieces.value.length === 0 || isRecording.value ? null : readExclusives(pieces.value),
  )

  /** The dump that comes was asked for: it ends by itself. */
  let isAsked = false
  const isInside = (): boolean => {
    const last = pieces.value.at(-1)?.bytes
    return last !== undefined && last.lastIndexOf(0xf0) > last.lastIndexOf(0xf7)
  }

  function came(bytes: Uint8Array, at: number): void {
    const status = bytes[0] ?? 0
    if (status === 0xf0 && bytes[1] === 0x7e && bytes[3] === 0x06 && bytes[4] === 0x02) {
      answers.value = [...answers.value.filter((one) => one !== hexOf(bytes)), hexOf(bytes)]
      // It is no part of a dump.
      return
    }
    if (!isRecording.value) return
    // Notes, controls and clock that come meanwhile are no part of one either.
    if (status >= 0x80 && status !== 0xf0 && status !== 0xf7 && !isInside()) return
    pieces.value = [...pieces.value, { bytes, at }]
    if (isAsked) waitForMore()
  }

  useIncoming(
    () => !isStandIn.value,
    ({ bytes, at }) => came(bytes, at),
  )

  let stopWaiting: (() => void) | null = null
  const stops = new Set<() => void>()
  function later(ms: number, run: () => void): void {
    const stop = clock.after(ms, () => {
      stops.delete(stop)
      run()
    })
    stops.add(stop)
  }

  /** Puts one message out so that its first byte goes at `start`, in ms on the page's clock, and its last at `end`. */
  function put(bytes: Uint8Array, start: number, end: number): void {
    if (isStandIn.value) later(end - wires.now(), () => toStandIn(bytes, end))
    else {
      const out = midi.outs.find(({ id }) => id === port.value)
      if (!out) trouble.value = 'The port is gone. Plug it in again, or choose another.'
      else
        try {
          out.send(bytes, start)
        } catch (error) {
          if (!(error instanceof DOMException)) throw error
          trouble.value =
            error.name === 'InvalidAccessError'
              ? 'The browser has no leave to send SysEx. Allow it in the address bar, and load the page again.'
              : 'The port is gone. Plug it in again, or choose another.'
        }
    }
  }

  function toStandIn(bytes: Uint8Array, at: number): void {
    const { rig } = rigs
    const id = device.value?.id
    if (!rig || !id) return
    const heard = hearDump(own(standIns.value, id) ?? standInDevice(rig, id), bytes, at)
    standIns.value = { ...standIns.value, [id]: heard.device }
    for (const answer of heard.answers)
      later(at + answer.ms - wires.now(), () => came(answer.bytes, at + answer.ms))
  }

  /** What was asked for has come when nothing more does. */
  function waitForMore(): void {
    stopWaiting?.()
    stopWaiting = clock.after(SILENCE, () => (isRecording.value = false))
  }

  /** Begins a go of its own on the simulated device, which may lose a message of it. */
  function beginGo(): void {
    const { rig } = rigs
    const id = device.value?.id
    if (!isStandIn.value || !rig || !id) return
    const one = own(standIns.value, id) ?? standInDevice(rig, id)
    standIns.value = { ...standIns.value, [id]: inNewGo(one, loses.value || null) }
  }

  async function ready(): Promise<void> {
    trouble.value = ''
    if (!isStandIn.value) await midi.open()
    if (!isStandIn.value && !midi.hasExclusive)
      trouble.value =
        'The browser has no leave to send or hear SysEx. Allow it in the address bar, and load the page again.'
  }

  async function record(): Promise<void> {
    isAsked = false
    isTaking.value = true
    stopWaiting?.()
    pieces.value = []
    isRecording.value = true
    await ready()
  }

  /** Asks the device for all it has, and records what comes. */
  async function askForDump(): Promise<void> {
    const read = readBytes(dumping.value.ask)
    if (!read.ok) return
    await record()
    isAsked = true
    beginGo()
    const from = wires.now() + 5
    put(read.value.bytes, from, from + read.value.bytes.length * 0.32)
  }

  async function askWhoIsThere(): Promise<void> {
    answers.value = []
    await ready()
    const from = wires.now() + 5
    const bytes = Uint8Array.from(IDENTITY_REQUEST)
    put(bytes, from, from + bytes.length * 0.32)
  }

  /** Sends messages back with their spacing; `done` when the last is out. What the device answers is recorded. */
  async function sendBack(messages: readonly DumpMessage[], done: () => void): Promise<void> {
    if (sending.value) return
    await record()
    isTaking.value = false
    beginGo()
    const from = wires.now() + 20
    const all = sendingBack(messages, dumping.value.pauseMs)
    sending.value = { of: all.length, sent: 0 }
    // A page that is not looked at is called late: all that follows is then as much later, and never nearer together.
    let late = 0
    const goOn = (n: number): void => {
      const one = all[n]
      if (!sending.value || !one || trouble.value !== '') return end(done)
      late += Math.max(0, wires.now() - (from + one.start + late))
      put(one.bytes, from + one.start + late, from + one.end + late)
      sending.value = { of: all.length, sent: n + 1 }
      const next = all[n + 1]
      // Each is handed over shortly before its time: what is given up is not sent.
      if (next) later(from + next.start + late - AHEAD - wires.now(), () => goOn(n + 1))
      else later(from + one.end + late + ANSWERS - wires.now(), () => end(done))
    }
    later(from - AHEAD - wires.now(), () => goOn(0))
  }

  function end(done: () => void): void {
    if (!sending.value) return
    sending.value = null
    isRecording.value = false
    if (trouble.value === '') done()
  }

  function giveUp(): void {
    stopWaiting?.()
    for (const stop of stops) stop()
    stops.clear()
    sending.value = null
    isRecording.value = false
  }

  function forget(): void {
    pieces.value = []
    isRecording.value = false
  }

  watch(
    () => rigs.rigId,
    () => {
      giveUp()
      forget()
      answers.value = []
      standIns.value = {}
      deviceId.value = ''
    },
  )
  watch([deviceId, port], () => {
    giveUp()
    answers.value = []
  })
  onScopeDispose(giveUp)

  return {
    deviceId,
    port,
    device,
    dumping,
    isStandIn,
    isRecording,
    isTaking,
    pieces,
    recorded,
    answers,
    sending,
    trouble,
    loses,
    record,
    askForDump,
    askWhoIsThere,
    sendBack,
    stop: () => (isRecording.value = false),
    giveUp,
    forget,
    /** What came from a file instead. */
    take: (read: readonly Piece[]) => {
      isRecording.value = false
      pieces.value = read
    },
  }
})
