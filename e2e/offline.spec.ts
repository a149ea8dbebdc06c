import { expect, test } from '@playwright/test'
import { startOwnServer } from './ownServer'

test.use({ serviceWorkers: 'allow' })

test('the shell and the rig of last time open without the server; edits wait, over closed tabs too, and are sent', async ({
  context,
}) => {
  const env = { PORT: '3847' }
  let server = await startOwnServer(env)
  const { url, folder } = server
  const { rigs } = await (await fetch(`${url}/api/rigs`)).json()
  const rigId = rigs[0].id as string
  const address = `${url}/rigs/${rigId}/rig`
  const page = await context.newPage()
  await page.goto(address)
  await expect(page.getByText(/^Saved .*revision 41$/)).toBeVisible()
  // Installed once the worker holds the page and the rig is kept.
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
    while ((await (await caches.open('wire-step-rigs')).keys()).length === 0)
      await new Promise((resolve) => setTimeout(resolve, 100))
  })
  const manifest = await (await fetch(`${url}/manifest.webmanifest`)).json()
  expect(manifest).toMatchObject({ name: 'Wire Step', display: 'standalone', start_url: '/' })

  await server.kill('SIGTERM')
  await page.reload()
  await expect(page.getByText('Server away: revision 41, as kept here')).toBeVisible()
  await expect(page.getByText('Bass preamp').first()).toBeVisible()
  await page.getByLabel('Name of this rig').fill('Pit bass, on the train')
  await page.getByLabel('Name of this rig').press('Enter')
  await expect(page.getByText(/Server away, 1 edit kept here/)).toBeVisible()
  await page.close()

  // Another tab, and the list of rigs, still without a server.
  const next = await context.newPage()
  await next.goto(`${url}/rigs`)
  await expect(next.getByText('18 boxes', { exact: false })).toBeVisible()
  await next.goto(address)
  await expect(next.getByText(/Server away, 1 edit kept here/)).toBeVisible()
  await expect(next.getByLabel('Name of this rig')).toHaveValue('Pit bass, on the train')

  server = await startOwnServer(env, folder)
  await expect(next.getByText(/^Saved .*revision 42$/)).toBeVisible()
  const stored = await (await fetch(`${url}/api/rigs/${rigId}`)).json()
  expect(stored.rig.about.about.name).toBe('Pit bass, on the train')
  await server.stop()
})
