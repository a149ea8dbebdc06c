import { parseMidi, writeMidi, type MidiEvent } from 'midi-file'
import {
  decodeMidiFile,
  encodeMidiFile,
  encodeMessages,
  findings,
  floorAtPowerOn,
  parseMessages,
  step,
  type MidiMessage,
  type SwitchId,
} from '#core'
import { tidewright } from '../server/demo/tidewright'
import { bigRig } from './bigRig'
import { compare, measure } from './measure'

const EVENTS = 4000
const messages = Array.from({ length: EVENTS }, (_, n) =>
  n % 3 === 0
    ? { kind: 'program', channel: (n % 16) + 1, program: n % 128 }
    : { kind: 'control', channel: (n % 16) + 1, controller: n % 120, value: n % 128 },
) as MidiMessage[]
const file = {
  ticksPerQuarter: 480,
  tracks: [messages.map((message, n) => ({ delta: n % 200, kind: 'message' as const, message }))],
}
const bytes = encodeMidiFile(file)
const theirs = parseMidi(bytes)
const end: MidiEvent = { deltaTime: 0, meta: true, type: 'endOfTrack' }
if (theirs.tracks[0]?.length !== EVENTS + 1 || theirs.tracks[0].at(-1)?.type !== end.type)
  throw new Error('The two libraries do not read the same events')

const peer = 'midi-file 1.2.4'
compare(
  'Write a MIDI file',
  'events',
  EVENTS,
  () => encodeMidiFile(file),
  peer,
  () => writeMidi(theirs),
)
compare(
  'Read a MIDI file',
  'events',
  EVENTS,
  () => decodeMidiFile(bytes),
  peer,
  () => parseMidi(bytes),
)

const wire = encodeMessages(messages)
measure('Encode for the wire', 'messages', EVENTS, () => encodeMessages(messages))
measure('Parse from the wire', 'messages', EVENTS, () => parseMessages(wire))

const demo = tidewright()
const big = bigRig()
const [demoFloor, bigFloor] = [floorAtPowerOn(demo), floorAtPowerOn(big)]
let n = 0
const press = (switchId: string) => ({ kind: 'press', switchId: switchId as SwitchId, at: n++ }) as const
measure('Step, demo rig (6 messages)', 'presses', 1, () => step(demo, demoFloor, press('menders-2')))
measure('Step, 10 x 30 switches of 16 messages', 'presses', 1, () =>
  step(big, bigFloor, press(`b${n % 30}-${(n % 10) + 1}`)),
)
measure('All checks, demo rig', 'runs', 1, () => findings(demo))
measure('All checks, 10 x 30 switches of 16 recalls', 'runs', 1, () => findings(big))
