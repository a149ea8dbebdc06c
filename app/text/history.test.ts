import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { rowSchemas } from '../../core/rig/rig'
import { rowDifference } from '#core/history'
import { EDIT_LABELS, type Change } from '#core/rig'
import { smallRig } from '../../core/rig/testing/makeRig'
import { seeded } from '../../core/base/seeded'
import { makeHistory } from '../../core/history/testing/makeHistory'
import { fieldText, labelText, rowLines, rowsText, rowText, sentLineText } from './history'

describe('history in words', () => {
  it('has a word for every field of every row', () => {
    for (const [table, schema] of Object.entries(rowSchemas)) {
      const fields = Object.keys(schema.shape)
      expect(fields.length).toBeGreaterThan(2)
      for (const field of fields)
        if (field !== 'id' && fieldText(field) === field)
          // A word that is itself one for a player.
          expect([table, field, PLAIN.includes(field)]).toEqual([table, field, true])
    }
  })

  it('says every kind of edit with a capital', () => {
    for (const label of EDIT_LABELS) expect(labelText(label)).toMatch(/^[A-Z].{3,}/)
  })

  it('says what was, and what is', () => {
    const rig = smallRig()
    const before = rig.devices['echo']!
    const change = (after: object) =>
      rowText(
        rowDifference(rig, {
          table: 'devices',
          id: 'echo',
          before,
          after: { ...before, ...after },
        } as Change)!,
      )
    expect(change({ channel: 9 })).toMatch(/^Device .*: channel from 4 to 9$/)
    expect(change({ receivesPrograms: false })).toMatch(/receives program changes from yes to no$/)
    expect(change({ name: '' })).toMatch(/name from “echo” to nothing$/)
    expect(change({ ports: [] })).toMatch(/: jacks$/)
    const gone = { table: 'devices', id: 'echo', before, after: null } as Change
    expect(rowText(rowDifference(rig, gone)!)).toBe('Removed device: echo')
    expect(
      rowDifference(rig, { table: 'devices', id: 'echo', before, after: { ...before } } as Change),
    ).toBeNull()
  })

  it('shows no id, and counts many of a kind', () => {
    for (const seed of seeds(20)) {
      const { log, rigs } = makeHistory(seeded(seed), 40)
      for (const { edit } of log.slice(1)) {
        const rows = edit.changes.flatMap((one) => rowDifference(rigs.at(-1)!, one) ?? [])
        const text = rows.map(rowText).join(' ')
        expect(text).not.toMatch(/undefined|\[object|null|NaN/)
        expect(rowsText(rows, 0).length).toBeGreaterThan(0)
        expect(rowLines(rows).length).toBeLessThanOrEqual(rows.length)
      }
    }
  })

  it('says messages as players write them', () => {
    expect(sentLineText('C3 0B')).toBe('PC 11 on ch 4')
    expect(sentLineText('wait 50 ms')).toBe('wait 50 ms')
  })
})

const PLAIN = [
  'name',
  'order',
  'number',
  'section',
  'note',
  'kind',
  'channel',
  'numbering',
  'looper',
  'bypass',
  'rest',
  'division',
  'purpose',
  'notes',
  'level',
  'colour',
  'tempo',
  'actions',
  'tonight',
  'key',
  'number',
  'jack',
  'layer',
  'label',
  'group',
  'lamps',
  'place',
  'roles',
  'calibration',
  'from',
  'to',
  'adapters',
  'line',
  'revision',
  'steps',
  'length',
  'moves',
  'calls',
  'misses',
  'found',
  'text',
  'player',
]
