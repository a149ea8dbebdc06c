import { useStorage } from 'nitropack/runtime'
import type { Services } from '../http/context'
import { openServices } from './openServices'
import { readSettings, type Settings } from './settings'
import { startWords } from './startWords'

/** Says why the server cannot start, and ends it. */
export function fail(lines: readonly string[]): never {
  for (const line of lines) console.error(line)
  process.exit(1)
}

function requireSettings(): Settings {
  const read = readSettings(process.env)
  // Nothing this process starts later should find it.
  delete process.env.WIRE_STEP_PASSPHRASE
  return read.ok ? read.value : fail(read.refusal)
}

/** Migrations travel inside the built server as assets. */
async function readMigration(name: string): Promise<string> {
  const asset: unknown = await useStorage('assets:migrations').getItemRaw(name.replaceAll('/', ':'))
  if (asset === null || asset === undefined) throw new Error(`The migration ${name} is not in the build`)
  return typeof asset === 'string' ? asset : Buffer.from(asset as Uint8Array).toString('utf8')
}

let services: Promise<Services> | null = null

/** The one set of services of this process, opened when first asked for; the process ends when it cannot be had. */
export const started = (): Promise<Services> => (services ??= start())

async function start(): Promise<Services> {
  const settings = requireSettings()
  try {
    return await openServices(settings, readMigration)
  } catch (error) {
    return fail([startWords(error, settings)])
  }
}
