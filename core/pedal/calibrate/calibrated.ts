import type { Calibration } from '#core/rig'
import { STEPS } from '../sweep'

/** The step of the pedal for what its jack reads, both 0-127; without a calibration as it is read. */
export function calibrated(calibration: Pick<Calibration, 'from' | 'to'> | null, reading: number): number {
  if (!calibration || calibration.from === calibration.to) return reading
  const { from, to } = calibration
  return Math.round(Math.min(1, Math.max(0, (reading - from) / (to - from))) * STEPS)
}
