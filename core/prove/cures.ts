import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import {
  applyEdit,
  change,
  type Change,
  type Edit,
  type Rig,
  type Action,
  type ControlId,
  type Footswitch,
  findPreset,
  storedValue,
} from '#core/rig'
import { canBeSet } from '#core/sound'
import { actionRecalls, expanded, worked, type Claim } from '#core/switching'
import { claimDevice } from '#core/simulate'
import { claimsOfLamp, lampsToProve, lampVerdict, lampVerdictOn, type LampLie } from './lampLies'
import { claimParts, type Part } from './parts'

/**
 * Edits after which a lamp that can lie no longer does, each proven: the lamp is looked at again in the rig after it, and
 * so is every other lamp that tells of the same thing, none of which lies that did not before. Of several kinds, the one
 * that leaves most as it is comes first.
 */
export function curesOf(rig: Rig, lie: LampLie): readonly Edit[] {
  const footswitch = own(rig.switches, lie.switchId)
  if (!footswitch) return []
  const candidates = [
    setAfterRecall(rig, lie.claim),
    setAtPower(rig, footswitch, lie.claim),
    resyncAfterRecall(rig, lie.claim),
    countPresses(rig, footswitch, lie.claim),
    makeAbsolute(rig, footswitch, lie.claim),
    noLamp(footswitch),
  ]
  const [, part] = claimParts(rig, lie.claim)
  const others = lampsBeside(rig, footswitch, part)
  const held = others.filter((one) => lampVerdictOn(rig, one, part).kind === 'holds')
  return candidates.filter((edit): edit is Edit => {
    const after = edit && applyEdit(rig, edit)
    if (!after?.ok) return false
    const again = own(after.value.switches, footswitch.id)
    if (!again || lampVerdict(after.value, again).kind !== 'holds') return false
    // A lamp that stays dark changes nothing that is sent.
    if (edit!.label === 'noLamp') return true
    return held.every(({ id }) => {
      const other = own(after.value.switches, id)
      return !other || lampVerdictOn(after.value, other, part).kind === 'holds'
    })
  })
}

/** Other lamps that tell of the same thing. */
const lampsBeside = (rig: Rig, footswitch: Footswitch, part: Part): readonly Footswitch[] =>
  lampsToProve(rig).filter(
    (one) =>
      one.id !== footswitch.id && claimsOfLamp(rig, one).some((claim) => claimParts(rig, claim)[1] === part),
  )

const settable = (rig: Rig, controlId: string, value: number): boolean => {
  const control = own(rig.controls, controlId)
  return control !== undefined && canBeSet(control, value)
}

/** Every list of actions of the rig with something put in; no change where that gives the same list. */
function everyList(rig: Rig, alter: (actions: readonly Action[]) => readonly Action[]): Change[] {
  const same = (a: readonly (readonly Action[])[], b: readonly (readonly Action[])[]) =>
    a.every((one, n) => one === b[n])
  return [
    ...Object.values(rig.switches).flatMap((row): Change[] => {
      const { positions, release, longPress, doublePress } = row
      const lists = [...positions, release, longPress, doublePress]
      const after = lists.map(alter)
      if (same(lists, after)) return []
      const [r, l, d] = after.slice(-3) as [Action[], Action[], Action[]]
      const next = {
        ...row,
        positions: after.slice(0, -3) as Action[][],
        release: r,
        longPress: l,
        doublePress: d,
      }
      return [change('switches', row.id, row, next)]
    }),
    ...Object.values(rig.banks).flatMap((row): Change[] => {
      const [enter, leave] = [alter(row.enter), alter(row.leave)]
      return same([row.enter, row.leave], [enter, leave])
        ? []
        : [change('banks', row.id, row, { ...row, enter: [...enter], leave: [...leave] })]
    }),
  ]
}

/** Where a list recalls a preset that moves the control, the control is set behind it to what it then is. */
function setAfterRecall(rig: Rig, claim: Claim): Edit | null {
  if (claim.kind === 'preset' || claim.kind === 'contact') return null
  const deviceId = claimDevice(rig, claim)
  const controlId = claim.controlId as ControlId
  const changes = everyList(rig, (actions) => {
    const at = actions.findLastIndex((one) =>
      actionRecalls(rig, one).some((recalled) => recalled.deviceId === deviceId),
    )
    const recalled = at < 0 ? [] : actionRecalls(rig, actions[at]!).filter((one) => one.deviceId === deviceId)
    if (recalled.length !== 1) return actions
    const value = storedValue(findPreset(rig, deviceId, recalled[0]!.index), controlId)
    const isSetLater = expanded(rig, actions.slice(at + 1)).some(
      ({ action }) => 'controlId' in action && action.controlId === controlId,
    )
    if (value === null || isSetLater || !settable(rig, controlId, value)) return actions
    return actions.toSpliced(at + 1, 0, { kind: 'setControl', controlId, value })
  })
  return changes.length === 0 ? null : { label: 'setAfterRecall', changes }
}

const AGAIN: Action = { kind: 'resync' }

/** Behind every recall on the device all that was sent last is sent again. */
function resyncAfterRecall(rig: Rig, claim: Claim): Edit | null {
  const deviceId = claimDevice(rig, claim)
  const changes = everyList(rig, (actions) =>
    actions.some((one) => actionRecalls(rig, one).some((recalled) => recalled.deviceId === deviceId)) &&
    !dequal(actions.at(-1), AGAIN)
      ? [...actions, AGAIN]
      : actions,
  )
  return changes.length === 0 ? null : { label: 'resyncAfterRecall', changes }
}

/** What is so at power-on by itself, sent at power-on, so that the controller knows it. */
function setAtPower(rig: Rig, { bankId }: Footswitch, claim: Claim): Edit | null {
  const device = own(rig.devices, claimDevice(rig, claim))
  const controller = own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')
  if (
    !device ||
    device.powerOn === null ||
    !controller ||
    claim.kind === 'preset' ||
    claim.kind === 'contact'
  )
    return null
  const controlId = claim.controlId as ControlId
  const value = storedValue(findPreset(rig, device.id, device.powerOn), controlId)
  if (value === null || !settable(rig, controlId, value)) return null
  const onPower: Action[] = [...controller.onPower, { kind: 'setControl', controlId, value }]
  return {
    label: 'setAtPower',
    changes: [change('controllers', controller.id, controller, { ...controller, onPower })],
  }
}

/** On with a press, off with a long one: each always does the same, and the lamp, which cannot know, says nothing. */
function makeAbsolute(rig: Rig, footswitch: Footswitch, claim: Claim): Edit | null {
  if (claim.kind === 'preset' || claim.kind === 'contact') return null
  const { positions, longPress, bankId } = footswitch
  const controller = own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')
  if (!controller?.events.includes('longPress') || longPress.length > 0) return null
  const { controlId } = claim
  const pair = alternated(positions, controlId)
  if (!pair) return null
  return {
    label: 'makeAbsolute',
    changes: [
      change('switches', footswitch.id, footswitch, {
        ...footswitch,
        positions: [[...pair.on]],
        longPress: [...pair.off],
        lamps: [{ colour: '', light: 'off' }],
      }),
    ],
  }
}

/** What an alternating switch does for on and for off; null for one that does not alternate the control. */
function alternated(
  positions: Footswitch['positions'],
  controlId: string,
): { readonly on: readonly Action[]; readonly off: readonly Action[] } | null {
  const [first = [], second] = positions
  if (second) return positions.length === 2 ? { on: first, off: second } : null
  for (const [at, action] of first.entries()) {
    const works = worked(action)
    const [on, off] = works?.values ?? []
    if (works?.controlId !== controlId || on === undefined || off === undefined) continue
    const set = (value: number) => first.with(at, { kind: 'setControl', controlId: works.controlId, value })
    return { on: set(on), off: set(off) }
  }
  return null
}

/** The device changes over at each press, and so does the lamp: on, off, on. */
function countPresses(rig: Rig, footswitch: Footswitch, claim: Claim): Edit | null {
  const { positions } = footswitch
  const [only] = positions
  const turns = 'controlId' in claim && own(rig.controls, claim.controlId)?.reading.kind === 'toggle'
  if (!turns || positions.length !== 1 || !only) return null
  return {
    label: 'countPresses',
    changes: [
      change('switches', footswitch.id, footswitch, {
        ...footswitch,
        positions: [only, only],
        lamps: [
          { colour: footswitch.lamps[0]?.colour ?? '', light: 'steady' },
          { colour: '', light: 'off' },
        ],
      }),
    ],
  }
}

/** The lamp stays dark, whatever the switch does: it cannot say what is not so. */
const noLamp = (footswitch: Footswitch): Edit => ({
  label: 'noLamp',
  changes: [
    change('switches', footswitch.id, footswitch, {
      ...footswitch,
      group: '',
      lamps: footswitch.positions.map(() => ({ colour: '', light: 'off' as const })),
    }),
  ],
})
