import { own, numberText } from '#core/base'
import type { Heard, HeardStep } from '#core/listen'
import type { StepVerdict } from '#core/practice'
import type { Rig } from '#core/rig'
import { count } from '#shared/words/counts'
import { placeShort } from '#shared/placeText'

/** "1.4 s"; "not found" where it never was. */
export const tookText = (ms: number | null): string =>
  ms === null ? 'not found' : `${numberText(ms / 1000, 1)} s`

export const shareText = (part: number, of: number): string =>
  of === 0 ? 'none' : `${Math.round((100 * part) / of)} %`

/** What the last step was, said at once. */
export const VERDICT_TEXT: Record<StepVerdict, string> = {
  found: 'Found.',
  onTheWay: 'On the way.',
  wrong: 'Not that one.',
}

/** What a real controller's messages were taken for. */
export function heardText(rig: Rig, heard: Heard): string {
  const places = (steps: readonly HeardStep[]) => {
    const all = steps.map((step) => placeShort(rig, step, step.jack))
    return all.length <= 4 ? all.join(', ') : `${all.slice(0, 4).join(', ')} and ${all.length - 4} more`
  }
  switch (heard.kind) {
    case 'nothing':
      return 'No switch of this rig sends just these messages: nothing was stepped on here.'
    case 'several':
      return `Cannot tell: ${count(heard.steps.length, 'place')} would send just these messages (${places(heard.steps)}). Nothing was stepped on here.`
    case 'step': {
      const { step, also } = heard
      const label = own(rig.switches, step.switchId)?.label
      const name = label ? ` ${label}` : ''
      const where =
        also.length > 0 ? ` ${places(also)} would send the same: turn the bank here if it was there.` : ''
      return `Taken for ${places([step])}${name}.${where}`
    }
  }
}
