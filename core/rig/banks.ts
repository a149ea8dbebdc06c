import { byIndex, type Rig } from './rig'
import type { Controller } from './table/controller'

/** The first bank of a controller with no row yet, counted from 0; null when all are in use. */
export function nextBankIndex(
  rig: Rig,
  { id, bankCount }: Pick<Controller, 'id' | 'bankCount'>,
): number | null {
  const used = new Set(
    byIndex(rig.banks).flatMap(({ controllerId, index }) => (controllerId === id ? [index] : [])),
  )
  for (let index = 0; index < bankCount; index++) if (!used.has(index)) return index
  return null
}
