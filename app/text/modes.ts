import type { SwitchMode } from '#core/rig'

export const MODE_TEXT: Record<SwitchMode, string> = {
  recall: 'Recall',
  alternate: 'Alternate',
  hold: 'Hold',
  cycle: 'Cycle',
}
