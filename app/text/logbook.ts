import { own } from '#core/base'
import type { LogFact } from '#core/history'
import type { LogbookLine } from '#core/logbook'
import { boxes, type Note, type NoteFact, type Rig } from '#core/rig'
import { count } from '#shared/words/counts'
import { dateText } from '#shared/words/times'

export const NOTE_KIND_TEXT: Record<NoteFact['kind'], string> = {
  note: 'Note',
  stage: 'Failed on stage',
  verified: 'Tried and right',
  firmware: 'Firmware',
  sent: 'Sent back',
  test: 'Test',
}

/** Kinds a player writes by hand. */
export const WRITTEN_KINDS = ['note', 'stage', 'verified', 'firmware'] as const

/** What a fact of the log is called in front of its line. */
const FACT_KIND_TEXT: Record<LogFact['kind'], string> = {
  made: 'Begun',
  wentBack: 'Went back',
  saved: 'Saved',
  unsaved: 'Not saved',
  set: 'Set',
  unset: 'Not set',
  keyedIn: 'Keyed in',
  dumped: 'Dump',
  dumpGone: 'Dump removed',
  sent: 'Sent back',
  calibrated: 'Calibrated',
  tested: 'Tested',
  practised: 'Practice',
}

export const lineKindText = (line: LogbookLine): string =>
  line.kind === 'note'
    ? line.note.fact.kind === 'test' && line.note.fact.verdict === 'fail'
      ? 'Test failed'
      : line.note.fact.kind === 'test'
        ? 'Test passed'
        : NOTE_KIND_TEXT[line.note.fact.kind]
    : line.fact.kind === 'keyedIn' && line.fact.how === 'heard'
      ? 'Heard'
      : FACT_KIND_TEXT[line.fact.kind]

const nameOfBox = (rig: Rig, id: string): string =>
  boxes(rig).find((box) => box.id === id)?.name ?? 'a box that is gone'

/** What a line is about, as it is called now, or was then. */
export function lineAboutText(rig: Rig, line: LogbookLine): string {
  if (line.kind === 'note') return noteAboutText(rig, line.note)
  const { fact } = line
  switch (fact.kind) {
    case 'saved':
    case 'unsaved':
      return nameOfBox(rig, fact.box)
    case 'keyedIn':
      return nameOfBox(rig, fact.controllerId)
    case 'dumped':
    case 'dumpGone':
    case 'sent':
      return fact.deviceId === null ? '' : nameOfBox(rig, fact.deviceId)
    default:
      return ''
  }
}

function noteAboutText(rig: Rig, { about, name }: Pick<Note, 'about' | 'name'>): string {
  const row = about && own<{ readonly name?: string; readonly label?: string }>(rig[about.table], about.id)
  return row?.name || row?.label || name
}

const revisionsText = ([first, last]: readonly [number, number]): string =>
  first === last ? `revision ${first}` : `revisions ${first} to ${last}`

/** What a line says. */
export function lineText(line: LogbookLine): string {
  if (line.kind === 'note') return noteText(line.note)
  const { fact, places, unknown, back } = line
  const at = revisionsText(line.revisions)
  switch (fact.kind) {
    case 'made':
      return 'The rig begins here.'
    case 'wentBack':
      return `Back to an earlier state, at ${at}.`
    case 'saved':
      return `Saved on the box, as planned at ${at}.`
    case 'unsaved':
      return 'The tick on saving was taken off.'
    case 'set':
    case 'unset':
      return `${count(line.count, 'line')} of the checklists ticked, at ${at}.`
    case 'keyedIn': {
      const what =
        fact.how === 'heard'
          ? 'heard from the controller itself'
          : fact.how === 'tick'
            ? 'keyed in'
            : 'said to be in the controller'
      const parts = [
        ...(places > 0 ? [`${count(places, 'place')} ${what}`] : []),
        ...(back > 0 ? [`${count(back, 'place')} emptied, or taken back`] : []),
        ...(unknown > 0 ? [`of ${count(unknown, 'place')} nobody is sure any more`] : []),
      ]
      return `${parts.join('; ')}, at ${at}.`
    }
    case 'dumped':
      return `“${fact.name}” recorded, at ${at}.`
    case 'dumpGone':
      return `“${fact.name}” removed, at ${at}. It is still in the history.`
    case 'sent':
      return `“${fact.name}” sent back.`
    case 'calibrated':
      return `${fact.name} calibrated, at ${at}.`
    case 'tested':
      return `${fact.name} tried on the device, at ${at}.`
    case 'practised':
      return `${count(fact.calls, 'call')} on ${dateText(fact.on)}, ${fact.misses} missed.`
  }
}

function noteText({ text, fact }: Note): string {
  if (fact.kind === 'firmware') return [`Version ${fact.version}.`, text].filter(Boolean).join(' ')
  if (fact.kind === 'sent')
    return [`“${fact.dump}”, taken at revision ${fact.revision}.`, text].filter(Boolean).join(' ')
  return text
}
