import { spawn } from 'node:child_process'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

export interface OwnServer {
  readonly url: string
  readonly folder: string
  readonly kill: (signal: NodeJS.Signals) => Promise<void>
  readonly stop: () => Promise<void>
}

/** The built server as a process of its own with the demo, told of its settings by `env`. */
export async function startOwnServer(env: Record<string, string> = {}, folder?: string): Promise<OwnServer> {
  const place = folder ?? (await mkdtemp(join(tmpdir(), 'wire-step-e2e-')))
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: {
      ...process.env,
      HOST: '127.0.0.1',
      PORT: '0',
      DATABASE_URL: `file:${join(place, 'own.db')}`,
      WIRE_STEP_DEMO: '1',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  const url = await new Promise<string>((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}`)))
    child.stdout.on('data', (piece: Buffer) => {
      const found = /is open at (http:\S+)/.exec(piece.toString())
      if (found) resolve(found[1]!)
    })
  })
  const kill = async (signal: NodeJS.Signals) => {
    child.kill(signal)
    await ended
  }
  return {
    url,
    folder: place,
    kill,
    stop: async () => {
      await kill('SIGTERM')
      await rm(place, { recursive: true })
    },
  }
}
