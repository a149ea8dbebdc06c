/// <reference types="vite/client" />
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createApp, createRouter, toNodeListener, type EventHandler, type RouterMethod } from 'h3'
import { openDatabase, type Database } from '../db/database'
import { provideDatabase } from '../http/context'
import errorHandler from '../http/errorHandler'
import guard from '../middleware/guard'

const routes = import.meta.glob<EventHandler>('../api/**/*.ts', { eager: true, import: 'default' })
const CATCH_ALL = '../api/[...].ts'

/** "../api/rigs/[id]/index.get.ts" is GET /api/rigs/:id, as the built server has it. */
function routeOf(file: string): { path: string; method: RouterMethod } {
  const [, stem = '', method = ''] = /^\.\.(.*)\.(get|post|delete)\.ts$/.exec(file) ?? []
  return {
    path: stem.replace(/\/index$/, '').replaceAll(/\[(\w+)\]/g, ':$1'),
    method: method as RouterMethod,
  }
}

/** The project's routes, guard and error handler behind a real socket, without the pages. */
function createTestApp() {
  const app = createApp({ onError: errorHandler })
  app.use(guard)
  const router = createRouter()
  for (const [file, handler] of Object.entries(routes)) {
    if (file === CATCH_ALL) continue
    const { path, method } = routeOf(file)
    router.add(path, handler, method)
  }
  app.use(router.handler)
  app.use(routes[CATCH_ALL]!)
  return app
}

const readMigration = (name: string): Promise<string> =>
  readFile(new URL(`../db/migrations/${name}`, import.meta.url), 'utf8')

export interface TestServer {
  readonly url: string
  readonly database: Database
  readonly databaseUrl: string
  readonly stop: () => Promise<void>
}

/** Serves on a free loopback port, with a database of its own in a folder that goes when it stops. */
export async function startTestServer(): Promise<TestServer> {
  const folder = await mkdtemp(join(tmpdir(), 'wire-step-'))
  const databaseUrl = `file:${join(folder, 'test.db')}`
  const database = await openDatabase(databaseUrl, undefined, readMigration)
  provideDatabase(database)
  const server = createServer(toNodeListener(createTestApp()))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    database,
    databaseUrl,
    stop: async () => {
      await new Promise((resolve) => server.close(resolve))
      database.close()
      await rm(folder, { recursive: true })
    },
  }
}
