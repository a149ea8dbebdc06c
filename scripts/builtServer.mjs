// The built server as a process of its own, for scripts that drive it; only on this machine.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { root } from './prepare.mjs'

const PATIENCE = 20_000

/** Starts it and waits until it says that it is open. `url` is where; it takes a free port by itself. */
export async function startServer(env) {
  const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    env: { ...process.env, HOST: '127.0.0.1', PORT: '0', NODE_ENV: 'production', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  const url = await new Promise((resolve, reject) => {
    const late = setTimeout(() => reject(new Error(`The server does not open: ${said}`)), PATIENCE)
    const hear = (piece) => {
      said += piece
      const found = /is open at (http:\S+)/.exec(said)
      if (!found) return
      clearTimeout(late)
      resolve(found[1])
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}: ${said}`)))
  })
  const ended = new Promise((resolve) => child.once('exit', resolve))
  return {
    url,
    pid: child.pid,
    said: () => said,
    kill: async (signal) => {
      child.kill(signal)
      await ended
    },
  }
}
