import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'
import { clearSession, getCookie, getSession, updateSession, type H3Event, type SessionConfig } from 'h3'

/** Lets in who knows the passphrase, and knows them again by a sealed cookie. */
export interface Gate {
  readonly isSignedIn: (event: H3Event) => Promise<boolean>
  /** False when it is not the passphrase. */
  readonly signIn: (event: H3Event, passphrase: string) => Promise<boolean>
  readonly signOut: (event: H3Event) => Promise<void>
}

/** Half of what scrypt gives proves the passphrase, half seals the cookies: another passphrase, other cookies. */
const HALF = 32
/** About 60 ms and 32 MB a try on the machine this was written on; scrypt is RFC 7914. */
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
const MONTH = 30 * 24 * 60 * 60

const derive = promisify(
  (passphrase: string, salt: string, done: (error: Error | null, key: Buffer) => void) =>
    scrypt(passphrase.normalize('NFC'), salt, 2 * HALF, COST, done),
)

export const newSalt = (): string => randomBytes(16).toString('hex')

export interface GateOptions {
  readonly passphrase: string
  /** Kept with the rigs, so that a sign-in outlives the server and holds on all servers of one database. */
  readonly salt: string
  /** Cookies do not tell ports apart. */
  readonly port: number
  readonly isHttps: boolean
}

export async function createGate({ passphrase, salt, port, isHttps }: GateOptions): Promise<Gate> {
  const key = await derive(passphrase, salt)
  const proof = key.subarray(0, HALF)
  const session: SessionConfig = {
    name: `wire-step-${port}`,
    password: key.subarray(HALF).toString('hex'),
    maxAge: MONTH,
    cookie: { httpOnly: true, sameSite: 'lax', secure: isHttps, path: '/' },
  }
  return {
    isSignedIn: async (event) => {
      if (!getCookie(event, session.name!)) return false
      const { data } = await getSession<{ isIn?: boolean }>(event, session)
      return data.isIn === true
    },
    signIn: async (event, tried) => {
      const given = (await derive(tried, salt)).subarray(0, HALF)
      if (!timingSafeEqual(given, proof)) return false
      await updateSession(event, session, { isIn: true })
      return true
    },
    signOut: (event) => clearSession(event, session),
  }
}
