import {
  change,
  type Edit,
  perRow,
  type Rig,
  actionNames,
  type Action,
  isProgrammed,
  type Footswitch,
} from '#core/rig'
import { asksKnown, expanded, isVain, showGo, COMPILE_KEYS, compile } from '#core/switching'
import type { FindingOf } from '../finding'

export type SilentSwitch = FindingOf<
  'silentSwitch',
  {
    readonly label: string
    /** Presses that send nothing, counted from 1. */
    readonly presses: readonly number[]
    readonly of: number
    /** Nothing is asked of it, what it asks reaches no device, or the show has no part it could step to. */
    readonly why: 'empty' | 'unheard' | 'noPart'
  }
>

/** A named switch that sends nothing, at all or on some of its presses. */
export const silentSwitch = (rig: Rig): SilentSwitch[] =>
  Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch))

/** What hangs on what was done before may do something; what names a device that listens on no channel never does. */
const isSilent = (rig: Rig, footswitch: Footswitch, actions: readonly Action[], position: number): boolean =>
  compile(rig, footswitch, 'press', position).every(({ kind }) => kind === 'wait') &&
  expanded(rig, actions).every(
    ({ action }) =>
      !asksKnown(action) ||
      isVain(rig, action) ||
      (showGo(action) === null && actionNames(action).some(({ table }) => table !== 'banks')),
  )

const ofSwitch = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): SilentSwitch[] => {
  // A switch that only answers to other gestures has no press to say anything of.
  const isOther = footswitch.positions.length === 1 && footswitch.positions[0]!.length === 0
  if (isOther && isProgrammed(footswitch)) return []
  const presses = footswitch.positions.flatMap((actions, position) =>
    isSilent(rig, footswitch, actions, position) ? [position + 1] : [],
  )
  if (presses.length === 0) return []
  const isEmpty = presses.some((press) => footswitch.positions[press - 1]!.length === 0)
  const stepsNowhere = presses.some((press) =>
    expanded(rig, footswitch.positions[press - 1]!).some(({ action }) => isVain(rig, action)),
  )
  const clear: Edit = { label: 'clearSwitch', changes: [change('switches', footswitch.id, footswitch, null)] }
  return [
    {
      code: 'silentSwitch',
      severity: isProgrammed(footswitch) ? 'warning' : 'hint',
      about: { table: 'switches', id: footswitch.id },
      facts: {
        label: footswitch.label,
        presses,
        of: footswitch.positions.length,
        why: isEmpty ? 'empty' : stepsNowhere ? 'noPart' : 'unheard',
      },
      ...(!isProgrammed(footswitch) && { fix: clear }),
    },
  ]
})
