import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import { applyEdit } from '../rig/applyEdit'
import { change, invertEdit, type Edit } from '../rig/edit'
import { addRow } from '../rig/edits/addRow'
import { editRow } from '../rig/edits/editRow'
import { makeDevice, makePreset, smallRig } from '../rig/testing/makeRig'
import { editBetween, NO_RIG } from '../rig/replay'
import type { Rig } from '../rig/rig'
import type { MarkId } from '../rig/table/mark'
import type { NoteId } from '../rig/table/note'
import type { Dump, DumpId } from '../rig/table/dump'
import type { KeyIn, KeyInId } from '../rig/table/keyIn'
import { checklist, type ChecklistLine } from '../setup/checklist'
import { deviceSheet } from '../setup/deviceSheet'
import { toggleTick } from '../setup/ticks'
import { makeMessage } from '../dump/testing/makeDumps'
import { factsOf, type LogFact, type Logged } from './facts'
import { revisionsAsked, saveStates } from './saveState'

const at = (n: number): string => new Date(Date.UTC(2026, 10, 1) + n * 60_000).toISOString()

/** A preamp that is saved by hand, an echo that saves by itself. */
function start(): Rig {
  const rig = smallRig()
  const saved = { how: 'explicit', losesEdits: true } as const
  return {
    ...rig,
    devices: {
      ...rig.devices,
      preamp: { ...rig.devices['preamp']!, saving: { ...rig.devices['preamp']!.saving, ...saved } as never },
      echo: { ...rig.devices['echo']!, saving: { ...rig.devices['echo']!.saving, how: 'itself' } as never },
    },
  }
}

const BOXES = ['preamp', 'echo'] as const
type Box = (typeof BOXES)[number]

/**
 * A plain account, kept as one goes: what stands in each box, line by line, what has been set and not saved, what each dump holds.
 * It shares nothing with what is tested but the lines themselves.
 */
class World {
  rig = start()
  log: Logged[] = []
  rigs = new Map<number, Rig>()
  /** What a box holds for good: a line and what it said. */
  stored: Record<Box, Map<string, string>> = { preamp: new Map(), echo: new Map() }
  /** Set since. */
  set: Record<Box, Map<string, string>> = { preamp: new Map(), echo: new Map() }
  saves: Record<Box, number[]> = { preamp: [], echo: [] }
  dumps: { box: Box; id: DumpId; name: string; revision: number; holds: Map<string, string> | null }[] = []
  /** Nothing was ever saved there. */
  isFresh: Record<Box, boolean> = { preamp: true, echo: true }

  constructor() {
    this.put(editBetween('makeRig', NO_RIG, this.rig)!)
  }

  get revision(): number {
    return this.log.length
  }

  put(edit: Edit): void {
    if (this.revision > 0) {
      const done = applyEdit(this.rig, edit)
      if (!done.ok) throw new Error(JSON.stringify(done.refusal))
      this.rig = done.value
    }
    this.log.push({ revision: this.revision + 1, at: at(this.revision + 1), edit })
    this.rigs.set(this.revision, this.rig)
  }

  lines = (box: Box): ChecklistLine[] =>
    deviceSheet(this.rig).filter(({ about, task }) => about.id === box && task.kind !== 'save')

  tick(line: ChecklistLine): void {
    this.put(
      toggleTick(this.rig, line, {
        newId: `m${this.revision}` as MarkId,
        revision: this.revision,
        at: at(this.revision),
      }),
    )
  }

  isTicked = (line: ChecklistLine): boolean =>
    Object.values(this.rig.marks).some((mark) => mark.line === line.key && mark.said === line.said)
}

type Move = (world: World, random: () => number) => void

const pick = <Item>(random: () => number, items: readonly Item[]): Item =>
  items[Math.floor(random() * items.length)]!

const MOVES: readonly Move[] = [
  // The plan changes.
  (world, random) => {
    const box = pick(random, BOXES)
    const device = world.rig.devices[box]!
    const taken = Object.values(world.rig.devices).map(({ channel }) => channel)
    const channel = pick(
      random,
      [2, 3, 5, 6, 7].filter((one) => !taken.includes(one as never)),
    )
    const edit =
      random() < 0.5
        ? editRow(world.rig, 'setChannel', 'devices', box, { channel: channel as never })
        : editRow(world.rig, 'setPanel', 'devices', box, { receivesPrograms: !device.receivesPrograms })
    if (edit) world.put(edit)
  },
  (world, random) => {
    const [box, n] = [pick(random, BOXES), world.revision]
    if (Object.values(world.rig.presets).some((one) => one.deviceId === box && one.index === n)) return
    world.put(addRow('addPreset', 'presets', makePreset(`p${n}`, box, n, `Preset ${n}`)))
  },
  // A line is set on the box, and ticked.
  (world, random) => {
    const box = pick(random, BOXES)
    const line = pick(
      random,
      world.lines(box).filter((one) => !world.isTicked(one)),
    )
    if (!line) return
    world.tick(line)
    ;(box === 'echo' ? world.stored : world.set)[box].set(line.key, line.said)
  },
  // It is saved: all that was planned is in it then, as the player says.
  (world) => {
    const line = checklist(world.rig).find(({ key }) => key === 'save/preamp')!
    if (world.isTicked(line)) {
      // Unticked and ticked again: another save.
      world.tick(line)
    }
    world.tick(line)
    world.stored.preamp = new Map(world.lines('preamp').map((one) => [one.key, one.said]))
    world.set.preamp = new Map()
    world.isFresh.preamp = false
  },
  // A dump is taken: of what is stored.
  (world, random) => {
    const [box, n] = [pick(random, BOXES), world.revision]
    const taken = world.revision
    world.put(
      addRow('addDump', 'dumps', {
        id: `d${n}` as DumpId,
        order: n,
        deviceId: box as never,
        of: box,
        name: `Dump ${n}`,
        note: '',
        messages: [makeMessage([0x7d, 1])],
        from: 'heard',
        revision: taken,
        at: at(n),
      }),
    )
    world.dumps.push({
      box,
      id: `d${n}` as DumpId,
      name: `Dump ${n}`,
      revision: taken,
      holds: new Map(world.stored[box]),
    })
  },
  // One is sent back: the box holds what it held then. What the two do not agree on nobody counts on.
  (world, random) => {
    const dump = pick(random, world.dumps)
    if (!dump) return
    const n = world.revision
    world.put(
      addRow('sentDump', 'notes', {
        id: `n${n}` as NoteId,
        at: at(n),
        about: { table: 'devices', id: dump.box },
        name: dump.box,
        text: '',
        fact: { kind: 'sent', dumpId: dump.id, dump: dump.name, revision: dump.revision },
        revision: n,
      }),
    )
    const before = world.stored[dump.box]
    world.stored[dump.box] = new Map([...before].filter(([key, said]) => dump.holds!.get(key) === said))
    world.set[dump.box] = new Map()
  },
]

const statesOf = (world: World) =>
  saveStates(world.rig, world.log.flatMap(factsOf), (revision) => world.rigs.get(revision) ?? null)

describe('save-state', () => {
  it('is what a plain account of ticks, saves, dumps and edits comes to', () => {
    for (const seed of seeds(400)) {
      const random = seeded(seed + 9000)
      const world = new World()
      for (let n = 0; n < 25; n++) {
        pick(random, MOVES)(world, random)
        const states = statesOf(world)
        for (const box of BOXES) {
          const state = states.find(({ id }) => id === box)!
          const lines = world.lines(box)
          const held = (one: ChecklistLine) => world.stored[box].get(one.key) === one.said
          const set = (one: ChecklistLine) => !held(one) && world.set[box].get(one.key) === one.said
          const keys = (all: readonly { readonly key: string }[]) => all.map(({ key }) => key).sort()
          expect([seed, n, box, keys(state.unknown)]).toEqual([seed, n, box, []])
          expect([seed, n, box, keys(state.unsaved)]).toEqual([seed, n, box, keys(lines.filter(set))])
          expect([seed, n, box, keys(state.changed.filter((one) => one.change !== 'gone'))]).toEqual([
            seed,
            n,
            box,
            keys(lines.filter((one) => !held(one) && !set(one))),
          ])
        }
      }
    }
  })

  it('asks only for revisions it says it will ask for', () => {
    for (const seed of seeds(50)) {
      const random = seeded(seed + 12_000)
      const world = new World()
      for (let n = 0; n < 40; n++) pick(random, MOVES)(world, random)
      const facts = world.log.flatMap(factsOf)
      const asked = new Set(revisionsAsked(world.rig, facts))
      saveStates(world.rig, facts, (revision) => {
        expect(asked.has(revision)).toBe(true)
        return world.rigs.get(revision) ?? null
      })
    }
  })

  const save = (world: World) => world.tick(checklist(world.rig).find(({ key }) => key === 'save/preamp')!)
  const preamp = (world: World) => statesOf(world).find(({ id }) => id === 'preamp')!

  it('never says saved where nobody said so, and says that it cannot tell what is older than the history', () => {
    const world = new World()
    expect(preamp(world)).toMatchObject({ saved: null, unknown: [] })
    expect(preamp(world).changed).toHaveLength(world.lines('preamp').length)
    save(world)
    expect(preamp(world)).toMatchObject({
      changed: [],
      unsaved: [],
      unknown: [],
      untold: world.lines('preamp').length,
    })
    // The same rig as a file that was brought in: the tick is there, what was planned when it was made is not.
    const { rig } = world
    const facts = factsOf({ revision: 1, at: at(1), edit: editBetween('makeRig', NO_RIG, rig)! })
    const brought = saveStates(rig, facts, () => rig).find(({ id }) => id === 'preamp')!
    expect(brought.unknown).toHaveLength(world.lines('preamp').length)
    expect(brought.changed).toEqual([])
    // Nor where the server has not got the revision.
    expect(saveStates(rig, world.log.flatMap(factsOf), () => null)[1]!.unknown).not.toEqual([])
  })

  it('a save that is unticked was none, and ticks taken away for the next show change nothing', () => {
    const world = new World()
    save(world)
    const marks = Object.values(world.rig.marks)
    world.put({ label: 'clearTicks', changes: marks.map((mark) => change('marks', mark.id, mark, null)) })
    expect(preamp(world).changed).toEqual([])
    save(world)
    save(world)
    // Ticked and unticked: the save before still stands.
    expect(preamp(world).changed).toEqual([])
    const other = new World()
    save(other)
    save(other)
    expect(preamp(other)).toMatchObject({ saved: null })
    expect(preamp(other).changed).not.toEqual([])
  })

  it('of a line that is gone from the plan says so', () => {
    const world = new World()
    world.put(addRow('addDevice', 'devices', { ...makeDevice('third', 9), order: 9 }))
    const preset = { ...makePreset('full', 'preamp', 90, 'Full'), recalls: [] }
    world.put(addRow('addPreset', 'presets', preset))
    save(world)
    const before = world.lines('preamp').length
    const edit = editRow(world.rig, 'setPanel', 'devices', 'preamp', { receivesPrograms: false })!
    world.put(edit)
    expect(world.lines('preamp').length).toBe(before - 1)
    expect(preamp(world).changed).toMatchObject([{ change: 'gone' }])
  })

  it('of a copy says in how much the plan has gone on', () => {
    const world = new World()
    MOVES[4]!(world, () => 0)
    expect(preamp(world).copy).toMatchObject({ changed: 0 })
    world.put(editRow(world.rig, 'setChannel', 'devices', 'preamp', { channel: 7 as never })!)
    expect(preamp(world).copy).toMatchObject({ changed: 1 })
  })

  const take = (world: World, from: Dump['from'], id = 'x'): Edit =>
    addRow('addDump', 'dumps', {
      id: id as DumpId,
      order: 1,
      deviceId: 'preamp' as never,
      of: 'preamp',
      name: 'Copy',
      note: '',
      messages: [makeMessage([0x7d, 1])],
      from,
      revision: world.revision,
      at: at(world.revision),
    })

  it('a dump done again after it was undone is still of the plan it was taken of', () => {
    const world = new World()
    const edit = take(world, 'heard')
    world.put(edit)
    world.put(invertEdit(edit))
    expect(preamp(world).copy).toBeNull()
    world.put(editRow(world.rig, 'setChannel', 'devices', 'preamp', { channel: 7 as never })!)
    world.put(edit)
    expect(preamp(world).copy).toMatchObject({ changed: 1 })
  })

  it('what only the simulated device sent is no copy; of what a file holds nobody knows what was planned', () => {
    const world = new World()
    world.put(take(world, 'simulated'))
    expect(preamp(world).copy).toBeNull()
    world.put(take(world, 'syx', 'y'))
    expect(preamp(world).copy).toMatchObject({ changed: null })
    // Sent to the box, nobody can tell what it holds then.
    save(world)
    expect(preamp(world).unknown).toEqual([])
    world.put(
      addRow('sentDump', 'notes', {
        id: 'n' as NoteId,
        at: at(9),
        about: { table: 'devices', id: 'preamp' },
        name: 'preamp',
        text: '',
        fact: { kind: 'sent', dumpId: 'y' as DumpId, dump: 'Copy', revision: 1 },
        revision: 1,
      }),
    )
    expect(preamp(world).unknown).toHaveLength(world.lines('preamp').length)
    expect(preamp(world).changed).toEqual([])
  })

  it('is soon told however often one dump was sent back, and asks for few revisions', () => {
    const world = new World()
    save(world)
    const taken = take(world, 'heard')
    world.put(taken)
    for (let n = 0; n < 60; n++)
      world.put(
        addRow('sentDump', 'notes', {
          id: `s${n}` as NoteId,
          at: at(n),
          about: { table: 'devices', id: 'preamp' },
          name: 'preamp',
          text: '',
          fact: { kind: 'sent', dumpId: 'x' as DumpId, dump: 'Copy', revision: 2 },
          revision: 2,
        }),
      )
    expect(preamp(world)).toMatchObject({ changed: [], unknown: [] })
    expect(revisionsAsked(world.rig, world.log.flatMap(factsOf))).toEqual([2])
  })

  it('a tick on the key-in sheet that is undone was keyed in by nobody', () => {
    const world = new World()
    const row = (n: number): KeyIn => ({
      id: 'k' as KeyInId,
      controllerId: Object.keys(world.rig.controllers)[0] as never,
      place: 's/0/base//1',
      content: { settings: null, lists: [], name: null },
      how: 'tick',
      revision: n,
      at: at(n),
    })
    const first = addRow('keyIn', 'keyIns', row(1))
    const second: Edit = { label: 'keyIn', changes: [change('keyIns', 'k', row(1), row(2))] }
    for (const edit of [first, second, invertEdit(second), invertEdit(first)]) world.put(edit)
    const told = world.log.flatMap(factsOf).filter(({ kind }) => kind === 'keyedIn')
    expect(told).toMatchObject([
      { how: 'tick', places: 1, back: 0 },
      { how: 'tick', places: 1, back: 0 },
      { places: 0, back: 1 },
      { places: 0, back: 1 },
    ])
  })

  it('facts are told of what happened, not of what came with the rig or of going back', () => {
    const world = new World()
    save(world)
    const back = editBetween('goBack', world.rig, world.rigs.get(1)!)!
    world.put(back)
    const facts: LogFact[] = world.log.flatMap(factsOf)
    expect(facts.map(({ kind }) => kind)).toEqual(['made', 'saved', 'wentBack'])
    // The tick is gone from the rig; that the box was saved is still so.
    expect(preamp(world).saved).toMatchObject({ revision: 2 })
  })
})
