import type { Saving } from '#core/rig'

export const SAVING_TEXT: Record<Saving['how'], string> = {
  itself: 'By itself',
  explicit: 'Only when told to save',
  powerOff: 'When switched off in the right way',
}
