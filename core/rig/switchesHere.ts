import { own } from '#core/base'
import { bankShape } from './shape'
import { perTables } from './perTables'
import { byIndex, type Rig } from './rig'
import { namedIn, turnsLayer, type Action } from './table/action'
import { actionLists, isProgrammed, type Footswitch, type Layer } from './table/switch'

/** The footswitches of every bank and layer, by place: {@link placeKey}. */
type Places = ReadonlyMap<string, Footswitch>

/** One footswitch under the foot, whatever bank: "", 3 is the third of the controller's own. */
export const placeKey = ({ jack, number }: Pick<Footswitch, 'jack' | 'number'>): string => `${jack}/${number}`

const NONE: Places = new Map()

const everyBank = perTables(['switches', bankShape, 'macros'], (rig: Rig): ReadonlyMap<string, Places> => {
  const byBank = new Map<string, Map<string, Footswitch>>()
  const put = (key: string, one: Footswitch) => {
    const places = byBank.get(key) ?? new Map<string, Footswitch>()
    byBank.set(key, places)
    if (!places.has(placeKey(one))) places.set(placeKey(one), one)
  }
  const banks = byIndex(rig.banks)
  const all = Object.values(rig.switches)
  for (const one of all) if (isProgrammed(one)) put(`${one.bankId}/${one.layer}`, one)
  // Of two that stand everywhere in one place, the one of the lower bank does.
  const everywhere = banks.flatMap((bank) =>
    all.filter((one) => one.everywhere && one.bankId === bank.id && isProgrammed(one)),
  )
  for (const bank of banks)
    for (const one of everywhere)
      if (own(rig.banks, one.bankId)?.controllerId === bank.controllerId) put(`${bank.id}/${one.layer}`, one)
  // What turns the shift layer on is there to turn it off again: the way back is always under the foot.
  for (const bank of banks)
    for (const one of [...(byBank.get(`${bank.id}/base`) ?? NONE).values()])
      if (canTurnLayer(rig, one)) put(`${bank.id}/shift`, one)
  // A row that does nothing yet is in its place as long as nothing else is.
  for (const one of all) put(`${one.bankId}/${one.layer}`, one)
  return byBank
})

const canTurnLayer = (rig: Rig, footswitch: Footswitch): boolean => {
  const turns = (actions: readonly Action[], depth: number): boolean =>
    actions.some(
      (action) =>
        turnsLayer(action) ||
        (depth < 20 && turns(own(rig.macros, namedIn(action, 'macros') ?? '')?.actions ?? [], depth + 1)),
    )
  return actionLists(footswitch).some(({ actions }) => turns(actions, 0))
}

/** What is under the foot in a bank and layer, by place: its own switches, and those of every bank it says nothing of. */
export const switchesHere = (rig: Rig, bankId: string, layer: Layer): Places =>
  everyBank(rig).get(`${bankId}/${layer}`) ?? NONE
