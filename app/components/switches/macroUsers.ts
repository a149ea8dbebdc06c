import { perObject } from '#core/base'
import { actionLists, inOrder, byIndex, namedIn, type Action, type Rig } from '#core/rig'
import { switchPlace } from '~/text/sounds'
import { bankText } from '#shared/actions/travel'

/** Who runs each macro, in words: switches, other macros, banks. */
export const macroUsers = perObject((rig: Rig): ReadonlyMap<string, readonly string[]> => {
  const users = new Map<string, string[]>()
  const put = (actions: readonly Action[], by: string) => {
    for (const action of actions) {
      const id = namedIn(action, 'macros')
      const known = users.get(id ?? '') ?? []
      if (id !== null && !known.includes(by)) users.set(id, [...known, by])
    }
  }
  for (const one of Object.values(rig.switches))
    put(
      actionLists(one).flatMap(({ actions }) => actions),
      switchPlace(rig, one),
    )
  for (const macro of inOrder(rig.macros)) put(macro.actions, `macro ${macro.name}`)
  for (const bank of byIndex(rig.banks)) put([...bank.enter, ...bank.leave], `bank ${bankText(rig, bank.id)}`)
  return users
})
