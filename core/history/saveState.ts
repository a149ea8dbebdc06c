import { boxes, type Rig, type Dump, type Saving } from '#core/rig'
import { sheetOf } from '#core/keyin'
import { checklist, type ChecklistLine, deviceSheet } from '#core/setup'
import type { LogFact } from './facts'

/** Something a box must hold. `gone` was to be there when it was saved, and is not any more. */
export interface StateLine {
  readonly key: string
  readonly line: ChecklistLine
  readonly change: 'new' | 'other' | 'gone'
}

/** How a box stands against the plan. */
export interface BoxState {
  readonly table: 'controllers' | 'devices'
  readonly id: string
  readonly name: string
  readonly how: Saving['how']
  /** When it was last saved; null where nobody ever said so. A box that saves by itself is never asked. */
  readonly saved: { readonly revision: number; readonly at: string } | null
  /** The last dump that was sent back to it since. */
  readonly sent: { readonly name: string; readonly at: string } | null
  /** What it must hold and does not, as far as is known. */
  readonly changed: readonly StateLine[]
  /** Ticked as set since it was saved last: lost if it is switched off now, where it does not save by itself. */
  readonly unsaved: readonly StateLine[]
  /** Lines of which nobody can tell whether the box holds them. */
  readonly unknown: readonly StateLine[]
  /** Lines it holds by the word of the save alone: nobody ticked them. */
  readonly untold: number
  /** Places of a controller still to be keyed in. */
  readonly places: number
  /** The newest dump of it, and in how much the plan has gone on since; null counts where the plan of then is not known. */
  readonly copy: { readonly name: string; readonly at: string; readonly changed: number | null } | null
}

type Held = 'yes' | 'no' | 'unknown'

/** The rig at an earlier revision; null where it cannot be had. */
export type RigAt = (revision: number) => Rig | null

/**
 * For every box that keeps something, what has changed since it was last saved or keyed in, from what the log tells. `facts` stand
 * in the order of the log. A dump that was sent back brings what the box held when it was taken, as far as the dump goes: a line is
 * held after it only if it was both before and then.
 */
export function saveStates(rig: Rig, facts: readonly LogFact[], rigAt: RigAt): BoxState[] {
  return boxes(rig).flatMap((box) => {
    const table = 'kind' in box ? 'devices' : 'controllers'
    if ('kind' in box && box.kind !== 'receiver') return []
    return [boxState(rig, facts, rigAt, { table, id: box.id, name: box.name, how: box.saving.how })]
  })
}

/** Revisions that {@link saveStates} asks for, whatever it is given: found by asking without being answered. */
export function revisionsAsked(rig: Rig, facts: readonly LogFact[]): number[] {
  const asked = new Set<number>()
  saveStates(rig, facts, (revision) => {
    asked.add(revision)
    return null
  })
  return [...asked]
}

function boxState(
  rig: Rig,
  facts: readonly LogFact[],
  rigAt: RigAt,
  box: Pick<BoxState, 'table' | 'id' | 'name' | 'how'>,
): BoxState {
  const now = linesOf(rig, box)
  const last = facts.at(-1)?.revision ?? 0
  const account = new Account(facts, rigAt, box)
  const saved = account.lastSaved(Number.POSITIVE_INFINITY)
  const before = saved && !saved.isBeginning ? rigAt(saved.revision) : null
  const was = before && linesOf(before, box)
  const changed: StateLine[] = []
  const unsaved: StateLine[] = []
  const unknown: StateLine[] = []
  let untold = 0
  for (const [key, line] of now) {
    const one: StateLine = { key, line, change: was && !was.has(key) ? 'new' : 'other' }
    const held = account.held(key, line.said, Number.POSITIVE_INFINITY)
    if (held === 'yes') untold += account.setAt(key, line.said, Number.POSITIVE_INFINITY) === null ? 1 : 0
    else if (account.isSetSince(key, line.said, saved?.revision ?? 0)) unsaved.push(one)
    else if (held === 'unknown') unknown.push(one)
    else changed.push(one)
  }
  if (box.how !== 'itself')
    for (const [key, line] of was ?? []) if (!now.has(key)) changed.push({ key, line, change: 'gone' })
  const sent = account.sentAfter(saved?.revision ?? 0, last).at(-1) ?? null
  const copy = newestCopy(rig, box.id)
  return {
    ...box,
    saved: saved && { revision: saved.revision, at: saved.at },
    sent: sent && { name: sent.name, at: sent.at },
    changed,
    unsaved,
    unknown,
    untold,
    places: box.table === 'controllers' ? (sheetOf(rig, box.id)?.lines.length ?? 0) : 0,
    copy: copy && {
      name: copy.name,
      at: copy.at,
      changed: changedSince(now, account.planOfDump(copy.id), box),
    },
  }
}

/** The last dump of a device that is kept; what only the simulated one sent is no copy. */
const newestCopy = (rig: Rig, deviceId: string): Dump | null =>
  Object.values(rig.dumps)
    .filter((dump) => dump.deviceId === deviceId && dump.from !== 'simulated')
    .reduce<Dump | null>((last, one) => (!last || one.at >= last.at ? one : last), null)

type Lines = ReadonlyMap<string, ChecklistLine>

/** What a box must hold, but the save itself: of a device all it must be told, of a controller what its jacks are for. */
function linesOf(rig: Rig, { table, id }: Pick<BoxState, 'table' | 'id'>): Lines {
  const all = table === 'devices' ? deviceSheet(rig) : checklist(rig).filter(({ phase }) => phase === 'jacks')
  return new Map(
    all
      .filter(({ about, task }) => about.table === table && about.id === id && task.kind !== 'save')
      .map((line) => [line.key, line]),
  )
}

function changedSince(now: Lines, before: Rig | null, box: Pick<BoxState, 'table' | 'id'>): number | null {
  if (!before) return null
  const was = linesOf(before, box)
  const keys = new Set([...now.keys(), ...was.keys()])
  return [...keys].filter((key) => now.get(key)?.said !== was.get(key)?.said).length
}

/** A line may be ticked on the sheet of devices or on the checklist it is taken from. */
const twins = (key: string): readonly string[] => [key, key.replace(/^keyin\//, '')]

/** What the facts say of one box, up to any revision. */
class Account {
  readonly #facts: readonly LogFact[]
  readonly #rigAt: RigAt
  readonly #box: Pick<BoxState, 'table' | 'id' | 'how'>
  readonly #lines = new Map<number, Lines | null>()
  readonly #last = new Map<number, LogFact | null>()
  readonly #held = new Map<string, Held>()

  constructor(facts: readonly LogFact[], rigAt: RigAt, box: Pick<BoxState, 'table' | 'id' | 'how'>) {
    this.#facts = facts
    this.#rigAt = rigAt
    this.#box = box
  }

  #linesAt(revision: number): Lines | null {
    const known = this.#lines.get(revision)
    if (known !== undefined) return known
    const rig = this.#rigAt(revision)
    const lines = rig && linesOf(rig, this.#box)
    this.#lines.set(revision, lines)
    return lines
  }

  /** The last save that had not been taken back by then: a tick that is taken off again was none. */
  lastSaved(upTo: number): LogFact | null {
    const known = this.#last.get(upTo)
    if (known !== undefined) return known
    const saves: { readonly key: string; readonly fact: LogFact }[] = []
    for (const fact of this.#facts) {
      if (fact.revision > upTo) break
      if ((fact.kind !== 'saved' && fact.kind !== 'unsaved') || fact.box !== this.#box.id) continue
      if (fact.kind === 'saved') saves.push({ key: fact.key, fact })
      else {
        const at = saves.findLastIndex(({ key }) => key === fact.key)
        if (at >= 0) saves.splice(at, 1)
      }
    }
    const last = saves.at(-1)?.fact ?? null
    this.#last.set(upTo, last)
    return last
  }

  /**
   * The revision at which a dump was heard from the device itself before another one; null for one of another history, or from a
   * file: what the device held when it was made nobody knows.
   */
  #taken(dumpId: string, before: number): number | null {
    const fact = this.#facts.findLast(
      (one) => one.kind === 'dumped' && one.dumpId === dumpId && one.revision < before,
    )
    return fact?.kind === 'dumped' && !fact.isBeginning && fact.from === 'heard' ? fact.of : null
  }

  /** What was planned when a dump was heard; null where that is not known. */
  planOfDump(dumpId: string): Rig | null {
    const of = this.#taken(dumpId, Number.POSITIVE_INFINITY)
    return of === null ? null : this.#rigAt(of)
  }

  sentAfter(revision: number, upTo: number) {
    return this.#facts.flatMap((fact) =>
      fact.kind === 'sent' &&
      fact.deviceId === this.#box.id &&
      fact.revision > revision &&
      fact.revision <= upTo
        ? [fact]
        : [],
    )
  }

  /** The revision at which a line was last ticked while it said this; null where it was not, or was unticked since. */
  setAt(key: string, said: string, upTo: number): number | null {
    let found: number | null = null
    for (const one of twins(key)) {
      const last = this.#facts.findLast(
        (fact) => (fact.kind === 'set' || fact.kind === 'unset') && fact.key === one && fact.revision <= upTo,
      )
      if (last?.kind === 'set' && last.said === said) found = Math.max(found ?? 0, last.revision)
    }
    return found
  }

  /** Ticked after the last save and after all that was sent since. */
  isSetSince(key: string, said: string, saved: number): boolean {
    const set = this.setAt(key, said, Number.POSITIVE_INFINITY)
    const sent = this.sentAfter(saved, Number.POSITIVE_INFINITY).at(-1)?.revision ?? 0
    return set !== null && set > Math.max(saved, sent)
  }

  /** Whether the box held a line at a revision. */
  held(key: string, said: string, upTo: number): Held {
    const asked = JSON.stringify([key, said, upTo])
    const known = this.#held.get(asked) ?? this.#heldAt(key, said, upTo)
    // One dump may be sent back again and again.
    this.#held.set(asked, known)
    return known
  }

  #heldAt(key: string, said: string, upTo: number): Held {
    const basis = this.#basis(key, said, upTo)
    const sent = this.sentAfter(basis.revision, upTo)
    return sent.reduce<Held>((held, one) => {
      const taken = this.#taken(one.dumpId, one.revision)
      return worse(held, taken === null ? 'unknown' : this.held(key, said, taken))
    }, basis.held)
  }

  #basis(key: string, said: string, upTo: number): { readonly held: Held; readonly revision: number } {
    if (this.#box.how === 'itself') {
      const revision = this.setAt(key, said, upTo)
      return { held: revision === null ? 'no' : 'yes', revision: revision ?? 0 }
    }
    const saved = this.lastSaved(upTo)
    if (!saved) return { held: 'no', revision: 0 }
    const then = saved.isBeginning ? null : this.#linesAt(saved.revision)
    if (!then) return { held: 'unknown', revision: saved.revision }
    return { held: then.get(key)?.said === said ? 'yes' : 'no', revision: saved.revision }
  }
}

const worse = (one: Held, other: Held): Held =>
  one === 'no' || other === 'no' ? 'no' : one === 'unknown' || other === 'unknown' ? 'unknown' : 'yes'
