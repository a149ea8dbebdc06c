import { defineNitroPlugin, useStorage } from 'nitropack/runtime'
import { openDatabase } from '../db/database'
import { seedDemo } from '../demo/seedDemo'
import { provideDatabase } from '../http/context'

/** Opens the database before the first request is answered; a server that cannot have it ends. */
export default defineNitroPlugin((nitro) => {
  const ready = open().catch((error: unknown) => {
    console.error('The database cannot be opened:', error)
    process.exit(1)
  })
  nitro.hooks.hook('request', () => ready)
})

async function open(): Promise<void> {
  const url = process.env.DATABASE_URL || 'file:.data/wire-step.db'
  const database = await openDatabase(url, process.env.DATABASE_AUTH_TOKEN, readMigration)
  if (process.env.WIRE_STEP_DEMO === '1') await seedDemo(database, new Date())
  provideDatabase(database)
}

/** Migrations travel inside the built server as assets. */
async function readMigration(name: string): Promise<string> {
  const asset: unknown = await useStorage('assets:migrations').getItemRaw(name.replaceAll('/', ':'))
  if (asset === null || asset === undefined) throw new Error(`The migration ${name} is not in the build`)
  return typeof asset === 'string' ? asset : Buffer.from(asset as Uint8Array).toString('utf8')
}
