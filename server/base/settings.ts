import { isIP } from 'node:net'
import { accept, refuse, type Result } from '#core/base'
import { hostName, isLoopback } from './hosts'

/** What the environment says, read once at start. */
export interface Settings {
  readonly host: string
  /** 0 takes any free one. */
  readonly port: number
  /** Names besides its own that the server answers to. */
  readonly names: readonly string[]
  readonly databaseUrl: string
  readonly databaseToken: string | undefined
  /** Null: no sign-in. */
  readonly passphrase: string | null
  /** A sign-in is remembered by a cookie that only travels over https. */
  readonly isHttps: boolean
  /** Requests a minute from one address. */
  readonly requestsPerMinute: number
  readonly isDemo: boolean
  /** What its owner should know, a line each. */
  readonly warnings: readonly string[]
}

type Environment = Readonly<Record<string, string | undefined>>

const PASSPHRASE_MIN = 8

/** Refused with a line for each thing that is wrong: what, and how to mend it. */
export function readSettings(env: Environment): Result<Settings, readonly string[]> {
  const host = env.HOST || '127.0.0.1'
  const port = Number(env.PORT || 3000)
  const names = (env.WIRE_STEP_HOSTS ?? '').split(',').flatMap((name) => name.trim().toLowerCase() || [])
  const passphrase = env.WIRE_STEP_PASSPHRASE || null
  const requestsPerMinute = Number(env.WIRE_STEP_REQUESTS || 3000)
  const isOpen = env.WIRE_STEP_OPEN === '1'
  const isHost = isIP(host) !== 0 || /^[A-Za-z0-9]([\w.-]*[A-Za-z0-9])?$/.test(host)
  const isReachable = isHost && !isLoopback(host)
  const faults = [
    ...(isHost
      ? []
      : [`HOST is "${host}", which is no name or address. Leave it out for this machine only.`]),
    ...(Number.isInteger(port) && port >= 0 && port <= 65_535
      ? []
      : [`PORT is "${env.PORT}". It should be a whole number from 1 to 65535.`]),
    ...names
      .filter((name) => hostName(name) !== name)
      .map(
        (name) =>
          `WIRE_STEP_HOSTS names "${name}". Give names without http:// and port, with commas between.`,
      ),
    ...(Number.isInteger(requestsPerMinute) && requestsPerMinute > 0
      ? []
      : [
          `WIRE_STEP_REQUESTS is "${env.WIRE_STEP_REQUESTS}". It should be a whole number of requests a minute.`,
        ]),
    ...(passphrase !== null && passphrase.length < PASSPHRASE_MIN
      ? [`WIRE_STEP_PASSPHRASE is too short. Use at least ${PASSPHRASE_MIN} letters; a few words do well.`]
      : []),
    ...(isReachable && passphrase === null && !isOpen
      ? [
          `HOST is ${host}: others on the network could open and change your rigs. Set WIRE_STEP_PASSPHRASE, or WIRE_STEP_OPEN=1 if that is meant.`,
        ]
      : []),
  ]
  if (faults.length > 0) return refuse(faults)
  const warnings =
    passphrase === null && (isReachable || names.length > 0)
      ? ['Warning: there is no passphrase. Whoever reaches this server can open and change every rig.']
      : []
  return accept({
    host,
    port,
    names,
    databaseUrl: env.DATABASE_URL || 'file:.data/wire-step.db',
    databaseToken: env.DATABASE_AUTH_TOKEN || undefined,
    passphrase,
    isHttps: env.WIRE_STEP_HTTPS === '1',
    requestsPerMinute,
    isDemo: env.WIRE_STEP_DEMO === '1',
    warnings,
  })
}
