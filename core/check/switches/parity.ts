import { own } from '#core/base'
import {
  type Edit,
  putSwitch,
  perRow,
  type Rig,
  type Action,
  highestValue,
  type Control,
  type Footswitch,
} from '#core/rig'
import { COMPILE_KEYS, pairOutcome, type ControllerMode, type PairOutcome, worked } from '#core/switching'
import type { FindingOf } from '../finding'

export type Parity = FindingOf<
  'parity',
  {
    readonly device: string
    readonly control: string
    readonly mode: ControllerMode['kind']
    readonly reading: Control['reading']['kind']
    /** After one, two, three presses, from off and from on. */
    readonly after: PairOutcome['after']
    /** Null where it never changes. */
    readonly pressesAChange: number | null
  }
>

/** A control worked by a switch in a way that does not fit how its device reads it. */
export const parity = (rig: Rig): Parity[] =>
  Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch))

interface WorkedSo {
  readonly control: Control
  readonly mode: ControllerMode
}

const ofSwitch = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): Parity[] =>
  workedBy(rig, footswitch).flatMap(({ control, mode }): Parity[] => {
    const outcome = pairOutcome(mode, control.reading, highestValue(control.address))
    const { pressesAChange, isOutOfStep } = outcome
    const isDrifting = isOutOfStep && control.reading.kind === 'toggle'
    if (mode.kind === 'one' || (pressesAChange === 1 && !isDrifting)) return []
    // Two values that mean the same to what is not switched are no fault of the pair.
    if (pressesAChange === null && control.reading.kind !== 'toggle' && control.reading.kind !== 'switch')
      return []
    const fix = oneValue(rig, footswitch, control)
    return [
      {
        code: 'parity',
        severity: pressesAChange === 1 ? 'warning' : 'error',
        about: { table: 'switches', id: footswitch.id },
        facts: {
          device: own(rig.devices, control.deviceId)?.name ?? '',
          control: control.name,
          mode: mode.kind,
          reading: control.reading.kind,
          after: outcome.after,
          pressesAChange,
        },
        ...(fix && { fix }),
      },
    ]
  }),
)

const isAlternating = (action: Action): boolean => worked(action)?.values.length === 2

const isSetting = (action: Action, controlId: string): boolean =>
  worked(action)?.controlId === controlId && !isAlternating(action)

const valueIn = (actions: readonly Action[], controlId: string): number | null => {
  const set = actions.findLast((one) => isSetting(one, controlId))
  return set ? worked(set)!.values[0] : null
}

/** The controls a switch works, and how: by two positions, by press and release, or by an action that alternates. */
function workedBy(rig: Rig, { positions, release }: Footswitch): WorkedSo[] {
  const [first = [], second] = positions
  const found: WorkedSo[] = []
  const put = (controlId: string, mode: ControllerMode) => {
    const control = own(rig.controls, controlId)
    if (control && !found.some((one) => one.control === control)) found.push({ control, mode })
  }
  for (const action of positions.flat())
    if (isAlternating(action)) {
      const { controlId, values } = worked(action)!
      put(controlId, { kind: 'alternate', first: values[0], second: values[1]! })
    }
  for (const action of first) {
    const works = worked(action)
    if (!works || isAlternating(action)) continue
    const { controlId } = works
    const [value] = works.values
    const [other, up] = [
      positions.length === 2 ? valueIn(second!, controlId) : null,
      valueIn(release, controlId),
    ]
    if (other !== null) put(controlId, { kind: 'alternate', first: value, second: other })
    else if (up !== null && positions.length === 1) put(controlId, { kind: 'hold', down: value, up })
  }
  return found
}

/** The same with one value each press, for what changes over by itself; null where more than the value would change. */
function oneValue(rig: Rig, footswitch: Footswitch, control: Control): Edit | null {
  if (control.reading.kind !== 'toggle') return null
  const set: Action = { kind: 'setControl', controlId: control.id, value: control.reading.value }
  const alternates = (one: Action) => isAlternating(one) && worked(one)!.controlId === control.id
  if (footswitch.positions.flat().some(alternates))
    return {
      label: 'changeAction',
      changes: [
        putSwitch(rig, {
          ...footswitch,
          positions: footswitch.positions.map((actions) =>
            actions.map((one) => (alternates(one) ? set : one)),
          ),
        }),
      ],
    }
  const rest = footswitch.positions.map((actions) => actions.filter((one) => !isSetting(one, control.id)))
  if (JSON.stringify(rest[0]) !== JSON.stringify(rest.at(-1))) return null
  const [first = []] = footswitch.positions
  const positions = [first.map((one) => (isSetting(one, control.id) ? set : one))]
  return {
    label: 'setPositions',
    changes: [putSwitch(rig, { ...footswitch, positions, lamps: footswitch.lamps.slice(0, 1) })],
  }
}
