import { own } from '#core/base'
import { hearDump, keepDumps, readExclusives, setDumping, standInDevice, standInDumping } from '#core/dump'
import { addNote, testPlan } from '#core/logbook'
import {
  applyEdit,
  editRow,
  type DeviceId,
  type DumpId,
  type Edit,
  type MarkId,
  type NoteAbout,
  type NoteFact,
  type NoteId,
  type Rig,
} from '#core/rig'
import { checklist, saveAgain } from '#core/setup'
import { keyInSteps } from './keyIn'
import { neverSteps } from './nevers'
import { practiceSteps } from './practice'

/** How the demo came about. */
export interface Story {
  readonly begun: Rig
  readonly begunAt: string
  readonly steps: readonly Told[]
  /** What all of it leads to. */
  readonly rig: Rig
}

interface Told {
  readonly at: string
  readonly edit: Edit
  /** What the player calls the rig as it was then; empty where it has no name. */
  readonly name: string
}

interface Step {
  readonly at: string
  readonly make: (rig: Rig, revision: number) => Edit | null
  readonly name?: string
}

const BEGUN_AT = '2026-11-04T19:05:00.000Z'

/** What the plan was at first, and when that was changed into what it is. */
const CHANGED = [
  { at: '2026-11-05T20:10:00.000Z', label: 'setChannel', table: 'devices', id: 'echo', was: { channel: 14 } },
  {
    at: '2026-11-07T18:20:00.000Z',
    label: 'namePreset',
    table: 'presets',
    id: 'reverb-room',
    was: { name: 'Small room' },
  },
  { at: '2026-11-10T19:02:00.000Z', label: 'changeSong', table: 'songs', id: 'storm', was: { tempo: 126 } },
  {
    at: '2026-11-14T17:30:00.000Z',
    label: 'changePreset',
    table: 'presets',
    id: 'reverb-drowned',
    was: { purpose: 'effect' },
  },
  {
    at: '2026-11-18T19:15:00.000Z',
    label: 'nameBank',
    table: 'banks',
    id: 'undertow',
    was: { name: 'Low tide' },
  },
] as const

const note = (
  n: number,
  at: string,
  about: NoteAbout | null,
  text: string,
  fact: NoteFact = { kind: 'note' },
): Step => ({
  at,
  make: (rig, revision) => addNote(rig, { id: `note-${n}` as NoteId, at, about, text, fact, revision }),
})

const device = (id: string): NoteAbout => ({ table: 'devices', id })

const saved = (at: string, id: string): Step => ({
  at,
  make: (rig, revision) => {
    const line = checklist(rig).find(({ key }) => key === `save/${id}`)
    return line ? saveAgain(rig, line, { newId: `saved-${id}` as MarkId, revision, at }) : null
  },
})

/** What the simulated device sends when it is asked for all it has. */
const dump = (n: number, at: string, deviceId: string, name: string): Step => ({
  at,
  make: (rig, revision) => {
    const standIn = standInDevice(rig, deviceId)
    const ask = Uint8Array.from([0xf0, 0x7d, standIn.unit, 0x11, 0x7f, 0xf7])
    const read = readExclusives(hearDump(standIn, ask, 0).answers.map(({ bytes, ms }) => ({ bytes, at: ms })))
    const id = `dump-${n}` as DumpId
    return read.ok
      ? keepDumps(rig, [
          {
            id,
            deviceId: deviceId as DeviceId,
            name,
            messages: read.value.messages,
            from: 'heard',
            revision,
            at,
          },
        ])
      : null
  },
})

const tried = (n: number, at: string, line: number, verdict: 'pass' | 'fail', text = ''): Step => ({
  at,
  make: (rig, revision) => {
    const one = testPlan(rig)[line]
    return one
      ? addNote(rig, {
          id: `test-${n}` as NoteId,
          at,
          about: one.about,
          text,
          fact: { kind: 'test', line: one.key, said: one.said, verdict },
          revision,
        })
      : null
  },
})

const STEPS: readonly Step[] = [
  note(
    1,
    '2026-11-04T21:30:00.000Z',
    null,
    'First rehearsal in the pit. Two metres from the drums; the desk is behind me.',
  ),
  note(
    2,
    '2026-11-05T20:15:00.000Z',
    device('echo'),
    'Shared channel 14 with the lighting desk’s test box: moved to 4.',
  ),
  saved('2026-11-06T18:00:00.000Z', 'preamp'),
  note(
    3,
    '2026-11-07T18:40:00.000Z',
    device('synth'),
    'Presets keep their own maps since: entered again in each.',
    {
      kind: 'firmware',
      version: '1.2',
    },
  ),
  note(
    4,
    '2026-11-09T22:05:00.000Z',
    device('reverb'),
    'Drowned hall was still on in the dialogue after the storm.',
    {
      kind: 'stage',
    },
  ),
  {
    at: '2026-11-12T17:00:00.000Z',
    make: (rig) => setDumping(rig, 'echo' as DeviceId, standInDumping(rig, 'echo')),
  },
  dump(1, '2026-11-12T17:05:00.000Z', 'echo', 'Echo, before the orchestra'),
  dump(2, '2026-11-12T17:12:00.000Z', 'reverb', 'Reverb, all presets'),
  saved('2026-11-12T17:20:00.000Z', 'echo'),
  note(
    5,
    '2026-11-13T21:50:00.000Z',
    null,
    'Orchestra rehearsal. The storm is faster: the conductor takes it at 132.',
  ),
  {
    at: '2026-11-17T18:05:00.000Z',
    make: (rig) => {
      const echo = own(rig.presets, 'echo-wide')
      const recalls = echo?.recalls.map((one) => (one.controlId === 'echo-mix' ? { ...one, value: 70 } : one))
      return recalls ? editRow(rig, 'changePreset', 'presets', 'echo-wide', { recalls } as never) : null
    },
  },
  saved('2026-11-21T18:30:00.000Z', 'preamp'),
  dump(3, '2026-11-22T16:40:00.000Z', 'echo', 'Echo, after the dress rehearsal'),
  dump(4, '2026-11-22T16:48:00.000Z', 'synth', 'Bass synth, all presets'),
  note(
    6,
    '2026-11-23T18:10:00.000Z',
    device('reverb'),
    'It had come up empty after the power went. All presets are there again.',
    {
      kind: 'sent',
      dumpId: 'dump-2' as DumpId,
      dump: 'Reverb, all presets',
      revision: 11,
    },
  ),
  tried(1, '2026-11-24T18:00:00.000Z', 0, 'pass', 'Bank 1, switch 1: Press'),
  tried(2, '2026-11-24T18:01:00.000Z', 1, 'pass', 'Bank 1, switch 1: Press again'),
  tried(
    3,
    '2026-11-24T18:02:00.000Z',
    2,
    'fail',
    'Bank 1, switch 2: Press: The amp did not go over, relay plug half out.',
  ),
  tried(4, '2026-11-24T18:09:00.000Z', 2, 'pass', 'Bank 1, switch 2: Press: Plug pushed home.'),
  tried(5, '2026-11-24T18:10:00.000Z', 3, 'pass', 'Bank 1, switch 2: Press again'),
  note(
    7,
    '2026-11-24T18:30:00.000Z',
    { table: 'controllers', id: 'controller' },
    'Bank 1 stepped through with the band: all as planned.',
    {
      kind: 'verified',
    },
  ),
  note(8, '2026-11-25T22:40:00.000Z', null, 'Opening night. Nothing failed.'),
]

/** Last, before the first night: what counts as the version that is played. */
const LAST: Step = {
  at: '2026-11-21T18:20:00.000Z',
  name: 'Dress rehearsal',
  make: (rig) => neverSteps[1]!(rig),
}

/** The plan as it was begun, and every step to the plan there is. What cannot be done makes the demo wrong. */
export function storyOf(plan: Rig): Story {
  const mixes = own(plan.presets, 'echo-wide')?.recalls ?? []
  const begun = CHANGED.reduce<Rig>(
    (rig, { table, id, was }) => withRow(rig, table, id, was),
    withRow(plan, 'presets', 'echo-wide', {
      recalls: mixes.map((one) => (one.controlId === 'echo-mix' ? { ...one, value: 58 } : one)),
    }),
  )
  const changed = CHANGED.map(({ at, label, table, id, was }): Step => {
    const row = own<object>(plan[table], id) ?? {}
    const is = Object.fromEntries(Object.keys(was).map((field) => [field, Reflect.get(row, field)]))
    return { at, make: (rig) => editRow(rig, label, table, id, is as never) }
  })
  const all: readonly Step[] = [
    ...STEPS,
    ...changed,
    ...practiceSteps,
    ...keyInSteps,
    { at: '2026-11-15T16:00:00.000Z', make: (rig) => neverSteps[0]!(rig) },
    LAST,
  ]
  let rig = begun
  const steps = all
    .toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
    .map(({ at, make, name = '' }, n): Told => {
      const edit = make(rig, n + 1)
      const done = edit && applyEdit(rig, edit)
      if (!done?.ok) throw new RangeError(`The demo rig cannot be made: ${at} ${JSON.stringify(done)}`)
      rig = done.value
      return { at, edit: edit!, name }
    })
  return { begun, begunAt: BEGUN_AT, steps, rig }
}

const withRow = (
  rig: Rig,
  table: 'devices' | 'presets' | 'songs' | 'banks',
  id: string,
  was: object,
): Rig => ({
  ...rig,
  [table]: { ...rig[table], [id]: { ...own<object>(rig[table], id), ...was } },
})
