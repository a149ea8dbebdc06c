import { own } from '#core/base'
import type { Rig, ActionOf, Control } from '#core/rig'
import { valueClaims } from '../claim'
import { controlSet } from '../controlSends'
import { furtherValue } from '../furtherValue'
import type { Known } from '../known'
import { controlsMeant } from '../phrase/controls'
import { without } from '../phrase/phrase'
import { shortControl, stepWay } from '../panelRows'
import type { ActionDoes } from './actionDoes'
import { firstControl } from '../starting'

/** The names of a control as scenes, in the order of their values: scene 1 is often value 0 (common practice). */
export const scene: ActionDoes<ActionOf<'scene'>> = {
  starts: (rig) => {
    const control = firstControl(rig, ({ reading }) => reading.kind === 'named')
    return control && { kind: 'scene', controlId: control.id, move: 'to', value: 0 }
  },
  asks: (_, { controlId }) => [`values/${controlId}`],
  sets: 'outright',
  works: ({ controlId, move, value }) => (move === 'to' ? { controlId, values: [value] } : null),
  further: (rig, action, along) => (action.move === 'to' ? furtherValue(rig, action, along) : action),
  steps: (rig, action, { known }) => {
    const value = sceneValue(rig, action, known)
    return value === null ? [] : controlSet(rig, action.controlId, value)
  },
  isLit: (_, { controlId, move, value }, { values }) =>
    move === 'to' ? own(values, controlId) === value : null,
  claims: (rig, { controlId, move, value }) => (move === 'to' ? valueClaims(rig, controlId, value) : []),
  rows: (rig, { controlId, move }) => {
    if (move === 'to') return 'sent'
    // Scenes whose values lie evenly are steps of a value.
    const to = shortControl(rig, controlId)
    const values = sceneNames(own(rig.controls, controlId)).map(({ value }) => value)
    const by = values[1] === undefined ? 1 : values[1] - values[0]!
    const [first, last] = [values[0], values.at(-1)]
    if (!to || first === undefined || last === undefined) return null
    if (by < 1 || values.some((value, n) => value !== first + n * by)) return null
    return move === 'next'
      ? [['step', ...to, stepWay(1, 'wrap'), first, last, by]]
      : [['step', ...to, stepWay(-1, 'wrap'), last, first, by]]
  },
  reads: (rig, { words }) =>
    (['next', 'previous'] as const).flatMap((move) => {
      const said = without(words, move)
      return controlsMeant(rig, said ?? []).flatMap(({ control, left, fit }) =>
        control.reading.kind === 'named' && left.length === 0
          ? [{ action: { kind: 'scene' as const, controlId: control.id, move, value: 0 }, sureness: fit + 4 }]
          : [],
      )
    }),
}

const sceneNames = (control: Control | undefined): readonly { value: number; name: string }[] =>
  control?.reading.kind === 'named' ? control.reading.names.toSorted((a, b) => a.value - b.value) : []

function sceneValue(
  rig: Rig,
  { controlId, move, value }: ActionOf<'scene'>,
  { values }: Known,
): number | null {
  const control = own(rig.controls, controlId)
  if (move === 'to') return control ? value : null
  const all = sceneNames(control)
  const now = own(values, controlId)
  const at = now === undefined ? -1 : all.findIndex((one) => one.value === now)
  if (at < 0) return (move === 'next' ? all[0] : all.at(-1))?.value ?? null
  return all.at((at + (move === 'next' ? 1 : -1)) % all.length)!.value
}
