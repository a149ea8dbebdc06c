// Starts the built server in this process: it says where it can be opened, and Ctrl-C ends it.
import { join } from 'node:path'
import { root } from './prepare.mjs'

/** `databaseFile` is used unless DATABASE_URL says otherwise; the path is from the project's folder. */
export async function serve(databaseFile) {
  process.env.DATABASE_URL ||= `file:${join(root, databaseFile)}`
  process.env.NODE_ENV ||= 'production'
  await import('../.output/server/index.mjs')
}
