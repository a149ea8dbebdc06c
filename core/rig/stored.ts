import type { Control } from './table/control'
import type { Preset } from './table/preset'

type Stored = Pick<Preset, 'recalls' | 'entered' | 'lacks'>

/**
 * What a recall makes of a control: the value written down for it in the preset, counted as it is sent; null where none is.
 * Whatever was sent before, the device then has what is stored there (common practice: nearly every device loads the whole
 * preset), so that null stands for a value that nobody knows but the device.
 */
export const storedValue = (
  preset: Pick<Stored, 'recalls'> | null | undefined,
  controlId: string,
): number | null => preset?.recalls.find((one) => one.controlId === controlId)?.value ?? null

/** Whether nothing is said yet of a control's map in a preset: neither that it was entered there, nor that the preset has no block for it. */
export const isEntryOpen = (controlId: Control['id'], { entered, lacks }: Stored): boolean =>
  !entered.includes(controlId) && !lacks.includes(controlId)

/**
 * Whether a control does anything while a preset plays: one mapped preset by preset only where it was entered and the preset
 * has its block. No preset: where nobody knows which one plays.
 */
export const isMappedIn = (
  { id, map }: Pick<Control, 'id' | 'map'>,
  preset: Pick<Stored, 'entered' | 'lacks'> | null | undefined,
): boolean => map === 'device' || (preset?.entered.includes(id) === true && !preset.lacks.includes(id))
