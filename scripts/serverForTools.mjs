// A built server on a port and database of its own, for the scripts that look at the demo in a browser.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium as playwright } from '@playwright/test'
import { chromium, root } from './prepare.mjs'

/** Runs `work(browser, url, rigId)` against the demo and tidies up. */
export async function withDemo(port, work) {
  const folder = mkdtempSync(join(tmpdir(), 'wire-step-'))
  const url = `http://127.0.0.1:${port}`
  const server = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    env: {
      ...process.env,
      PORT: String(port),
      HOST: '127.0.0.1',
      DATABASE_URL: `file:${join(folder, 'demo.db')}`,
      WIRE_STEP_DEMO: '1',
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  let browser
  try {
    browser = await playwright.launch({
      executablePath: chromium(),
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
    })
    const { rigs } = await untilAnswered(`${url}/api/rigs`)
    await work(browser, url, rigs[0].id)
  } finally {
    await browser?.close()
    server.kill()
    rmSync(folder, { recursive: true })
  }
}

async function untilAnswered(url) {
  for (let tries = 0; tries < 100; tries++) {
    const reply = await fetch(url).catch(() => null)
    if (reply?.ok) return reply.json()
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error(`Nothing answers at ${url}`)
}
