import type { Controller } from '#core/rig'

/** Why a controller cannot send an address; null when it can. */
export function reasonAgainst(
  { highestProgram, sendsBankSelect }: Pick<Controller, 'highestProgram' | 'sendsBankSelect'>,
  bank: number,
  program: number,
): 'listStops' | 'noBankSelect' | null {
  if (bank > 0 && !sendsBankSelect) return 'noBankSelect'
  return program > highestProgram ? 'listStops' : null
}
