import { own } from '#core/base'
import { pedalController } from '#core/pedal'
import { inOrder, type Rig, actionLists } from '#core/rig'
import { worked } from '#core/switching'
import type { FindingOf } from '../finding'
import { pedalTargets } from './pedalTarget'

export type OffOneWay = FindingOf<
  'offOneWay',
  { readonly pedal: string; readonly label: string; readonly number: number }
>

/** An automatic bypass that steps on a switch which does the same at every step. */
export function offOneWay(rig: Rig): OffOneWay[] {
  return inOrder(rig.pedals).flatMap(({ id, name, off }): OffOneWay[] => {
    const footswitch = off?.works.kind === 'switch' ? own(rig.switches, off.works.switchId) : undefined
    if (!footswitch || footswitch.positions.length === 2) return []
    return [
      {
        code: 'offOneWay',
        severity: 'warning',
        about: { table: 'pedals', id, field: 'off' },
        facts: { pedal: name, label: footswitch.label, number: footswitch.number },
      },
    ]
  })
}

export type PedalBehindLamp = FindingOf<
  'pedalBehindLamp',
  {
    readonly pedal: string
    readonly control: string
    readonly device: string
    readonly label: string
    readonly number: number
  }
>

/** A control that a pedal moves behind the controller's back, and whose state a switch's lamp speaks of. */
export function pedalBehindLamp(rig: Rig): PedalBehindLamp[] {
  return pedalTargets(rig).flatMap(({ pedal, role, n, target, control, device }): PedalBehindLamp[] => {
    if (pedalController(pedal) !== null && target.number === null) return []
    const spoken = Object.values(rig.switches).find((footswitch) =>
      actionLists(footswitch).some(({ actions }) =>
        actions.some((action) => worked(action)?.controlId === control.id),
      ),
    )
    return spoken
      ? [
          {
            code: 'pedalBehindLamp',
            severity: 'warning',
            about: { table: 'pedals', id: pedal.id, field: `roles.${role}.targets.${n}` },
            facts: {
              pedal: pedal.name,
              control: control.name,
              device: device.name,
              label: spoken.label,
              number: spoken.number,
            },
          },
        ]
      : []
  })
}
