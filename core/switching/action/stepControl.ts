import { own } from '#core/base'
import { type ActionOf, highestValue } from '#core/rig'
import { controlSet } from '../controlSends'
import { controlsMeant } from '../phrase/controls'
import { onlyNumber, without } from '../phrase/phrase'
import { shortControl, stepWay } from '../panelRows'
import type { ActionDoes } from './actionDoes'
import { firstControl } from '../starting'

/** Goes by what the controller last sent for the control. */
export const stepControl: ActionDoes<ActionOf<'stepControl'>> = {
  starts: (rig) => {
    const control = firstControl(rig)
    return control && { kind: 'stepControl', controlId: control.id, by: 1, from: 0, to: 127, atEnd: 'stop' }
  },
  asks: (_, { controlId }) => [`values/${controlId}`],
  sets: 'onward',
  steps: (rig, action, { known }) => {
    const value = nextValue(action, own(known.values, action.controlId))
    return value === null ? [] : controlSet(rig, action.controlId, value)
  },
  rows: (rig, { controlId, by, from, to, atEnd }) => {
    const at = shortControl(rig, controlId)
    return at && [['step', ...at, stepWay(by, atEnd), from, to, Math.abs(by)]]
  },
  values: ({ from, by }) => [from + by],
  reads: (rig, { words }) =>
    ([1, -1] as const).flatMap((way) => {
      const said = without(words, way === 1 ? 'up' : 'down')
      return controlsMeant(rig, said ?? []).flatMap(({ control, left, fit }) => {
        const by = left.length === 0 ? 1 : onlyNumber(left)
        if (by === null || !Number.isInteger(by) || by <= 0 || control.reading.kind !== 'range') return []
        const { from, to } = control.reading
        return by > highestValue(control.address)
          ? []
          : [
              {
                action: {
                  kind: 'stepControl' as const,
                  controlId: control.id,
                  by: by * way,
                  from,
                  to,
                  atEnd: 'stop' as const,
                },
                sureness: fit + 4,
              },
            ]
      })
    }),
}

/** Null where it stands at the end and stops there. */
function nextValue({ by, from, to, atEnd }: ActionOf<'stepControl'>, now: number | undefined): number | null {
  const [least, most] = [Math.min(from, to), Math.max(from, to)]
  if (now === undefined) return from
  const wanted = now + by
  if (wanted >= least && wanted <= most) return wanted
  if (atEnd === 'wrap') return by > 0 ? least : most
  const end = by > 0 ? most : least
  return now === end ? null : end
}
