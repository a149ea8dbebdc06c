import { change, type Rig, type Run } from '#core/rig'
import { playSteps, seenIn, runDifferences } from '#core/simulate'
import type { FindingOf } from '../finding'

/** A recorded run that comes out otherwise than it did. */
export type RunDiffers = FindingOf<'runDiffers', { readonly run: string; readonly differences: number }>

/** A recorded run that no longer does what it did. The fix takes what it does now for right. */
export function runDiffers(rig: Rig, run: Run): RunDiffers[] {
  const differences = runDifferences(rig, run).length
  if (differences === 0) return []
  const seen = seenIn(rig, playSteps(rig, run.steps, run.length))
  return [
    {
      code: 'runDiffers',
      severity: 'warning',
      about: { table: 'runs', id: run.id },
      facts: { run: run.name, differences },
      fix: { label: 'keepRun', changes: [change('runs', run.id, run, { ...run, seen })] },
    },
  ]
}
