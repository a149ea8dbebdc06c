import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'

const PORT = 3841
const url = `http://127.0.0.1:${PORT}`

async function startServer(folder: string): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: {
      ...process.env,
      PORT: String(PORT),
      HOST: '127.0.0.1',
      DATABASE_URL: `file:${join(folder, 'kill.db')}`,
      WIRE_STEP_DEMO: '1',
    },
    stdio: 'ignore',
  })
  await expect(async () => expect((await fetch(`${url}/api/health`)).ok).toBe(true)).toPass({
    timeout: 15_000,
  })
  return server
}

const kill = (server: ChildProcess) =>
  new Promise((resolve) => {
    server.once('exit', resolve)
    server.kill('SIGKILL')
  })

test('killing the server in the middle of edits loses none it has confirmed', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'wire-step-kill-'))
  let server = await startServer(folder)
  const { rigs } = await (await fetch(`${url}/api/rigs`)).json()
  const rigId = rigs[0].id as string
  let confirmed = 1
  for (const round of [1, 2, 3]) {
    const { rig } = await (await fetch(`${url}/api/rigs/${rigId}`)).json()
    let before = rig.banks.menders
    let isKilled = false
    const killing = new Promise((resolve) => setTimeout(resolve, 150 * round)).then(() => {
      isKilled = true
      return kill(server)
    })
    for (let n = 0; !isKilled; n++) {
      const after = { ...before, name: `Round ${round}, edit ${n}` }
      const edit = { label: 'nameBank', changes: [{ table: 'banks', id: 'menders', before, after }] }
      const reply = await fetch(`${url}/api/rigs/${rigId}/edits`, {
        method: 'POST',
        body: JSON.stringify({ id: `${round}-${n}`, edit }),
      }).catch(() => null)
      if (!reply?.ok) break
      confirmed = (await reply.json()).revision
      before = after
    }
    await killing
    server = await startServer(folder)
    const now = await (await fetch(`${url}/api/rigs/${rigId}`)).json()
    // The edit on its way when the server died may have been done too.
    expect([confirmed, confirmed + 1]).toContain(now.revision)
    if (now.revision === confirmed) expect(now.rig.banks.menders.name).toBe(before.name)
    confirmed = now.revision
  }
  expect(confirmed).toBeGreaterThan(4)
  await kill(server)
  await rm(folder, { recursive: true })
})
