import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { applyEdit } from '../rig/applyEdit'
import { removeRow } from '../rig/edits/removeRow'
import { actionSchema } from '../rig/table/action'
import type { Rig, TableName } from '../rig/rig'
import { doingFirst } from '../switching/compile'
import { readingSends, readPhrase } from '../switching/phrase/readPhrase'
import { floorAtPowerOn } from './floor'
import { anyFeet, rigsWithTime } from './testing/makeFloors'
import { floorRig } from './testing/makeFloor'
import { reconcile } from './reconcile'
import { advance, step } from './step'

const TABLES: readonly TableName[] = [
  'devices',
  'controls',
  'presets',
  'macros',
  'banks',
  'switches',
  'cables',
]

function without(rig: Rig, table: TableName, n: number): Rig {
  const ids = Object.keys(rig[table])
  const edit = ids.length === 0 ? null : removeRow(rig, 'removeDevice', table, ids[n % ids.length]!)
  const applied = edit && applyEdit(rig, edit)
  return applied?.ok ? applied.value : rig
}

describe('a rig edited while feet are down and things are due', () => {
  it('goes on: nothing is thrown, and nothing is remembered of what is gone', () => {
    fc.assert(
      fc.property(
        rigsWithTime,
        anyFeet,
        fc.array(fc.tuple(fc.constantFrom(...TABLES), fc.nat({ max: 20 })), { maxLength: 4 }),
        (first, feet, cuts) => {
          let rig = first
          let state = floorAtPowerOn(rig)
          let at = 0
          for (const [n, { after, number }] of feet.entries()) {
            at += after * 1000
            const ids = Object.keys(rig.switches)
            const switchId = ids[number % Math.max(1, ids.length)] as never
            const kind = n % 2 === 0 ? 'press' : 'release'
            if (switchId) state = step(rig, state, { kind, switchId, at }).state
            const cut = cuts[n]
            if (!cut) continue
            rig = without(rig, ...cut)
            state = reconcile(rig, state)
          }
          state = reconcile(rig, advance(rig, state, at + 3_000_000).state)
          const { known, devices } = state
          for (const id of [...Object.keys(known.presets), ...Object.keys(devices)])
            expect(Object.keys(rig.devices)).toContain(id)
          for (const id of Object.keys(known.values)) expect(Object.keys(rig.controls)).toContain(id)
          if (known.bankId !== null) expect(Object.keys(rig.banks)).toContain(known.bankId)
        },
      ),
      generated(600, 9_2028),
    )
  })
})

describe('whatever is typed', () => {
  const rig = floorRig({}, { macros: [['m', []]] })
  const doing = doingFirst(rig, rig.switches['one-1']!)
  const words = fc.constantFrom(
    ...['echo', 'mix', 'bank', 'next', 'hold', 'on', 'off', 'tap', 'tempo', 'scene', 'up', 'sweep', 'all'],
    ...['35', '-3', '1e9', '0x7f', 'b3', '14', '7f', '999999', '%', '/', 'cc', 'pc', 'note', 'wait', '500ms'],
  )

  it('is an action that may be kept, with bytes that may be sent, or nothing', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.array(words, { maxLength: 6 }).map((all) => all.join(' ')),
          fc.string(),
        ),
        (typed) => {
          for (const reading of readPhrase(rig, typed, doing)) {
            const actions = [reading.action, ...(reading.release ? [reading.release] : [])]
            // The id of a preset that is not made yet is no id of the rig, but one that may be.
            for (const action of actions) expect(actionSchema.safeParse(action).success).toBe(true)
            readingSends(rig, reading, doing)
          }
        },
      ),
      generated(3000, 9_2029),
    )
  })
})
