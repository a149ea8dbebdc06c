import { dequal } from 'dequal/lite'
import { putActions, perRow, type Rig, type Footswitch } from '#core/rig'
import { asksKnown, COMPILE_KEYS, type CompiledStep } from '#core/switching'
import { gestured, placeOfList, switchLists, type Gestured, type SwitchList } from './switchLists'
import type { FindingOf } from '../finding'

export type TwinGestures = FindingOf<'twinGestures', { readonly one: Gestured; readonly other: Gestured }>

/** Two gestures of one switch that do the same. */
export const twinGestures = (rig: Rig): TwinGestures[] =>
  Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch))

const ofSwitch = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): TwinGestures[] => {
  const lists = switchLists(rig, footswitch).filter(({ steps }) => steps.length > 0)
  return lists.flatMap((other, n): TwinGestures[] => {
    const one = lists.slice(0, n).find((before) => isSame(before, other))
    if (!one) return []
    // Of several positions none can be taken without changing the others' turn.
    const fix =
      other.event === 'press' ? null : putActions(rig, placeOfList(footswitch, other), 'changeSwitch', [])
    return [
      {
        code: 'twinGestures',
        severity: 'warning',
        about: { table: 'switches', id: footswitch.id, field: other.event },
        facts: { one: gestured(footswitch, one), other: gestured(footswitch, other) },
        ...(fix && { fix }),
      },
    ]
  })
})

/** The same at every time: what hangs on what is known is only where the very same is asked. */
const isSame = (a: SwitchList, b: SwitchList): boolean => {
  const bare = (steps: readonly CompiledStep[]) => steps.map(({ action: _, ...step }) => step)
  const changesOver = a.actions.some(
    (one) => 'does' in one && (one.does === 'change' || one.does === 'nudge'),
  )
  const hangs = a.actions.some(asksKnown) && !dequal(a.actions, b.actions)
  return (
    !changesOver &&
    !hangs &&
    a.steps.length === b.steps.length &&
    dequal(bare(a.steps), bare(b.steps)) &&
    dequal(
      a.actions.map(({ kind }) => kind),
      b.actions.map(({ kind }) => kind),
    )
  )
}
