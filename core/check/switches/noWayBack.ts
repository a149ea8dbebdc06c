import { own } from '#core/base'
import { inOrder, type Rig } from '#core/rig'
import { bankMap } from '#core/switching'
import type { FindingOf } from '../finding'

export type NoWayBack = FindingOf<
  'noWayBack',
  {
    /** As the controller shows it, with its name. */
    readonly number: number
    readonly name: string
    readonly isPage: boolean
    readonly isShift: boolean
    /** Nothing leads on from it at all. */
    readonly isDeadEnd: boolean
    readonly home: string
  }
>

/** A bank, page or layer that the foot can come to and from which no switch leads home. */
export const noWayBack = (rig: Rig): NoWayBack[] =>
  inOrder(rig.controllers).flatMap((controller) => {
    const map = bankMap(rig, controller.id)
    if (!map) return []
    const home = map.spots[map.home]!.bank
    return map.noWayHome.map((n): NoWayBack => {
      const { bank, layer } = map.spots[n]!
      return {
        code: 'noWayBack',
        severity: 'error',
        about: { table: 'banks', id: bank.id },
        facts: {
          number: bank.index + controller.firstBank,
          name: bank.name,
          isPage: bank.pageOf !== null,
          isShift: layer === 'shift',
          isDeadEnd: map.deadEnds.includes(n),
          home: own(rig.banks, home.id)?.name || String(home.index + controller.firstBank),
        },
      }
    })
  })
