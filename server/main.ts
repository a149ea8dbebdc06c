import type { Server } from 'node:http'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { databasePath } from './db/databaseFile'
import type { Services } from './http/context'
import { logFault } from './base/logFault'
import { addressOf, hangUp, listen } from './start/listen'
import { fail, started } from './start/started'
import { startWords } from './start/startWords'

/** Where the built server begins: settings, database, socket, in this order, or one line that says why not. */
async function begin(): Promise<void> {
  const services = await started()
  const { settings } = services
  const server = await listen(toNodeListener(useNitroApp().h3App), settings.host, settings.port).catch(
    (error: unknown) => fail([startWords(error, settings)]),
  )
  endOnSignal(server, services)
  services.backups.begin()
  for (const line of settings.warnings) console.error(line)
  say(`Wire Step is open at ${addressOf(server)}  (Ctrl-C ends it)`)
}

function endOnSignal(server: Server, { settings, store, floors, backups }: Services): void {
  let isEnding = false
  const end = async (): Promise<void> => {
    // Asked a second time: at once.
    if (isEnding) process.exit(1)
    isEnding = true
    floors.end()
    backups.end()
    await hangUp(server)
    await store.database.close()
    say(`Wire Step has ended. All rigs are in ${databasePath(settings.databaseUrl) ?? 'the database'}.`)
    process.exit(0)
  }
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void end())
}

const say = (line: string) => process.stdout.write(`${line}\n`)

// A fault nobody caught is logged by its kind and place; edits confirmed so far are in the database.
for (const event of ['uncaughtException', 'unhandledRejection'] as const)
  process.on(event, (error: unknown) => logFault(event, error))

void begin()
