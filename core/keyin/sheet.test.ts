import { describe, expect, it } from 'vitest'
import { applyEdit } from '../rig/applyEdit'
import type { Edit } from '../rig/edit'
import { editRow } from '../rig/edits/editRow'
import {
  makeBank,
  makeControl,
  makeController,
  makeDevice,
  makePreset,
  makeRig,
  makeSwitch,
  recall,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { KeyIn, KeyInId } from '../rig/table/keyIn'
import { keyingSchema } from '../rig/table/keying'
import { boardOf } from './keyPlaces'
import { heldIn } from './held'
import {
  keepHeard,
  sayAllKeyedIn,
  sayNothingKeyedIn,
  sayNothingKnown,
  setKeying,
  tickLine,
  untick,
  type Said,
} from './keyInEdits'
import { USUAL_KEYINGS } from './manners/manners'
import { toldSheet } from './told'

const rigOf = (): Rig =>
  makeRig({
    controllers: [makeController({ labelLength: null, bankCount: 5 })],
    devices: [makeDevice('amp', 1), makeDevice('echo', 5, { order: 2 })],
    presets: [makePreset('a', 'amp', 3), makePreset('b', 'amp', 4), makePreset('e', 'echo', 9)],
    controls: [makeControl('mix', 'echo', 20)],
    banks: [makeBank('one', 0, 'Verse'), makeBank('two', 1)],
    switches: [
      makeSwitch('one', 1, [recall('a', 'e')]),
      makeSwitch('one', 2, [recall('b', 'e')]),
      makeSwitch('two', 1, [recall('a')]),
    ],
  })

let made = 0
const said = (at = '2026-11-01T10:00:00.000Z'): Said => ({
  revision: 3,
  at,
  newId: () => `new-${++made}` as KeyInId,
})
const controllerOf = (rig: Rig) => Object.values(rig.controllers)[0]!
const done = (rig: Rig, edit: Edit | null): Rig => {
  const after = applyEdit(rig, edit!)
  if (!after.ok) throw new Error(JSON.stringify(after.refusal))
  return after.value
}
const sheet = (rig: Rig) => toldSheet(rig, 'controller')!
const keys = (rig: Rig) => sheet(rig).lines.map(({ key }) => key)
const tickAll = (rig: Rig): Rig =>
  sheet(rig).lines.reduce((all, line) => done(all, tickLine(all, controllerOf(all), line, said())), rig)

describe('a key-in sheet', () => {
  it('loses each line that is ticked, whichever is ticked first, and is empty in the end', () => {
    let rig = rigOf()
    expect(keys(rig)).toHaveLength(3)
    for (let left = 3; left > 0; left--) {
      const { lines } = sheet(rig)
      expect(lines).toHaveLength(left)
      rig = done(rig, tickLine(rig, controllerOf(rig), lines.at(-1)!, said()))
    }
    expect(sheet(rig)).toMatchObject({ lines: [], presses: 0 })
    expect(
      sheet(rig)
        .right.map(({ key }) => key)
        .sort(),
    ).toEqual(
      boardOf(rig, controllerOf(rig))
        .map(({ key }) => key)
        .sort(),
    )
  })

  it('has again what an edit changed, and nothing for one that changes nothing there', () => {
    const rig = tickAll(rigOf())
    const renamed = done(rig, editRow(rig, 'nameBank', 'banks', 'one', { name: 'Chorus' }))
    expect(keys(renamed)).toEqual([])
    const changed = done(
      rig,
      editRow(rig, 'changeSwitch', 'switches', 'one-2', { positions: [recall('b', 'a')] }),
    )
    expect(keys(changed)).toEqual(['s/0/base//2'])
    // A device on another channel changes every switch that speaks to it.
    const moved = done(rig, editRow(rig, 'setChannel', 'devices', 'echo', { channel: 7 as never }))
    expect(keys(moved)).toEqual(['s/0/base//1', 's/0/base//2'])
  })

  it('makes empty what the plan has no more', () => {
    const rig = tickAll(rigOf())
    const { 'two-1': gone, ...switches } = rig.switches
    const after = done(rig, {
      label: 'clearSwitch',
      changes: [{ table: 'switches', id: 'two-1', before: gone!, after: null }],
    })
    expect(after.switches).toEqual(switches)
    expect(sheet(after).lines).toMatchObject([{ key: 's/1/base//1', unit: null, base: { kind: 'clear' } }])
    const ticked = done(after, tickLine(after, controllerOf(after), sheet(after).lines[0]!, said()))
    expect(keys(ticked)).toEqual([])
    // It holds nothing now, and is where the box stands.
    const held = [...heldIn(ticked, controllerOf(ticked))]
    expect(
      held.map(([key, { content }]) => [key, content!.lists.flatMap(({ rows }) => rows).length > 0]).sort(),
    ).toEqual([
      ['s/0/base//1', true],
      ['s/0/base//2', true],
      ['s/1/base//1', false],
    ])
  })

  it('goes on from the bank of what was made empty', () => {
    const plain = rigOf()
    const rig = tickAll({
      ...plain,
      banks: { ...plain.banks, four: makeBank('four', 3), five: makeBank('five', 4) },
      switches: { ...plain.switches, 'four-1': makeSwitch('four', 1, [recall('a')]) },
    })
    const { 'four-1': gone, ...kept } = rig.switches
    const after: Rig = { ...rig, switches: { ...kept, 'five-1': makeSwitch('five', 1, [recall('b')]) } }
    expect(gone).toBeDefined()
    const opens = (one: Rig) => {
      const line = sheet(one).lines.find(({ key }) => key === 's/4/base//1')!
      return line.steps[0]!.strokes.map(({ key, times }) => `${key} x${times}`).join(', ')
    }
    const empties = sheet(after).lines.find(({ unit }) => unit === null)!
    expect(empties.key).toBe('s/3/base//1')
    const later = said('2026-11-01T11:00:00.000Z')
    const ticked = done(after, tickLine(after, controllerOf(after), empties, later))
    // From bank 4 to bank 5 it is one press, however the box got there.
    const there = done(
      after,
      tickLine(after, controllerOf(after), { key: 's/3/base//2', wanted: empties.wanted }, later),
    )
    expect(opens(ticked)).toBe(opens(there))
    expect(opens(ticked)).toMatch(/bankUp x1\b|up x1\b/i)
  })

  it('goes by the player’s word: all, nothing, nobody knows', () => {
    const rig = rigOf()
    const controller = controllerOf(rig)
    expect(keys(done(rig, sayAllKeyedIn(rig, controller, said())))).toEqual([])
    const all = tickAll(rig)
    expect(keys(done(all, sayNothingKeyedIn(all, controller)))).toHaveLength(3)
    const unknown = done(all, sayNothingKnown(all, controller, said()))
    // Nothing can be amended or copied that nobody knows, before it was made anew.
    expect(sheet(unknown).lines.every(({ base }) => base.kind !== 'amend')).toBe(true)
    expect(sheet(unknown).lines.some(({ base }) => base.kind === 'clear')).toBe(true)
    const one = done(all, untick(all, controller, 's/0/base//1', said()))
    expect(keys(one)).toEqual(['s/0/base//1'])
  })

  it('takes what was kept for unknown where the box cannot hold it any more', () => {
    const rig = tickAll(rigOf())
    const named = done(rig, editRow(rig, 'changeController', 'controllers', 'controller', { labelLength: 4 }))
    expect(keys(named)).toHaveLength(3)
    expect(sheet(named).lines.every(({ base }) => base.kind !== 'amend')).toBe(true)
    const fewer = done(
      rig,
      editRow(rig, 'changeController', 'controllers', 'controller', { messagesPerEvent: 1 }),
    )
    expect(sheet(fewer).lines.map(({ key }) => key)).toEqual(['s/0/base//1', 's/0/base//2'])
  })

  it('of two rows of one place goes by the later, whichever comes first', () => {
    const rig = tickAll(rigOf())
    const row = Object.values(rig.keyIns).find(({ place }) => place === 's/0/base//1')!
    const other: KeyIn = { ...row, id: 'older' as KeyInId, content: null, at: '2026-10-01T10:00:00.000Z' }
    for (const rows of [
      [row, other],
      [other, row],
    ]) {
      const both = {
        ...rig,
        keyIns: Object.fromEntries([...rows, ...Object.values(rig.keyIns)].map((one) => [one.id, one])),
      }
      expect(keys(both)).toEqual([])
      const newer = {
        ...both,
        keyIns: { ...both.keyIns, older: { ...other, at: '2026-12-01T10:00:00.000Z' } },
      }
      expect(keys(newer)).toEqual(['s/0/base//1'])
      // A tick leaves one row.
      const ticked = done(newer, tickLine(newer, controllerOf(newer), sheet(newer).lines[0]!, said()))
      expect(Object.values(ticked.keyIns).filter(({ place }) => place === 's/0/base//1')).toHaveLength(1)
    }
  })

  it('keeps what was heard, right or wrong', () => {
    const rig = rigOf()
    const controller = controllerOf(rig)
    const [first, second] = boardOf(rig, controller)
    const heard = done(
      rig,
      keepHeard(
        rig,
        controller,
        [
          [first!.key, first!.content],
          [second!.key, first!.content],
        ],
        said(),
      ),
    )
    expect(sheet(heard).lines.map(({ key }) => key)).toEqual(['s/0/base//2', 's/1/base//1'])
    expect(sheet(heard).right).toMatchObject([{ key: first!.key, keyIn: { how: 'heard', revision: 3 } }])
  })

  it('is shown to be least: by its certificate, and in which sense', () => {
    const rig = rigOf()
    const walk = done(rig, setKeying(rig, controllerOf(rig).id, USUAL_KEYINGS.walk))
    expect(sheet(walk).isLeast).toBe('copies')
    const menu = done(rig, setKeying(rig, controllerOf(rig).id, USUAL_KEYINGS.menu))
    expect(sheet(menu).isLeast).toBe('order')
  })

  it('is empty for a controller that does nothing, and null for none', () => {
    expect(toldSheet(makeRig({}), 'controller')).toMatchObject({ lines: [], presses: 0, right: [], end: [] })
    expect(toldSheet(makeRig({}), 'toString')).toBeNull()
  })
})

describe('how a controller is keyed in', () => {
  it('is read as it is written, in all five manners', () => {
    for (const keying of Object.values(USUAL_KEYINGS))
      expect(keyingSchema.parse(JSON.parse(JSON.stringify(keying)))).toEqual(keying)
  })

  it('is refused where a key is named that it has not, the kind is not first, or something stands twice', () => {
    const { walk } = USUAL_KEYINGS
    const issues = (one: unknown) =>
      keyingSchema.safeParse(one).error?.issues.map(({ message }) => message) ?? []
    expect(issues({ ...walk, reach: { how: 'through', next: 'nowhere', back: null } })).toEqual([
      'no key "nowhere"',
    ])
    expect(issues({ ...walk, fields: [...walk.fields.slice(1), walk.fields[0]] })).toEqual([
      'the kind must come first',
    ])
    expect(issues({ ...walk, kinds: [...walk.kinds.slice(0, 5), walk.kinds[1]] })).toEqual(['a kind twice'])
    expect(issues({ ...walk, keys: [...walk.keys, walk.keys[0]] })).toEqual(['a key twice'])
    expect(issues({ ...walk, kinds: walk.kinds.filter(({ kind }) => kind !== 'end') })).toEqual([
      'no end of the list',
    ])
  })
})
