import { HRANA_TOKEN, startHranaServer } from './hranaServer'

/** Where a server under test may keep its rigs; `env` is what it is told. */
export interface Place {
  readonly name: string
  readonly open: () => Promise<{ readonly env: Record<string, string>; readonly close: () => Promise<void> }>
}

export const PLACES: readonly Place[] = [
  { name: 'a file', open: async () => ({ env: {}, close: async () => {} }) },
  {
    name: 'a remote database',
    open: async () => {
      const remote = await startHranaServer()
      return { env: { DATABASE_URL: remote.url, DATABASE_AUTH_TOKEN: HRANA_TOKEN }, close: remote.stop }
    },
  },
]
