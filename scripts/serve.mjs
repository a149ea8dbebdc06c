// Starts the built server in this process, so that Ctrl-C ends it, and says where it can be opened.
import { join } from 'node:path'
import { root } from './prepare.mjs'

/** `databaseFile` is used unless DATABASE_URL says otherwise; the path is from the project's folder. */
export async function serve(databaseFile) {
  process.env.DATABASE_URL ||= `file:${join(root, databaseFile)}`
  process.env.HOST ||= '127.0.0.1'
  process.env.PORT ||= '3000'
  process.env.NODE_ENV ||= 'production'
  await import('../.output/server/index.mjs')
  const address = `http://${process.env.HOST}:${process.env.PORT}`
  for (let tries = 0; tries < 100; tries++) {
    if (await answers(`${address}/api/health`)) {
      console.log(`Wire Step is open at ${address}  (Ctrl-C ends it)`)
      return
    }
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}

async function answers(url) {
  try {
    return (await fetch(url)).ok
  } catch {
    // Not listening yet.
    return false
  }
}
