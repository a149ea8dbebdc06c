import { perTables } from './perTables'
import { byIndex, type Rig } from './rig'

let last: { readonly text: string; readonly shape: object } = { text: '', shape: {} }

/**
 * Stands for how banks lie: whose they are, in which order, which are pages. The same object while that is the same:
 * banks are often renamed, and seldom moved.
 */
export const bankShape = perTables(['banks'], (rig: Rig): object => {
  const text = JSON.stringify(
    byIndex(rig.banks).map(({ id, index, controllerId, pageOf }) => [id, index, controllerId, pageOf]),
  )
  if (text !== last.text) last = { text, shape: {} }
  return last.shape
})
