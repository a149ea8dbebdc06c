import type { Role } from '#core/rig'
import type { Phase, Task } from './checklist'

/** Where care is due; `app/text/cautions.ts` says it. Common practice throughout. */
export type Caution =
  | 'power'
  | 'midiPower'
  | 'ampJack'
  | 'jackRole'
  | 'walkway'
  | 'hum'
  | 'loudness'
  | 'saveFirst'

/** What to say once at the head of a phase. */
export const PHASE_CAUTIONS: Record<Phase, readonly Caution[]> = {
  cables: ['walkway', 'power'],
  jacks: ['jackRole'],
  power: ['power', 'hum'],
  settings: [],
  saving: ['saveFirst'],
  trying: ['loudness'],
}

/** What to say beside one line. */
export function taskCautions(task: Task): readonly Caution[] {
  if (task.kind !== 'cable') return []
  if (task.lead === 'din5') return ['midiPower']
  return task.carries === 'switchOut' || task.carries === 'switchIn' ? ['ampJack'] : []
}

/** What to say beside a jack. */
export function jackCautions(role: Role): readonly Caution[] {
  switch (role.kind) {
    case 'switchIn':
    case 'switchOut':
      return ['ampJack']
    case 'powerIn':
    case 'powerOut':
      return ['power']
    case 'midiIn':
    case 'midiOut':
      return role.phantom === 'none' ? [] : ['midiPower']
    case 'usb':
    case 'air':
    case 'expressionIn':
    case 'expressionOut':
      return []
    case 'audioIn':
      return role.use === 'amp' || role.use === 'mixer' ? ['hum'] : []
    case 'audioOut':
      return role.use === 'headphones' ? ['loudness'] : []
  }
}
