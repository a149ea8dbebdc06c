import { own } from '#core/base'
import type { Edit, EditLabel, TableName, Tables, Dump, KeyIn } from '#core/rig'

/** An edit as the log holds it. */
export interface Logged {
  readonly revision: number
  /** ISO 8601, UTC. */
  readonly at: string
  readonly edit: Edit
}

/** Something that happened in the world, as the log of a rig tells it. */
export type LogFact = {
  readonly revision: number
  readonly at: string
  /** It came with the rig when its history began: what the plan was then nobody can look up. */
  readonly isBeginning: boolean
} & (
  | { readonly kind: 'made' | 'wentBack' }
  /** The save of a box was ticked, or unticked again; `key` is the line. */
  | { readonly kind: 'saved' | 'unsaved'; readonly box: string; readonly key: string }
  /** Another line of a checklist was ticked, with what it said, or unticked. */
  | { readonly kind: 'set'; readonly key: string; readonly said: string }
  | { readonly kind: 'unset'; readonly key: string }
  /** Places of a controller: in so many stands what was planned, of so many nobody knows. */
  | {
      readonly kind: 'keyedIn'
      readonly how: KeyIn['how']
      readonly controllerId: string
      readonly places: number
      readonly unknown: number
      /** Emptied, or what was said of them taken back. */
      readonly back: number
    }
  /** A dump was kept, of the plan of revision `of`; or it was removed. */
  | {
      readonly kind: 'dumped'
      readonly dumpId: string
      readonly deviceId: string | null
      readonly name: string
      readonly from: Dump['from']
      readonly of: number
    }
  | { readonly kind: 'dumpGone'; readonly deviceId: string | null; readonly name: string }
  | {
      readonly kind: 'sent'
      readonly dumpId: string
      readonly deviceId: string | null
      readonly name: string
    }
  | { readonly kind: 'calibrated' | 'tested'; readonly name: string }
  | { readonly kind: 'practised'; readonly on: string; readonly calls: number; readonly misses: number }
)

/** Only edits of these labels tell facts. */
export const FACT_LABELS: readonly EditLabel[] = [
  'makeRig',
  'goBack',
  'tick',
  'keyIn',
  'keyInAll',
  'heardKeyIn',
  'addDump',
  'removeDump',
  'sentDump',
  'calibratePedal',
  'testControl',
  'keepPractice',
]

const SAVE_LINE = /^(?:keyin\/|show\/)?save\/(.+)$/

/** The box a line of a checklist asks to save; null for other lines. */
const savedBox = (key: string): string | null => SAVE_LINE.exec(key)?.[1] ?? null

/** What one edit of the log tells. */
export function factsOf({ revision, at, edit }: Logged): LogFact[] {
  const isBeginning = edit.label === 'makeRig'
  const stamp = { revision, at, isBeginning }
  const rows = <Table extends TableName>(table: Table) =>
    edit.changes.flatMap((one) =>
      one.table === table
        ? [{ before: one.before as Tables[Table] | null, after: one.after as Tables[Table] | null }]
        : [],
    )
  const facts: LogFact[] = []
  if (isBeginning || edit.label === 'goBack')
    facts.push({ ...stamp, kind: isBeginning ? 'made' : 'wentBack' })
  // What came of going back happened in no world but the plan's.
  if (edit.label === 'goBack' || !FACT_LABELS.includes(edit.label)) return facts

  for (const { before, after } of rows('marks')) {
    const key = (after ?? before)!.line
    const box = savedBox(key)
    if (box !== null) facts.push({ ...stamp, kind: after ? 'saved' : 'unsaved', box, key })
    else
      facts.push(after ? { ...stamp, kind: 'set', key, said: after.said } : { ...stamp, kind: 'unset', key })
  }
  facts.push(...keyedIn(rows('keyIns'), edit.label).map((one): LogFact => ({ ...stamp, ...one })))
  for (const { before, after } of rows('dumps'))
    if (!before && after)
      facts.push({
        ...stamp,
        kind: 'dumped',
        dumpId: after.id,
        deviceId: after.deviceId,
        name: after.name,
        from: after.from,
        // Done again after it was undone, it is still of then.
        of: Math.min(after.revision, revision),
      })
    else if (before && !after)
      facts.push({ ...stamp, kind: 'dumpGone', deviceId: before.deviceId, name: before.name })
  for (const { before, after } of rows('notes'))
    if (!before && after?.fact.kind === 'sent')
      facts.push({
        ...stamp,
        kind: 'sent',
        dumpId: after.fact.dumpId,
        deviceId: after.about?.table === 'devices' ? after.about.id : null,
        name: after.fact.dump,
      })
  if (isBeginning) return facts
  if (edit.label === 'calibratePedal')
    for (const { after } of rows('pedals'))
      if (after?.calibration) facts.push({ ...stamp, kind: 'calibrated', name: after.name })
  if (edit.label === 'testControl')
    for (const { after } of rows('controls'))
      if (after) facts.push({ ...stamp, kind: 'tested', name: after.name })
  for (const { before, after } of rows('practices')) {
    const calls = (after?.calls ?? 0) - (before?.calls ?? 0)
    // What is undone was no practice.
    if (after && calls > 0)
      facts.push({
        ...stamp,
        kind: 'practised',
        on: after.on,
        calls,
        misses: after.misses - (before?.misses ?? 0),
      })
  }
  return facts
}

type KeyedIn = Omit<Extract<LogFact, { kind: 'keyedIn' }>, 'revision' | 'at' | 'isBeginning'>

/** By controller and by how it is known. What goes back to what was said earlier, or to nothing, is told apart. */
function keyedIn(
  rows: readonly { readonly before: KeyIn | null; readonly after: KeyIn | null }[],
  label: EditLabel,
): KeyedIn[] {
  const all: { [key: string]: KeyedIn } = {}
  for (const { before, after } of rows) {
    const row = (after ?? before)!
    const isBack = after === null || (before !== null && after.at < before.at)
    const how = isBack ? (label === 'heardKeyIn' ? 'heard' : 'said') : after.how
    const key = `${how}/${row.controllerId}`
    const known = own(all, key) ?? {
      kind: 'keyedIn',
      how,
      controllerId: row.controllerId,
      places: 0,
      unknown: 0,
      back: 0,
    }
    const isUnknown = !isBack && after.content === null
    all[key] = {
      ...known,
      places: known.places + (isBack || isUnknown ? 0 : 1),
      unknown: known.unknown + (isUnknown ? 1 : 0),
      back: known.back + (isBack ? 1 : 0),
    }
  }
  return Object.values(all)
}
