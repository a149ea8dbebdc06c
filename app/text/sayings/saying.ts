import type { Finding } from '#core/check'

export interface FindingText {
  /** What is wrong. */
  readonly title: string
  /** Why it matters on stage, and what to do. */
  readonly body: string
  /** The words on the button that does it; null when there is no one-click way. */
  readonly fix: string | null
}

export type FindingCode = Finding['code']

/** How findings of some codes are said: one sentence maker for each. */
export type Sayings<Code extends FindingCode> = {
  readonly [One in Code]: (finding: Extract<Finding, { code: One }>) => FindingText
}
