import { parseMidi, writeMidi, type MidiEvent } from 'midi-file'
import { linesOf, routeLines, spots, tidy } from '#core/map'
import { fillPresets, search } from '#core/chart'
import { findings } from '#core/check'
import { decodeMidiFile, encodeMidiFile, encodeMessages, parseMessages, type MidiMessage } from '#core/midi'
import { applyEdit, editRow, removeRow, type Rig, type SwitchId } from '#core/rig'
import { checklist } from '#core/setup'
import { floorAtPowerOn, step } from '#core/simulate'
import { tidewright } from '../server/demo/tidewright'
import { bigBoard } from './bigBoard'
import { bigRig } from './bigRig'
import { readPaste } from '../app/workers/readPaste'
import { chartedRig } from './chartedRig'
import { fullRig } from './fullRig'
import { measureHour } from './hour'
import { measurePedals } from './pedals'
import { measureKeying } from './keyin'
import { measureLayout } from './layout'
import { measureSounds } from './sounds'
import { measureServer } from './server'
import { compare, measure, measureTime } from './measure'

/** What the page's worker does with pasted text. */
function readPasted(text: string): void {
  readPaste(text, null)
}

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
let n = 0
/** A foot down and off again every 200 ms on one switch after the other, and all that comes of it. */
function walker(rig: Rig, idOf: (n: number) => string) {
  let state = floorAtPowerOn(rig)
  return () => {
    const switchId = idOf(n++) as SwitchId
    const at = state.at + 120_000
    state = step(rig, state, { kind: 'press', switchId, at }).state
    state = step(rig, state, { kind: 'release', switchId, at: at + 80_000 }).state
  }
}
measure(
  'Step down and off, demo rig (6 messages)',
  'presses',
  1,
  walker(demo, () => 'menders-2'),
)
measure(
  'Step down and off, 10 x 30 switches of 16 messages (of 100,000 asked)',
  'presses',
  1,
  walker(big, (one) => `b${one % 30}-${(one % 10) + 1}`),
)
/** A rig nobody has asked anything about yet: what is worked out once for the state of its tables is worked out again. */
const fresh = (rig: Rig): Rig =>
  Object.fromEntries(Object.entries(rig).map(([name, rows]) => [name, { ...rows }])) as unknown as Rig
const full = fullRig()
const size = `${Object.keys(full.devices).length} devices and ${Object.keys(full.cables).length} cables`
measureTime('All checks, demo rig', () => findings(fresh(demo)))
measureTime('All checks, 10 x 30 switches of 16 recalls', () => findings(fresh(big)))
measureTime(`All checks, ${size}`, () => findings(fresh(full)), 5)
measureTime(`Checklist, ${size}`, () => checklist(fresh(full)))
measureTime(`All cables led round the boxes, ${size}`, () =>
  routeLines(
    spots(fresh(full)),
    linesOf(full, () => true),
  ),
)
const [box] = Object.keys(full.devices)
const own = linesOf(full, () => true).filter(({ from, to }) => from === box || to === box)
const rest = routeLines(
  spots(full),
  linesOf(full, () => true),
).filter(({ cableId }) => !own.some((line) => line.cableId === cableId))
measureTime('The cables of a box being dragged', () => routeLines(spots(full), own, rest), 16)
measureTime(`A place for every box, ${size}`, () => tidy(fresh(full)))

const lined = chartedRig(16, 200)
measureTime('All checks, 16 devices of 200 chart lines', () => findings(fresh(lined)), 20)
measureTime('Search over 16 devices of 200 chart lines', () => search(lined, 'device 9 control 73 35 %'))

const pasted = Array.from({ length: 10_000 }, (_, n) => `${n % 120},Control ${n},0-127`).join('\n')
measureTime('Read a pasted chart of 10,000 lines', () => readPasted(`CC,Name,Range\n${pasted}`), 1000)

const board = bigBoard()
measure(
  'Step down and off, 100 banks x 10 switches of 16 messages',
  'presses',
  1,
  walker(board, (one) => `b${one % 100}-${(one % 10) + 1}`),
)
measureTime('All checks from nothing, 100 banks x 10 switches of 16 messages', () => findings(fresh(board)))
const renamed = (rig: Rig, bank: string) => {
  const edit = editRow(rig, 'nameBank', 'banks', bank, { name: `Number ${n++}` })!
  const applied = applyEdit(rig, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
  return applied.value
}
for (const [name, rig] of [
  ['demo', demo],
  ['100 banks x 10 switches', board],
] as const) {
  const [bank] = Object.keys(rig.banks)
  findings(rig)
  measureTime(`A rename applied, all checks after it, ${name}`, () => findings(renamed(rig, bank!)), 16)
}
const device = Object.values(board.devices)[0]!
const roomy = {
  ...board,
  devices: {
    ...board.devices,
    [device.id]: { ...device, numbering: { ...device.numbering, count: 16_384, bankSelect: 'both' } },
  },
} as Rig
const fill = () =>
  fillPresets(roomy, roomy.devices[device.id]!, 100, 9599, 'Sound #', () => `fill${n++}` as never)!
const filled = applyEdit(roomy, fill())
if (!filled.ok) throw new Error(JSON.stringify(filled.refusal))
measureTime('Fill 9,500 presets: the edit made', fill)
const filling = fill()
measureTime('Fill 9,500 presets: the edit applied', () => applyEdit(roomy, filling))
const taking = removeRow(filled.value, 'removeDevice', 'devices', device.id)!
measureTime('Remove that device with them from 800 switches', () => applyEdit(filled.value, taking))

measureSounds()
measurePedals()
measureLayout(process.argv[2]!)
measureKeying()
console.log('An hour of dense playing with the clock running, a press every 250 ms:')
measureHour()
await measureServer(process.argv[2]!)
