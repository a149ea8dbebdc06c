import { own } from '#core/base'
import {
  type Edit,
  addRow,
  editRow,
  removeRow,
  type Rig,
  type Note,
  type NoteAbout,
  type NoteFact,
  type NoteId,
} from '#core/rig'

/** A line to be written. */
export interface NewNote {
  readonly id: NoteId
  /** When it happened, ISO 8601, UTC. */
  readonly at: string
  readonly about: NoteAbout | null
  readonly text: string
  readonly fact: NoteFact
  readonly revision: number
}

/** What a line is about, as it is called now; empty for the rig. */
function aboutName(rig: Rig, about: NoteAbout | null): string {
  if (!about) return ''
  const row = own<{ readonly name?: string; readonly label?: string }>(rig[about.table], about.id)
  return row?.name || row?.label || ''
}

/** A new line in the logbook. */
export const addNote = (rig: Rig, note: NewNote): Edit =>
  addRow(labelOf(note.fact), 'notes', { ...note, name: aboutName(rig, note.about) })

const labelOf = ({ kind }: NoteFact): Edit['label'] =>
  kind === 'test' ? 'testPlan' : kind === 'sent' ? 'sentDump' : 'addNote'

/** Null where nothing would change or there is no such line. */
export function changeNote(
  rig: Rig,
  id: NoteId,
  fields: Partial<Pick<Note, 'at' | 'about' | 'text' | 'fact'>>,
): Edit | null {
  const named = fields.about === undefined ? {} : { name: aboutName(rig, fields.about) }
  return editRow(rig, 'changeNote', 'notes', id, { ...fields, ...named })
}

/** Null where there is no such line. */
export const removeNote = (rig: Rig, id: NoteId): Edit | null => removeRow(rig, 'removeNote', 'notes', id)
