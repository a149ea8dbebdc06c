import { copyFile, readFile, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { startOwnServer } from './ownServer'

test('killing the server in the middle of edits loses none it has confirmed', async () => {
  let server = await startOwnServer()
  const { folder } = server
  const { rigs } = await (await fetch(`${server.url}/api/rigs`)).json()
  const rigId = rigs[0].id as string
  const begun = rigs[0].revision as number
  let confirmed = begun
  for (const round of [1, 2, 3]) {
    const { url } = server
    const { rig } = await (await fetch(`${url}/api/rigs/${rigId}`)).json()
    let before = rig.banks.menders
    let isKilled = false
    const killing = new Promise((resolve) => setTimeout(resolve, 150 * round)).then(() => {
      isKilled = true
      return server.kill('SIGKILL')
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
    server = await startOwnServer({}, folder)
    const now = await (await fetch(`${server.url}/api/rigs/${rigId}`)).json()
    // The edit on its way when the server died may have been done too.
    expect([confirmed, confirmed + 1]).toContain(now.revision)
    if (now.revision === confirmed) expect(now.rig.banks.menders.name).toBe(before.name)
    confirmed = now.revision
  }
  expect(confirmed).toBeGreaterThan(begun + 3)
  await server.stop()
})

test('ended in order, the one file holds everything', async () => {
  const server = await startOwnServer()
  await fetch(`${server.url}/api/rigs`, {
    method: 'POST',
    body: JSON.stringify({ name: 'Made before the end' }),
  })
  await server.kill('SIGTERM')
  expect(await readFile(join(server.folder, 'own.db-wal'), 'utf8').catch(() => '')).toBe('')
  // Only the file itself is taken along.
  await copyFile(join(server.folder, 'own.db'), join(server.folder, 'alone.db'))
  const again = await startOwnServer(
    { DATABASE_URL: `file:${join(server.folder, 'alone.db')}` },
    server.folder,
  )
  const { rigs } = await (await fetch(`${again.url}/api/rigs`)).json()
  expect(rigs.map(({ name }: { name: string }) => name)).toContain('Made before the end')
  await again.kill('SIGTERM')
  await rm(server.folder, { recursive: true })
})

test('a stage whose server is gone says so, and follows again by itself once it is back', async ({
  browser,
}) => {
  const env = { PORT: '3848' }
  let server = await startOwnServer(env)
  const { url, folder } = server
  const { rigs } = await (await fetch(`${url}/api/rigs`)).json()
  const rigId = rigs[0].id as string
  const desk = await (await browser.newContext()).newPage()
  await desk.goto(`${url}/rigs/${rigId}/switches`)
  const stage = await (await browser.newContext({ viewport: { width: 844, height: 390 } })).newPage()
  await stage.goto(`${url}/stage/${rigId}`)
  const board = stage.getByRole('list', { name: 'The board' })
  await expect(board).toContainText('Verse, dry')
  await server.kill('SIGTERM')
  const lost = stage.getByRole('alert')
  await expect(lost).toContainText('The desk is not heard: what you see may be old.')
  // What was shown last stays in view, and what is done meanwhile is told later.
  await expect(board).toContainText('Verse, dry')
  await desk.keyboard.press(']')
  await expect(desk.getByRole('region', { name: 'Floor' })).toContainText('2 Undertow')
  server = await startOwnServer(env, folder)
  await expect(lost).toHaveCount(0, { timeout: 15_000 })
  await expect(stage.getByText('2 Undertow')).toBeVisible({ timeout: 15_000 })
  await server.stop()
})
