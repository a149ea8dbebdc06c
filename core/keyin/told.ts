import type { Rig } from '#core/rig'
import { certificateFault } from './certificate'
import { sheetOf, type Sheet } from './sheet'

/** A sheet as it is told: without the weights its proof is made of. */
export interface ToldSheet extends Omit<Sheet, 'proof' | 'box'> {
  readonly controllerId: string
  /**
   * That no choice of what is copied from what takes fewer presses: `order` where also the way from place to place is the same in
   * every order, `copies` where that was not compared with every order, null where it was not looked for.
   */
  readonly isLeast: 'order' | 'copies' | null
}

/** The sheet of a controller with what its certificate shows; null where there is no such controller. */
export function toldSheet(rig: Rig, controllerId: string): ToldSheet | null {
  const sheet = sheetOf(rig, controllerId)
  if (!sheet) return null
  const { proof, box, ...rest } = sheet
  const fault = proof && certificateFault(proof.weights, proof.roots, proof.tree)
  const hangsOnOrder = box.shape.keying.toSwitch.some((move) => move.do === 'choose' && move.from === 'here')
  const isSame = sheet.lines.every(({ place }) => place.kind === 'kept') || !hangsOnOrder
  return {
    ...rest,
    controllerId,
    isLeast: proof === null || fault !== null ? null : isSame ? 'order' : 'copies',
  }
}
