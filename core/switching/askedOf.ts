import { perRow, type Rig, type Action, type Bank, actionLists, type Footswitch } from '#core/rig'
import { expanded, needOf, tapsOutTo } from './action'

/** What lists of actions ask of the tempo's neighbours, macros with them. */
export interface Asked {
  readonly clock: boolean
  /** Devices a tempo is tapped out to, by id. */
  readonly tapsOut: readonly string[]
}

/** What one list asks. */
export function askedOfList(rig: Rig, actions: readonly Action[]): Asked {
  let clock = false
  const tapsOut: string[] = []
  for (const { action } of expanded(rig, actions)) {
    if (needOf(action) === 'clock') clock = true
    const device = tapsOutTo(action)
    if (device !== null) tapsOut.push(device)
  }
  return { clock, tapsOut }
}

/** The same for all that a switch does; worked out once for each row, since thousands are asked after every edit. */
export const askedOfSwitch = perRow(['macros'], (rig, footswitch: Footswitch): Asked =>
  askedOfList(
    rig,
    actionLists(footswitch).flatMap(({ actions }) => actions),
  ),
)

/** And for what coming to a bank and leaving it does. */
export const askedOfBank = perRow(['macros'], (rig, { enter, leave }: Bank): Asked =>
  askedOfList(rig, [...enter, ...leave]),
)
