import type { LogFact } from '#core/history'
import type { Rig, Note } from '#core/rig'

/** A line of the logbook: written by the player, or told by the log. */
export type LogbookLine = {
  readonly key: string
  /** ISO 8601, UTC. */
  readonly at: string
} & (
  | { readonly kind: 'note'; readonly note: Note }
  /** Facts of one kind about one thing on one day; `fact` is the last of them, `count` how many. */
  | {
      readonly kind: 'fact'
      readonly fact: LogFact
      readonly count: number
      readonly revisions: readonly [first: number, last: number]
      /** Of places keyed in: how many in all. */
      readonly places: number
      readonly unknown: number
      readonly back: number
    }
)

/** Facts that are a note of the player's already, or say nothing by themselves. */
const isSaid = ({ kind, isBeginning }: LogFact): boolean =>
  kind === 'sent' || kind === 'unset' || kind === 'unsaved' || (isBeginning && kind !== 'made')

/**
 * The logbook, the newest first. What was done many times in a day is one line. `dayOf` says on which day a moment falls where the
 * player is.
 */
export function logbookLines(
  rig: Rig,
  facts: readonly LogFact[],
  dayOf: (at: string) => string,
): LogbookLine[] {
  const lines: LogbookLine[] = Object.values(rig.notes).map((note) => ({
    key: `note/${note.id}`,
    at: note.at,
    kind: 'note',
    note,
  }))
  const days = new Map<string, Extract<LogbookLine, { kind: 'fact' }>>()
  for (const fact of facts) {
    if (isSaid(fact)) continue
    const key = ['fact', dayOf(fact.at), fact.kind, aboutOf(fact)].join('/')
    const before = days.get(key)
    const { places, unknown, back } = fact.kind === 'keyedIn' ? fact : { places: 0, unknown: 0, back: 0 }
    days.set(key, {
      key,
      at: fact.at,
      kind: 'fact',
      fact,
      count: (before?.count ?? 0) + 1,
      revisions: [before?.revisions[0] ?? fact.revision, fact.revision],
      places: (before?.places ?? 0) + places,
      unknown: (before?.unknown ?? 0) + unknown,
      back: (before?.back ?? 0) + back,
    })
  }
  return [...lines, ...days.values()].sort((a, b) =>
    a.at === b.at ? (a.key < b.key ? 1 : -1) : a.at < b.at ? 1 : -1,
  )
}

/** What facts of a day are told together by. */
function aboutOf(fact: LogFact): string {
  switch (fact.kind) {
    case 'saved':
    case 'unsaved':
      return fact.box
    case 'keyedIn':
      return `${fact.how} ${fact.controllerId}`
    case 'dumped':
    case 'dumpGone':
    case 'sent':
      return `${fact.deviceId} ${fact.name}`
    case 'practised':
      return fact.on
    case 'calibrated':
    case 'tested':
      return fact.name
    default:
      return ''
  }
}
