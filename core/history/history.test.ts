import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { dequal } from 'dequal/lite'
import { seeded } from '../base/seeded'
import { formatRigFile } from '../rig/file/rigFile'
import { encodeMessage } from '../midi/encode'
import { hexOf } from '../midi/hexBytes'
import { applyEdit } from '../rig/applyEdit'
import { editRow } from '../rig/edits/editRow'
import { makeSound, smallRig } from '../rig/testing/makeRig'
import { replay } from '../rig/replay'
import { FLOOR_TABLES, TABLE_NAMES, type Rig } from '../rig/rig'
import { compile, messagesAmong } from '../switching/compile'
import { compareRigs } from './compareRigs'
import type { Logged } from './facts'
import { FACT_TABLES, goBack } from './goBack'
import { makeHistory } from './testing/makeHistory'

/** What edits come to, row by row, said without looking at either rig: the first before, the last after. */
function netOf(log: readonly Logged[]) {
  const net = new Map<string, { before: unknown; after: unknown }>()
  for (const { edit } of log)
    for (const { table, id, before, after } of edit.changes)
      net.set(`${table}/${id}`, {
        before: net.get(`${table}/${id}`)?.before ?? (net.has(`${table}/${id}`) ? null : before),
        after,
      })
  return [...net].filter(([, { before, after }]) => !dequal(before, after))
}

/** Every message of every press, by its place: plainly. */
function pressesOf(rig: Rig): Map<string, string> {
  const all = new Map<string, string>()
  for (const one of Object.values(rig.switches)) {
    const bank = rig.banks[one.bankId]!
    one.positions.forEach((_, position) => {
      const messages = messagesAmong(compile(rig, one, 'press', position))
      const text = messages.map(({ message }) => hexOf(encodeMessage(message))).join('|')
      if (text) all.set(`${bank.index} ${one.number} ${position}`, text)
    })
  }
  return all
}

describe('two revisions', () => {
  it('differ by what the edits between them come to, row by row and message by message', () => {
    for (const seed of seeds(30)) {
      const { log, rigs } = makeHistory(seeded(seed + 31), 60)
      const random = seeded(seed)
      for (let n = 0; n < 6; n++) {
        const [a, b] = [Math.floor(random() * 60), Math.floor(random() * 60)].sort((x, y) => x - y) as [
          number,
          number,
        ]
        const said = compareRigs(rigs[a]!, rigs[b]!)
        const net = netOf(log.slice(a + 1, b + 1))
        expect(said.rows.map(({ table, id }) => `${table}/${id}`).sort()).toEqual(
          net.map(([key]) => key).sort(),
        )
        for (const { table, id, kind, fields } of said.rows) {
          const { before, after } = net.find(([key]) => key === `${table}/${id}`)![1]
          expect(kind).toBe(before === null ? 'made' : after === null ? 'removed' : 'changed')
          if (kind !== 'changed') continue
          const [was, is] = [before, after] as [Record<string, unknown>, Record<string, unknown>]
          const differing = Object.keys({ ...was, ...is }).filter((key) => !dequal(was[key], is[key]))
          expect(fields.map(({ field }) => field).sort()).toEqual(differing.sort())
        }
        // Replayed from the one rig, the edits lead to the other, and its messages are what is said.
        const [left, right] = [
          pressesOf(rigs[a]!),
          pressesOf(
            replay(
              log.slice(a + 1, b + 1).map(({ edit }) => edit),
              rigs[a],
            ),
          ),
        ]
        const other = [...new Set([...left.keys(), ...right.keys()])].filter(
          (key) => left.get(key) !== right.get(key),
        )
        expect(said.sent.map((one) => `${one.bank} ${one.number} ${one.position}`).sort()).toEqual(
          other
            .map((key) => key.replace(/^\d+/, (index) => String(Number(index) + firstBank(rigs[a]!))))
            .sort(),
        )
        for (const one of said.sent) {
          const key = `${Number(one.bank) - firstBank(rigs[a]!)} ${one.number} ${one.position}`
          expect(one.before.join('|')).toBe(left.get(key) ?? '')
          expect(one.after.join('|')).toBe(right.get(key) ?? '')
        }
        // The other way round it is the other way round.
        expect(compareRigs(rigs[b]!, rigs[a]!).sent.map(({ before, after }) => [after, before])).toHaveLength(
          said.sent.length,
        )
      }
    }
  })

  it('that are the same differ in nothing', () => {
    const rig = smallRig()
    expect(compareRigs(rig, structuredClone(rig))).toEqual({ rows: [], sounds: [], sent: [], keys: [] })
  })

  it('a sound says otherwise what it says itself, and what it inherits', () => {
    const before: Rig = {
      ...smallRig(),
      sounds: {
        verse: makeSound('verse', { preamp: { kind: 'off' } }),
        chorus: makeSound('chorus', {}, { parentId: 'verse' as never }),
      },
    }
    const edit = editRow(before, 'setCell', 'sounds', 'verse', {
      cells: [{ deviceId: 'preamp' as never, cell: { kind: 'rest' } }],
    })!
    const after = applyEdit(before, edit)
    const cells = [{ deviceId: 'preamp', before: { kind: 'off' }, after: { kind: 'rest' } }]
    expect(after.ok && compareRigs(before, after.value).sounds).toMatchObject([
      { id: 'verse', kind: 'changed', cells },
      { id: 'chorus', kind: 'changed', cells },
    ])
  })

  it('tells the keys to press: none where nothing of the controller differs, one line for one switch', () => {
    const rig = smallRig()
    const named = applyEdit(rig, editRow(rig, 'changeDevice', 'devices', 'preamp', { name: 'Other' })!)
    expect(named.ok && compareRigs(rig, named.value).keys).toEqual([])
    const one = rig.switches['one-2']!
    const changed = applyEdit(rig, editRow(rig, 'changeSwitch', 'switches', one.id, { positions: [[]] })!)
    expect(changed.ok && compareRigs(rig, changed.value).keys).toMatchObject([{ lines: 1 }])
  })
})

const firstBank = (rig: Rig): number => Object.values(rig.controllers)[0]!.firstBank

describe('going back', () => {
  it('to any of 200 revisions, and forth again, leaves the rig equal to the byte', () => {
    const { rigs } = makeHistory(seeded(2026), 200)
    expect(rigs).toHaveLength(200)
    const files = rigs.map(formatRigFile)
    const random = seeded(11)
    let here = 199
    let rig = rigs[199]!
    for (let n = 0; n < 200; n++) {
      // All of them in an order drawn by lot, each left again for the newest and for another.
      const to = n % 3 === 2 ? 199 : Math.floor(random() * 200)
      const edit = goBack(rig, rigs[to]!, 'everything')
      const done = edit ? applyEdit(rig, edit) : ({ ok: true, value: rig } as const)
      expect([here, to, done.ok]).toEqual([here, to, true])
      if (!done.ok) return
      rig = done.value
      expect(formatRigFile(rig)).toBe(files[to])
      here = to
    }
  })

  it('in the plan alone leaves what happened as it is, and the rig sound', () => {
    for (const seed of seeds(20)) {
      const { rigs } = makeHistory(seeded(seed + 77), 80)
      const random = seeded(seed)
      let rig = rigs.at(-1)!
      for (let n = 0; n < 10; n++) {
        const then = rigs[Math.floor(random() * rigs.length)]!
        const edit = goBack(rig, then, 'plan')
        if (!edit) continue
        const done = applyEdit(rig, edit)
        expect(done.ok).toBe(true)
        if (!done.ok) return
        const plan = TABLE_NAMES.filter((table) => !FACT_TABLES.includes(table))
        for (const table of plan) expect(dequal(done.value[table], then[table])).toBe(true)
        for (const table of FACT_TABLES)
          expect(Object.keys(done.value[table])).toEqual(Object.keys(rig[table]))
        expect(done.value.marks).toEqual(rig.marks)
        rig = done.value
      }
    }
  })

  it('knows of every table whether it is plan or fact', () => {
    expect(FACT_TABLES.every((table) => !FLOOR_TABLES.includes(table))).toBe(true)
    expect([...FLOOR_TABLES, ...FACT_TABLES, 'nevers'].sort()).toEqual([...TABLE_NAMES].sort())
  })
})
