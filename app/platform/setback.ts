import type { Edit, EditRefusal } from '#core/rig'

/** Something the player must hear about an edit that was not done. */
export interface Setback {
  readonly label: Edit['label']
  readonly doing: 'edit' | 'undo' | 'redo' | 'take'
  readonly refusal: EditRefusal
}
