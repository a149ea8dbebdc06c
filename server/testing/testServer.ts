/// <reference types="vite/client" />
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createApp, createRouter, toNodeListener, type EventHandler, type RouterMethod } from 'h3'
import errorHandler from '../http/errorHandler'
import { openFrontDoor } from '../http/frontDoor'
import type { Services } from '../http/context'
import { FONT_FILES, type Fonts } from '../paper/sheet'
import type { Store } from '../services/store'
import { addressOf, hangUp, listen, type Bounds } from '../start/listen'
import { openServices } from '../start/openServices'
import { readSettings } from '../base/settings'

const files = import.meta.glob<EventHandler>(['../api/**/*.ts', '../routes/**/*.ts'], {
  eager: true,
  import: 'default',
})
const CATCH_ALL = '../api/[...].ts'

/** "../api/rigs/[id]/index.get.ts" is GET /api/rigs/:id, as the built server has it; "../routes" adds nothing. */
function routeOf(file: string): { path: string; method: RouterMethod } {
  const [, stem = '', method = ''] = /^\.\.(.*)\.(get|post|delete)\.ts$/.exec(file) ?? []
  return {
    path: stem
      .replace(/^\/routes/, '')
      .replace(/\/index$/, '')
      .replaceAll(/\[(\w+)\]/g, ':$1'),
    method: method as RouterMethod,
  }
}

/** Every route there is. */
export const ROUTES = Object.entries(files).flatMap(([file, handler]) =>
  file === CATCH_ALL ? [] : [{ ...routeOf(file), handler }],
)

/** The project's routes, front door and error handler, without the pages. */
function createTestApp(services: Services) {
  const app = createApp({ onError: errorHandler })
  const router = createRouter()
  for (const { path, method, handler } of ROUTES) router.add(path, handler, method)
  app.use(router.handler)
  app.use(files[CATCH_ALL]!)
  openFrontDoor(app, async () => services)
  return app
}

export const readMigration = (name: string): Promise<string> =>
  readFile(new URL(`../db/migrations/${name}`, import.meta.url), 'utf8')

const FONTS = '../../node_modules/@expo-google-fonts/hanken-grotesk'
export const readFont = (weight: keyof Fonts): Promise<Buffer> =>
  readFile(
    new URL(
      `${FONTS}/${weight === 'bold' ? '700Bold' : '400Regular'}/${FONT_FILES[weight]}`,
      import.meta.url,
    ),
  )

export interface TestServer {
  readonly url: string
  readonly store: Store
  readonly backups: Services['backups']
  readonly databaseUrl: string
  readonly stop: () => Promise<void>
}

/**
 * Serves on a free loopback port, settings from `env`, with a database of its own in a folder that goes when
 * it stops, unless `env` names one.
 */
export async function startTestServer(
  env: Record<string, string> = {},
  bounds: Partial<Bounds> = {},
): Promise<TestServer> {
  const folder = await mkdtemp(join(tmpdir(), 'wire-step-'))
  const settings = readSettings({ DATABASE_URL: `file:${join(folder, 'test.db')}`, PORT: '0', ...env })
  if (!settings.ok) throw new Error(settings.refusal.join(' '))
  const services = await openServices(settings.value, readMigration, readFont)
  const server = await listen(toNodeListener(createTestApp(services)), '127.0.0.1', 0, bounds)
  return {
    url: addressOf(server),
    store: services.store,
    backups: services.backups,
    databaseUrl: settings.value.databaseUrl,
    stop: async () => {
      services.floors.end()
      services.backups.end()
      server.closeAllConnections()
      await hangUp(server)
      await services.store.database.close()
      await rm(folder, { recursive: true })
    },
  }
}
