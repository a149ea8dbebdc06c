import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { applyEdit } from '../rig/applyEdit'
import { editRow } from '../rig/edits/editRow'
import { removeRow } from '../rig/edits/removeRow'
import { makeController, makeRig, makeSwitch, recall, smallRig } from '../rig/testing/makeRig'
import type { Edit } from '../rig/edit'
import { isProgrammed } from '../rig/table/switch'
import type { Rig } from '../rig/rig'
import type { NoteId } from '../rig/table/note'
import { factsOf, type LogFact } from '../history/facts'
import { makeHistory } from '../history/testing/makeHistory'
import { seeded } from '../base/seeded'
import { addNote, changeNote, removeNote } from './noteEdits'
import { firmwareOf } from './firmware'
import { logbookLines } from './logbook'
import { testPlan, type TestLine } from './testPlan'
import { testCount, testResult } from './testResults'

const AT = '2026-11-27T10:00:00.000Z'
const done = (rig: Rig, edit: Edit | null): Rig => {
  const applied = edit && applyEdit(rig, edit)
  if (!applied?.ok) throw new Error('refused')
  return applied.value
}
const tried = (rig: Rig, line: TestLine, verdict: 'pass' | 'fail', id: string, at = AT): Rig =>
  done(
    rig,
    addNote(rig, {
      id: id as NoteId,
      at,
      about: line.about,
      text: '',
      fact: { kind: 'test', line: line.key, said: line.said, verdict },
      revision: 1,
    }),
  )

describe('the test plan', () => {
  // Common practice: try every switch, and the whole travel of every pedal, watching.
  it('asks for every switch that does something, twice at least, and for every device', () => {
    for (const seed of seeds(20)) {
      const { rigs } = makeHistory(seeded(seed + 400), 40)
      const rig = rigs.at(-1)!
      const plan = testPlan(rig)
      for (const one of Object.values(rig.switches)) {
        const its = plan.filter(({ about }) => about.table === 'switches' && about.id === one.id)
        expect(its.length).toBe(isProgrammed(one) ? Math.max(2, one.positions.length) : 0)
      }
      const devices = plan.flatMap((line) => (line.kind === 'device' ? [line.deviceId] : []))
      expect(devices.sort()).toEqual(
        Object.values(rig.devices)
          .filter(({ kind }) => kind === 'receiver')
          .map(({ id }) => id)
          .sort(),
      )
      expect(new Set(plan.map(({ key }) => key)).size).toBe(plan.length)
    }
  })

  it('asks for a hold and a double press where the switch has them and the controller knows them', () => {
    const hows = (events: readonly string[]) => {
      const rig = makeRig({
        ...rowsOf(smallRig()),
        controllers: [makeController({ events: events as never })],
        switches: [
          makeSwitch('one', 1, [recall('round')], { longPress: recall('grit'), doublePress: recall('grit') }),
        ],
      })
      return testPlan(rig).flatMap((line) => (line.kind === 'switch' ? [line.how] : []))
    }
    expect(hows(['press', 'longPress', 'doublePress'])).toEqual(['press', 'again', 'hold', 'double'])
    expect(hows(['press'])).toEqual(['press', 'again'])
  })

  it('says which devices should be seen to move', () => {
    const line = testPlan(smallRig()).find((one) => one.kind === 'switch' && one.number === 2)
    expect(line).toMatchObject({ how: 'press', deviceIds: ['preamp', 'echo'] })
  })

  it('keeps a result as long as the switch sends the same, and only then', () => {
    const rig = smallRig()
    const [line] = testPlan(rig)
    const passed = tried(rig, line!, 'pass', 'a')
    expect(testResult(passed, line!)).toMatchObject({ verdict: 'pass', isOld: false })
    // A name of the switch is no matter; what it recalls is, and so is the channel it is sent on.
    const labelled = done(passed, editRow(passed, 'labelSwitch', 'switches', 'one-1', { label: 'Other' }))
    expect(testResult(labelled, testPlan(labelled)[0]!)).toMatchObject({ isOld: false })
    const moved = done(passed, editRow(passed, 'setChannel', 'devices', 'preamp', { channel: 9 as never }))
    expect(testResult(moved, testPlan(moved)[0]!)).toMatchObject({ isOld: true })
    expect(testCount(moved, testPlan(moved))).toMatchObject({ pass: 0, old: 1 })
  })

  it('goes by the last result, and keeps the ones before in the logbook', () => {
    const rig = smallRig()
    const [line] = testPlan(rig)
    const failed = tried(tried(rig, line!, 'pass', 'b', AT), line!, 'fail', 'a', '2026-11-27T11:00:00.000Z')
    expect(testResult(failed, line!)).toMatchObject({ verdict: 'fail' })
    expect(logbookLines(failed, [], (at) => at.slice(0, 10))).toHaveLength(2)
    const plan = testPlan(failed)
    expect(testCount(failed, plan)).toEqual({ pass: 0, fail: 1, old: 0, open: plan.length - 1 })
  })
})

describe('the logbook', () => {
  it('keeps a line when what it is about goes, with what that was called', () => {
    const rig = smallRig()
    const about = { table: 'devices', id: 'echo' } as const
    const written = done(
      rig,
      addNote(rig, {
        id: 'n' as NoteId,
        at: AT,
        about,
        text: 'Loud hum',
        fact: { kind: 'stage' },
        revision: 1,
      }),
    )
    expect(written.notes['n']).toMatchObject({ about, name: rig.devices['echo']!.name })
    const gone = done(written, removeRow(written, 'removeDevice', 'devices', 'echo'))
    expect(gone.notes['n']).toMatchObject({ about: null, name: rig.devices['echo']!.name, text: 'Loud hum' })
    const mended = done(gone, changeNote(gone, 'n' as NoteId, { text: 'Hum, from the supply' }))
    expect(mended.notes['n']).toMatchObject({ text: 'Hum, from the supply', name: rig.devices['echo']!.name })
    expect(done(mended, removeNote(mended, 'n' as NoteId)).notes).toEqual({})
  })

  it('knows the software of a box by the last line about it, whatever order they were written in', () => {
    let rig = smallRig()
    const write = (id: string, at: string, version: string, box = 'echo') =>
      (rig = done(
        rig,
        addNote(rig, {
          id: id as NoteId,
          at,
          about: { table: 'devices', id: box },
          text: '',
          fact: { kind: 'firmware', version },
          revision: 1,
        }),
      ))
    expect(firmwareOf(rig, 'echo')).toBeNull()
    write('b', '2026-11-20T00:00:00.000Z', '2.0')
    write('a', '2026-11-10T00:00:00.000Z', '1.2')
    write('c', '2026-11-25T00:00:00.000Z', '9', 'preamp')
    expect(firmwareOf(rig, 'echo')).toBe('2.0')
  })

  it('is in the order of time whatever order lines were made in, and tells a day of ticks once', () => {
    const fact = (revision: number, at: string, how: 'tick' | 'heard'): LogFact => ({
      revision,
      at,
      isBeginning: false,
      kind: 'keyedIn',
      how,
      controllerId: 'controller',
      places: 2,
      unknown: 0,
      back: 0,
    })
    const facts = [
      fact(2, '2026-11-20T10:00:00.000Z', 'tick'),
      fact(3, '2026-11-20T10:05:00.000Z', 'tick'),
      fact(4, '2026-11-20T10:06:00.000Z', 'heard'),
      fact(5, '2026-11-21T10:00:00.000Z', 'tick'),
    ]
    let rig = smallRig()
    for (const [id, at] of [
      ['late', '2026-11-22T00:00:00.000Z'],
      ['early', '2026-11-19T00:00:00.000Z'],
    ] as const)
      rig = done(
        rig,
        addNote(rig, { id: id as NoteId, at, about: null, text: id, fact: { kind: 'note' }, revision: 1 }),
      )
    const lines = logbookLines(rig, facts, (at) => at.slice(0, 10))
    expect(lines.map(({ at }) => at)).toEqual(
      lines
        .map(({ at }) => at)
        .sort()
        .reverse(),
    )
    expect(
      lines.map((line) =>
        line.kind === 'note' ? line.note.text : [line.fact.kind, line.places, line.revisions],
      ),
    ).toEqual(['late', ['keyedIn', 2, [5, 5]], ['keyedIn', 2, [4, 4]], ['keyedIn', 4, [2, 3]], 'early'])
  })

  it('loses no fact of a log, however it is told together', () => {
    for (const seed of seeds(20)) {
      const { log, rigs } = makeHistory(seeded(seed + 900), 60)
      const facts = log.flatMap(factsOf)
      const lines = logbookLines(rigs.at(-1)!, facts, (at) => at.slice(0, 10))
      const told = lines.reduce((sum, line) => sum + (line.kind === 'fact' ? line.count : 0), 0)
      const left = facts.filter(
        ({ kind, isBeginning }) => kind === 'unset' || kind === 'unsaved' || (isBeginning && kind !== 'made'),
      )
      expect(told + left.length).toBe(facts.length)
      expect(lines.filter(({ kind }) => kind === 'note')).toHaveLength(Object.keys(rigs.at(-1)!.notes).length)
    }
  })
})

const rowsOf = (rig: Rig) => ({
  devices: Object.values(rig.devices),
  presets: Object.values(rig.presets),
  banks: Object.values(rig.banks),
})
