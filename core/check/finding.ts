import type { Edit, TableName } from '#core/rig'

/** `error`: will not work on stage. `warning`: will surprise. `hint`: unfinished or untidy. */
export type Severity = 'error' | 'warning' | 'hint'

/** The shape of every finding. Facts only: `app/text/findings.ts` says them. */
export interface FindingOf<Code extends string, Facts> {
  readonly code: Code
  readonly severity: Severity
  readonly about: { readonly table: TableName; readonly id: string; readonly field?: string }
  readonly facts: Facts
  /** One edit that makes the finding go away. */
  readonly fix?: Edit
  /** All that would, where there are several ways; the first is `fix`. */
  readonly cures?: readonly Edit[]
}
