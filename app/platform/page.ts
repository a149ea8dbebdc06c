/** The page itself as a thing to print. */
export interface Page {
  readonly print: () => void
}

export const browserPage: Page = { print: () => window.print() }

/** For tests: prints nothing. */
export const memoryPage = (): Page => ({ print: () => {} })
