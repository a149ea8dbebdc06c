import { isIPv4 } from 'node:net'
import { networkInterfaces } from 'node:os'

/** Whether a name or address can only be this machine, whoever asks. */
export const isLoopback = (name: string): boolean =>
  name === 'localhost' || name === '::1' || (isIPv4(name) && name.startsWith('127.'))

const isEveryAddress = (host: string): boolean => host === '0.0.0.0' || host === '::'

/** The name or address in a Host header, without its port: "[::1]:3000" is "::1". Null when it is none. */
export function hostName(header: string | undefined): string | null {
  if (header === undefined || !/^[\w.:[\]-]+$/.test(header)) return null
  if (!URL.canParse(`http://${header}`)) return null
  const { hostname } = new URL(`http://${header}`)
  return hostname.replace(/^\[|\]$/g, '').replace(/\.$/, '')
}

/**
 * Whether the server answers to a name. A page elsewhere can make its own name lead to this machine; only a
 * name we know to be ours proves that the browser meant us. `host` is the one listened on, `names` those
 * listed by its owner.
 */
export const isOurs = (name: string, host: string, names: readonly string[]): boolean =>
  isLoopback(name) ||
  name === host.toLowerCase() ||
  names.includes(name) ||
  (isEveryAddress(host) && ownAddresses().includes(name))

const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map(({ address }) => address))
