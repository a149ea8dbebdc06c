import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { applyEdit, doEdit, withChanges } from './applyEdit'
import { change, invertEdit, type Change, type Edit } from './edit'
import { editSchema } from './editSchema'
import { addRow } from './edits/addRow'
import { editRow } from './edits/editRow'
import { rigProblems } from './integrity'
import { makeBank, makePreset, smallRig } from './testing/makeRig'
import { editBetween, NO_RIG, replay, unplay } from './replay'
import { EDIT_BYTES_MAX, editBytes, RIG_BYTES_MAX, rigBytes } from './rigBytes'
import { TABLE_NAMES, type Rig, type TableName, type Tables } from './rig'
import { formatRigFile } from './file/rigFile'

const rig = smallRig()
const rename = (name: string): Edit => editRow(rig, 'nameBank', 'banks', 'one', { name })!
const naming = (name: string): Edit => editRow(rig, 'changeDevice', 'devices', 'echo', { name })!
const problemsOf = (edit: Edit) => {
  const applied = applyEdit(rig, edit)
  return applied.ok || applied.refusal.code !== 'invalid' ? applied : applied.refusal.problems
}

describe('an edit that names a row twice', () => {
  const twice: Edit = { label: 'nameBank', changes: [...rename('A').changes, ...rename('B').changes] }

  it('is refused, in the core and where edits are read', () => {
    expect(problemsOf(twice)).toEqual([{ path: ['banks', 'one'], code: 'changedTwice' }])
    const read = editSchema.safeParse(twice)
    expect(read.success ? null : read.error.issues[0]?.path).toEqual(['changes', 1])
    expect(editSchema.safeParse(rename('A')).success).toBe(true)
  })

  it('or changes nothing at all is no edit', () => {
    expect(
      editSchema.safeParse({
        label: 'tick',
        changes: [{ table: 'marks', id: 'x', before: null, after: null }],
      }).success,
    ).toBe(false)
  })
})

describe('texts', () => {
  it.each([
    ['a NUL', 'Ver\0se'],
    ['half an emoji', 'Verse \uD83C'],
    ['the other half', '\uDFB8 Verse'],
  ])('%s is refused with a reason, in a column and inside a list', (_, text) => {
    expect(problemsOf(rename(text))).toEqual([{ path: ['banks', 'one', 'name'], code: 'badText' }])
    const relays = [{ id: 'r1', name: 'Boost', does: text, within: '' }]
    expect(problemsOf(editRow(rig, 'changeDevice', 'devices', 'echo', { relays })!)).toEqual([
      { path: ['devices', 'echo', 'relays', 0, 'does'], code: 'badText' },
    ])
  })

  it('are as long as the reader sees: 60 emoji are 60 letters', () => {
    expect(applyEdit(rig, rename('🎸'.repeat(60))).ok).toBe(true)
    expect(problemsOf(rename('🎸'.repeat(61)))).toEqual([
      { path: ['banks', 'one', 'name'], code: 'tooBig', most: 60, counts: 'letters' },
    ])
  })

  it('a name is stored, logged and undone as it was checked: without the spaces round it', () => {
    const done = doEdit(rig, naming('  Space echo '))
    if (!done.ok) throw new Error(JSON.stringify(done.refusal))
    expect(done.value.rig.devices.echo?.name).toBe('Space echo')
    expect(done.value.edit.changes[0]?.after).toEqual(done.value.rig.devices.echo)
    expect(applyEdit(done.value.rig, invertEdit(done.value.edit))).toEqual({ ok: true, value: rig })
    expect(problemsOf(naming('   '))).toMatchObject([{ code: 'tooSmall' }])
  })
})

describe('ids that every object seems to have', () => {
  const NAMES = ['constructor', 'toString', 'hasOwnProperty', '__proto__', 'valueOf']

  it.each(NAMES)('a row that names "%s" names nothing', (id) => {
    expect(problemsOf(addRow('addPreset', 'presets', makePreset('x', id, 0)))).toMatchObject([{}])
    expect(
      problemsOf(addRow('addBank', 'banks', { ...makeBank('x', 5), controllerId: id as never })),
    ).toMatchObject([{}])
    expect(
      applyEdit(rig, { label: 'removeBank', changes: [change('banks', id, rig.banks.one!, null)] }),
    ).toMatchObject({
      refusal: { code: 'stale' },
    })
  })

  it('may be ids of rows like any other, but for the one that would be lost', () => {
    const named = (id: string) => addRow('addBank', 'banks', makeBank(id, 5))
    for (const id of NAMES.filter((name) => name !== '__proto__')) {
      const applied = applyEdit(rig, named(id))
      expect(applied.ok && Object.hasOwn(applied.value.banks, id)).toBe(true)
    }
    expect(problemsOf(named('__proto__'))).toMatchObject([{ code: 'badFormat' }])
  })
})

describe('sizes', () => {
  const heavy = (n: number) =>
    ({ ...makePreset(`p${n}`, 'preamp', n + 10), notes: 'x'.repeat(400), recalls: [] }) as Tables['presets']

  it('a rig file is never longer than the rig is said to be', () => {
    for (const one of [rig, NO_RIG, withChanges(rig, [change('presets', 'p1', null, heavy(1))])])
      expect(Buffer.byteLength(formatRigFile(one))).toBeLessThanOrEqual(rigBytes(one))
  })

  it('are counted on from edit to edit as from nothing', () => {
    const done = applyEdit(rig, addRow('addPreset', 'presets', heavy(1)))
    if (!done.ok) throw new Error('refused')
    expect(rigBytes(done.value)).toBe(rigBytes(structuredClone(done.value)))
  })

  it('a rig may not grow past what its file may be', () => {
    const learned = 'x'.repeat(20_000)
    const pair = (n: number): Tables['pairs'] => ({
      id: `pair${n}` as never,
      deviceId: 'echo' as never,
      order: n,
      name: 'Pair',
      by: '',
      a: [],
      b: [],
      isLocked: false,
      losesAll: '',
      learned,
    })
    const pairs = Array.from(
      { length: Math.floor((RIG_BYTES_MAX - rigBytes(rig)) / (JSON.stringify(pair(1000)).length + 10)) },
      (_, n) => pair(n),
    )
    const full: Rig = { ...rig, pairs: Object.fromEntries(pairs.map((one) => [one.id, one])) }
    expect(rigProblems(full)).toEqual([])
    const more = {
      label: 'addPair',
      changes: [1, 2, 3].map((n) =>
        change('pairs', `more${n}`, null, { ...pair(0), id: `more${n}` as never }),
      ),
    } as const
    expect(applyEdit(full, more)).toMatchObject({
      refusal: { problems: [{ code: 'rigTooLarge', most: RIG_BYTES_MAX }] },
    })
    const all: Edit = {
      label: 'removeDevice',
      changes: pairs.map((one) => change('pairs', one.id, one, { ...one, name: 'Other' })),
    }
    expect(editBytes(all.changes)).toBeGreaterThan(EDIT_BYTES_MAX)
    expect(applyEdit(full, all)).toEqual({ ok: false, refusal: { code: 'tooLarge', most: EDIT_BYTES_MAX } })
  })

  it('an edit is never longer on the wire than it is said to be', () => {
    const edit: Edit = {
      label: 'addPreset',
      changes: [1, 2, 3].map((n) => change('presets', `p${n}`, null, heavy(n))),
    }
    expect(Buffer.byteLength(JSON.stringify(edit))).toBeLessThanOrEqual(editBytes(edit.changes))
  })
})

/** One change of a rig, right or wrong: a row gone, added, moved, or naming another. */
const anyChange = fc.tuple(fc.constantFrom(...TABLE_NAMES), fc.nat(20), fc.nat(40), fc.nat(9))
const IDS = ['preamp', 'echo', 'controller', 'one', 'two', 'grit', 'dotted', 'ghost', 'constructor']

function changeOf(
  to: Rig,
  [table, pick, number, kind]: readonly [TableName, number, number, number],
): Change {
  const rows = Object.values(to[table]) as Tables[TableName][]
  const row = rows[pick % Math.max(1, rows.length)]
  if (!row) return change('banks', 'fresh', null, makeBank('fresh', number))
  if (kind === 0) return change(table, row.id, row as never, null)
  const after: Record<string, unknown> = { ...row }
  const id = IDS[number % IDS.length]
  if (kind === 1) after.id = `new${number}`
  if ('index' in after && kind < 6) after.index = number
  if ('number' in after && kind < 6) after.number = 1 + (number % 12)
  if ('deviceId' in after && kind > 6) after.deviceId = id
  if ('controllerId' in after && kind > 6) after.controllerId = id
  if ('bankId' in after && kind > 6) after.bankId = id
  if ('bankCount' in after)
    Object.assign(after, kind < 5 ? { bankCount: 1 + number } : { rows: 1 + (number % 2) })
  if ('numbering' in after && kind < 5)
    after.numbering = { ...(row as Tables['devices']).numbering, count: 1 + number }
  if ('ports' in after && kind > 6) after.ports = (row as Tables['devices']).ports.slice(0, number % 2)
  if ('from' in after && kind > 4) after.from = { ...(row as Tables['cables']).from, port: 'nowhere' }
  return kind === 1
    ? change(table, after.id as string, null, after as never)
    : change(table, row.id, row as never, after as never)
}

describe('what an edit reaches', () => {
  // Oracle: the whole rig looked at anew.
  it('is refused exactly when the whole rig would not be sound', () => {
    const seen = { sound: 0, broken: 0 }
    fc.assert(
      fc.property(
        fc.array(fc.array(anyChange, { minLength: 1, maxLength: 4 }), { maxLength: 8 }),
        (edits) => {
          let now = rig
          for (const picks of edits) {
            const all = picks.map((pick) => changeOf(now, pick))
            const changes = all.filter(
              ({ table, id }, n) => all.findIndex((one) => one.table === table && one.id === id) === n,
            )
            const applied = applyEdit(now, { label: 'changeDevice', changes })
            // Rows that are wrong by themselves never come to be looked at among others.
            if (!applied.ok && applied.refusal.code === 'stale') continue
            const next = withChanges(now, changes)
            const problems = rigProblems(structuredClone(next))
            if (applied.ok) {
              expect(problems).toEqual([])
              seen.sound++
              now = applied.value
            } else if (
              applied.refusal.code === 'invalid' &&
              applied.refusal.problems.every(({ code }) =>
                ['missingRow', 'taken', 'beyond', 'noAbout'].includes(code),
              )
            ) {
              expect(applied.refusal.problems).toEqual(problems)
              seen.broken++
            }
          }
        },
      ),
      generated(1500, 12),
    )
    expect(seen.sound).toBeGreaterThan(runs(1000))
    expect(seen.broken).toBeGreaterThan(runs(1000))
  })
})

describe('a log', () => {
  it('replayed from nothing is the rig, and unplayed is how it began', () => {
    const made = editBetween('makeRig', NO_RIG, rig)!
    const named = rename('Overture')
    const done = applyEdit(rig, named)
    if (!done.ok) throw new Error('refused')
    expect(replay([made, named])).toEqual(done.value)
    expect(unplay([named], done.value)).toEqual(rig)
    expect(editBetween('mendLog', rig, structuredClone(rig))).toBeNull()
  })
})
