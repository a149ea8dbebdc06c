import {
  editRow,
  endOf,
  freeOutlet,
  powerMismatch,
  powerPlan,
  type Rig,
  type CableId,
  type RoleOf,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type WrongPower = FindingOf<
  'wrongPower',
  {
    readonly box: string
    readonly supply: string
    readonly outlet: string
    readonly why: 'volts' | 'current' | 'centre'
    readonly gives: string
    readonly needs: string
    /** The outlet the fix moves it to; null when none suits. */
    readonly better: string | null
  }
>

export type WeakPower = FindingOf<
  'weakPower',
  {
    readonly supply: string
    readonly outlet: string
    readonly boxes: readonly string[]
    readonly drawn: number
    readonly gives: number
    readonly better: string | null
  }
>

/** A box on an outlet of another voltage, kind or polarity. The fix moves it to a free outlet that suits. */
export function wrongPower(rig: Rig): WrongPower[] {
  return powerPlan(rig).outlets.flatMap(({ box: supply, port, gives, feeds }) =>
    feeds.flatMap(({ link, box, needs }): WrongPower[] => {
      const why = powerMismatch(gives, needs)
      if (why === null) return []
      const better = moveToOutlet(rig, link.cable.id, needs)
      return [
        {
          code: 'wrongPower',
          severity: 'error',
          about: { table: 'cables', id: link.cable.id },
          facts: {
            box: box.name,
            supply: supply.name,
            outlet: port.name,
            why,
            gives: String(gives[why]),
            needs: String(needs[why]),
            better: better && better.name,
          },
          ...(better && { fix: better.fix }),
        },
      ]
    }),
  )
}

/** More drawn from an outlet than it gives. The fix moves the box that draws most to a free outlet that suits. */
export function weakPower(rig: Rig): WeakPower[] {
  return powerPlan(rig).outlets.flatMap(({ box: supply, port, gives, feeds, onward, drawn }): WeakPower[] => {
    if (drawn <= gives.milliamps) return []
    const greedy = feeds.reduce((most, one) => (one.needs.milliamps > most.needs.milliamps ? one : most))
    const better = moveToOutlet(rig, greedy.link.cable.id, greedy.needs)
    return [
      {
        code: 'weakPower',
        severity: 'error',
        about: { table: 'cables', id: greedy.link.cable.id },
        facts: {
          supply: supply.name,
          outlet: port.name,
          boxes: [...feeds.map(({ box }) => box.name), ...onward],
          drawn,
          gives: gives.milliamps,
          better: better && better.name,
        },
        ...(better && { fix: better.fix }),
      },
    ]
  })
}

function moveToOutlet(rig: Rig, cableId: CableId, needs: RoleOf<'powerIn'>) {
  const outlet = freeOutlet(rig, needs)
  const fix =
    outlet &&
    editRow(rig, 'changeCable', 'cables', cableId, { from: endOf(rig, outlet.box.id, outlet.port.id) })
  return fix && { name: `${outlet.box.name}, ${outlet.port.name}`, fix }
}
