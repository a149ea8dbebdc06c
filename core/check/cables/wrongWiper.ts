import { editRow, asRoles, links, type Rig } from '#core/rig'
import { toggleCross } from './crossed'
import type { FindingOf } from '../finding'

export type WrongWiper = FindingOf<
  'wrongWiper',
  { readonly pedal: string; readonly box: string; readonly jack: string; readonly wiper: 'tip' | 'ring' }
>

/** An expression pedal whose wiper comes on the contact the jack does not read. The fix swaps tip and ring. */
export function wrongWiper(rig: Rig): WrongWiper[] {
  return links(rig).flatMap((link): WrongWiper[] => {
    const roles = asRoles(link, 'expressionOut', 'expressionIn')
    if (!roles) return []
    const isCrossed = link.cable.adapters.includes('cross')
    if ((roles.from.wiper !== roles.to.wiper) === isCrossed) return []
    const fix = editRow(rig, 'changeCable', 'cables', link.cable.id, toggleCross(link.cable))
    return [
      {
        code: 'wrongWiper',
        severity: 'error',
        about: { table: 'cables', id: link.cable.id },
        facts: {
          pedal: link.from.box.name,
          box: link.to.box.name,
          jack: link.to.port.name,
          wiper: roles.to.wiper,
        },
        ...(fix && { fix }),
      },
    ]
  })
}
