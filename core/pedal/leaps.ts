import { own } from '#core/base'
import type { Rig, Control, Pedal, Target } from '#core/rig'
import { fullEnds, playsAt, STEPS } from './sweep'

/** A control that leaps at the first move after another role has come, the foot being at an end. */
export interface Leap {
  readonly from: number
  readonly to: number
  readonly foot: 'heel' | 'toe'
  readonly controlId: string
  /** Values of the control as it plays them. */
  readonly before: number
  readonly after: number
  /** Where it was is not known: this is the furthest it can have been. */
  readonly isMost: boolean
  /** Share of all it can do. */
  readonly share: number
}

const FEET = [
  ['heel', 0],
  ['toe', STEPS],
] as const

/**
 * What leaps when one role of a pedal gives way to another and the foot, at an end, then moves: the furthest first. Nothing
 * where the pedal waits until it has caught its controls. What neither role leads stays where it is.
 */
export function roleLeaps(rig: Rig, pedal: Pedal): Leap[] {
  if (pedal.takeover === 'catches') return []
  const leaps: Leap[] = []
  pedal.roles.forEach((before, from) =>
    pedal.roles.forEach((after, to) => {
      if (from === to) return
      for (const target of after.targets) {
        const control = own(rig.controls, target.controlId)
        if (!control) continue
        const same = before.targets.find(({ controlId }) => controlId === target.controlId)
        const { heel, toe } = fullEnds(control)
        for (const [foot, position] of FEET) {
          const then = playsAt(target, control, position)
          const was = same ? playsAt(same, control, position) : furthest(target, control, then)
          if (was === then) continue
          const share = Math.abs(then - was) / (toe - heel)
          leaps.push({
            from,
            to,
            foot,
            controlId: control.id,
            before: was,
            after: then,
            isMost: !same,
            share,
          })
        }
      }
    }),
  )
  return leaps.sort((a, b) => b.share - a.share)
}

/** Led only by this role, a control is where the foot left it: at worst at the value furthest from here. */
function furthest(target: Target, control: Control, from: number): number {
  let worst = from
  for (let position = 0; position <= STEPS; position++) {
    const value = playsAt(target, control, position)
    if (Math.abs(value - from) > Math.abs(worst - from)) worst = value
  }
  return worst
}

/** The same target led the other way round. */
export const reversed = (target: Target): Target => ({
  ...target,
  sends: { heel: target.sends.toe, toe: target.sends.heel },
})

/** What a target leaps by at the moment it is reversed, with the pedal at a step: values as the control plays them. */
export const reversalLeap = (
  target: Target,
  control: Control,
  position: number,
): { readonly before: number; readonly after: number } => ({
  before: playsAt(target, control, position),
  after: playsAt(reversed(target), control, position),
})
