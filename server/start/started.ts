import { useStorage } from 'nitropack/runtime'
import type { Services } from '../http/context'
import { FONT_FILES, type Fonts } from '../paper/sheet'
import { openServices } from './openServices'
import { readSettings, type Settings } from '../base/settings'
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

/** Migrations and fonts travel inside the built server as assets. */
async function readAsset(base: string, name: string): Promise<Buffer> {
  const asset: unknown = await useStorage(`assets:${base}`).getItemRaw(name.replaceAll('/', ':'))
  if (asset === null || asset === undefined) throw new Error(`The file ${name} is not in the build`)
  return Buffer.from(asset as Uint8Array | string)
}

const readMigration = async (name: string): Promise<string> =>
  (await readAsset('migrations', name)).toString('utf8')

const readFont = (weight: keyof Fonts): Promise<Buffer> => readAsset(`font-${weight}`, FONT_FILES[weight])

let services: Promise<Services> | null = null

/** The one set of services of this process, opened when first asked for; the process ends when it cannot be had. */
export const started = (): Promise<Services> => (services ??= start())

async function start(): Promise<Services> {
  const settings = requireSettings()
  try {
    return await openServices(settings, readMigration, readFont)
  } catch (error) {
    return fail([startWords(error, settings)])
  }
}
