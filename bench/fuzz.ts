import { encodeMidiFile, encodeMessages, decodeMidiFile, parseMessages, type MidiMessage } from '#core/midi'
import { doEdit, editSchema, formatRigFile, parseRigFile, type Edit } from '#core/rig'
import { readPaste } from '../app/workers/readPaste'
import { tidewright } from '../server/demo/tidewright'

/** A generator of whole numbers below `most`, the same for the same seed (mulberry32, public domain). */
export function seeded(seed: number): (most: number) => number {
  let state = seed >>> 0
  return (most) => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) % most
  }
}

type Random = ReturnType<typeof seeded>

/** What a reader of bytes or text may be given. */
interface Target {
  readonly name: string
  /** Makes one input, from a sound one or out of nothing. */
  readonly make: (random: Random) => unknown
  /** Must not throw, whatever it is given. */
  readonly read: (input: never) => unknown
}

const messages = Array.from({ length: 40 }, (_, n) =>
  n % 2 === 0
    ? { kind: 'program', channel: (n % 16) + 1, program: n }
    : { kind: 'control', channel: (n % 16) + 1, controller: n, value: n },
) as MidiMessage[]
const wire = encodeMessages(messages)
const midiFile = encodeMidiFile({
  ticksPerQuarter: 480,
  tracks: [messages.map((message) => ({ delta: 1, kind: 'message' as const, message }))],
})
const rig = tidewright()
const rigFile = formatRigFile(rig)
const rigJson = JSON.parse(rigFile) as Json
/** A small part of the demo's file: most inputs should be read to the end, and a million of them. */
const smallFile = JSON.stringify({
  ...(rigJson as object),
  tables: Object.fromEntries(
    Object.entries((rigJson as { tables: Record<string, Json[]> }).tables).map(([name, rows]) => [
      name,
      name === 'about' || name === 'controllers' ? rows : rows.slice(0, 2),
    ]),
  ),
})
const smallJson = JSON.parse(smallFile) as Json
const chart =
  'CC,Name,Values,Unit\n21,Mix,0-127,%\n22,Time,20 to 1200,ms\n102,On,"0-63: Off, 64-127: On",\nNRPN 98/44,Depth,0..100,%\n'

/** Bytes changed, cut, doubled and put in, a few at a time. */
function mutateBytes(random: Random, source: Uint8Array): Uint8Array {
  let bytes = [...source]
  for (let times = 1 + random(6); times > 0; times--) {
    const at = random(bytes.length + 1)
    const kind = random(5)
    if (kind === 0) bytes[at] = random(256)
    else if (kind === 1) bytes = bytes.slice(0, at)
    else if (kind === 2) bytes.splice(at, 0, ...Array.from({ length: random(8) }, () => random(256)))
    else if (kind === 3) bytes.splice(at, random(8))
    else bytes.splice(at, 0, ...bytes.slice(at, at + random(30)))
  }
  return new Uint8Array(bytes)
}

const LETTERS = '{}[]":,\\0123456789-+.eE \n\t;|/=%#abcdefFX\0\uD83C\uDFB8\uFFFDŁ—…'

function mutateText(random: Random, source: string): string {
  let text = source
  for (let times = 1 + random(6); times > 0; times--) {
    const at = random(text.length + 1)
    const more = Array.from({ length: random(6) }, () => LETTERS[random(LETTERS.length)]).join('')
    const kind = random(5)
    if (kind === 0) text = text.slice(0, at) + more + text.slice(at)
    else if (kind === 1) text = text.slice(0, at) + more + text.slice(at + more.length)
    else if (kind === 2) text = text.slice(0, at)
    else if (kind === 3) text = text.slice(0, at) + text.slice(at + random(20))
    else text = text.slice(0, at) + text.slice(at, at + random(200)) + text.slice(at)
  }
  return text
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json }

const ODD: readonly Json[] = [
  null,
  true,
  0,
  -1,
  1e308,
  -0.5,
  2 ** 53,
  17,
  128,
  '',
  'constructor',
  '__proto__',
  'toString',
  'a\0b',
  '\uD83C',
  '🎸'.repeat(61),
  'x'.repeat(500),
  [],
  {},
  [[[[[]]]]],
  { kind: 'constructor' },
  { id: '__proto__' },
  ['echo'],
  'echo',
  'controller',
  'menders',
]

/** A value inside changed for an odd one, taken out, doubled, or put under another key. */
function mutateJson(random: Random, value: Json, depth = 0): Json {
  if (typeof value !== 'object' || value === null || random(depth + 3) === 0) {
    if (random(40) === 0) return deepJson(random)
    return typeof value === 'number' && random(2) === 0 ? value + random(300) - 150 : ODD[random(ODD.length)]!
  }
  if (Array.isArray(value)) {
    if (value.length === 0) return [ODD[random(ODD.length)]!]
    const at = random(value.length)
    if (random(8) === 0) return value.toSpliced(at, 1)
    if (random(8) === 0) return [...value, value[at]!]
    return value.with(at, mutateJson(random, value[at]!, depth + 1))
  }
  const keys = Object.keys(value)
  const key = keys[random(keys.length)]
  if (key === undefined) return { [String(ODD[random(ODD.length)])]: 1 }
  const { [key]: inner, ...rest } = value
  if (random(12) === 0) return rest
  if (random(12) === 0) return { ...rest, [`${key}x`]: inner! }
  return { ...rest, [key]: mutateJson(random, inner!, depth + 1) }
}

/** A list in a list, thousands deep. */
function deepJson(random: Random): Json {
  let value: Json = []
  for (let n = random(5000); n > 0; n--) value = [value]
  return value
}

/** Deep values cannot be put into letters step by step; those go in as text. */
function textOf(random: Random, value: Json): string {
  try {
    return JSON.stringify(value)
  } catch (error) {
    if (error instanceof RangeError) return '['.repeat(1 + random(9000))
    throw error
  }
}

const someEdit = (random: Random): Json => {
  const tables = Object.keys(rig) as (keyof typeof rig)[]
  const changes = Array.from({ length: 1 + random(4) }, () => {
    const table = tables[random(tables.length)]!
    const rows = Object.values(rig[table])
    const row = (rows[random(Math.max(1, rows.length))] ?? null) as Json
    const id = row ? (row as { id: string }).id : 'x'
    return {
      table,
      id,
      before: random(3) === 0 ? null : row,
      after: random(3) === 0 ? null : mutateJson(random, row ?? {}),
    } as Json
  })
  return { label: 'changeDevice', changes }
}

/** As the server does: the shape first, and then among the rows of a rig. */
function readEdit(input: unknown): unknown {
  const read = editSchema.safeParse(input)
  return read.success ? doEdit(rig, read.data as unknown as Edit) : read
}

const oneIn = (random: Random, n: number) => random(n) === 0

export const TARGETS: readonly Target[] = [
  {
    name: 'wire',
    make: (random) =>
      oneIn(random, 2)
        ? mutateBytes(random, wire)
        : Uint8Array.from({ length: random(200) }, () => random(256)),
    read: (bytes: Uint8Array) => parseMessages(bytes),
  },
  {
    name: 'MIDI file',
    make: (random) =>
      oneIn(random, 8)
        ? Uint8Array.from({ length: random(200) }, () => random(256))
        : mutateBytes(random, midiFile),
    read: (bytes: Uint8Array) => decodeMidiFile(bytes),
  },
  {
    name: 'rig file',
    make: (random) =>
      oneIn(random, 3)
        ? mutateText(random, oneIn(random, 50) ? rigFile : smallFile)
        : textOf(random, mutateJson(random, smallJson)),
    read: (text: string) => parseRigFile(text),
  },
  {
    name: 'chart',
    make: (random) =>
      mutateText(
        random,
        oneIn(random, 4)
          ? chart.replaceAll(',', ';')
          : oneIn(random, 4)
            ? chart.replaceAll(',', '  ')
            : chart,
      ),
    read: (text: string) => {
      return readPaste(text, null).rows
    },
  },
  {
    name: 'edit',
    make: (random) => (oneIn(random, 4) ? mutateJson(random, someEdit(random)) : someEdit(random)),
    read: readEdit,
  },
]

export interface FuzzResult {
  readonly name: string
  readonly inputs: number
  readonly threw: number
  readonly longest: number
  /** The first input that made the reader throw, and what it threw. */
  readonly first: { readonly input: unknown; readonly error: unknown } | null
}

const SLOW = 200

function timeOf(read: Target['read'], input: unknown): number {
  const began = performance.now()
  try {
    read(input as never)
  } catch {
    // Counted the first time.
  }
  return performance.now() - began
}

/** Gives a reader so many inputs and looks what becomes of it. Times are in ms. */
export function fuzz(
  { name, make, read }: Target,
  inputs: number,
  seed: number,
  onEach?: (n: number) => void,
): FuzzResult {
  const random = seeded(seed)
  let threw = 0
  let longest = 0
  let first: FuzzResult['first'] = null
  for (let n = 0; n < inputs; n++) {
    const input = make(random)
    const began = performance.now()
    try {
      read(input as never)
    } catch (error) {
      threw++
      first ??= { input, error }
    }
    const took = performance.now() - began
    // Read again when it was slow: a pause of the machine is not the reader's.
    longest = Math.max(longest, took > SLOW ? Math.min(took, timeOf(read, input)) : took)
    onEach?.(n)
  }
  return { name, inputs, threw, longest, first }
}
