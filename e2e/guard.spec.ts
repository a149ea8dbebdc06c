import { spawnSync } from 'node:child_process'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { chromium, expect, test } from '@playwright/test'
import { startOwnServer } from './ownServer'

const executablePath = process.env.CHROMIUM ?? '/usr/bin/chromium'

test('a name of others that leads to this machine opens nothing, in a real browser', async () => {
  const server = await startOwnServer()
  const { port } = new URL(server.url)
  // What an attacker's name server does: the same name first leads to its page and then here.
  const browser = await chromium.launch({
    executablePath,
    args: ['--no-sandbox', '--host-resolver-rules=MAP evil.test 127.0.0.1, MAP pit.localhost 127.0.0.1'],
  })
  const page = await browser.newPage()
  const answer = await page.goto(`http://evil.test:${port}/api/rigs`)
  expect(answer?.status()).toBe(421)
  expect(await page.textContent('body')).not.toContain('Tidewright')
  const inside = await page.evaluate(async () => {
    const tried = []
    for (const [method, path] of [
      ['GET', '/'],
      ['GET', '/api/rigs'],
      ['HEAD', '/api/rigs'],
      ['POST', '/api/rigs'],
      ['DELETE', '/api/rigs/x'],
    ] as const)
      tried.push(
        (await fetch(path, { method, ...(method === 'POST' && { body: '{"name":"Stolen"}' }) })).status,
      )
    return tried
  })
  expect(inside).toEqual([421, 421, 421, 421, 421])
  expect((await page.goto(`http://localhost:${port}/api/rigs`))?.status()).toBe(200)
  await browser.close()
  await server.stop()
})

test('a page of others can neither read nor frame nor change', async ({ page }) => {
  const server = await startOwnServer()
  const elsewhere = createServer((_, response) =>
    response.setHeader('Content-Type', 'text/html').end('<h1>Elsewhere</h1>'),
  )
  await new Promise<void>((resolve) => elsewhere.listen(0, '127.0.0.1', resolve))
  await page.goto(`http://127.0.0.1:${(elsewhere.address() as AddressInfo).port}/`)
  const got = await page.evaluate(async (url) => {
    const attempt = (init?: RequestInit) =>
      fetch(`${url}/api/rigs`, init).then(
        async (reply) => `${reply.type} ${(await reply.text()).length}`,
        () => 'nothing',
      )
    return [
      await attempt(),
      await attempt({ mode: 'no-cors' }),
      await attempt({ method: 'POST', body: '{"name":"Stolen"}', mode: 'no-cors' }),
    ]
  }, server.url)
  expect(got.every((one) => one === 'nothing' || one === 'opaque 0')).toBe(true)
  const { rigs } = await (await fetch(`${server.url}/api/rigs`)).json()
  expect(rigs).toHaveLength(1)
  await new Promise((resolve) => elsewhere.close(resolve))
  await server.stop()
})

test('with a passphrase: the page asks for it, opens with it, and not after signing out', async ({
  page,
}) => {
  const server = await startOwnServer({ WIRE_STEP_PASSPHRASE: 'every good boy deserves fretwear' })
  for (const path of ['/icon.svg', '/api/health', '/api/rigs'])
    expect((await fetch(server.url + path)).status).toBe(401)
  await page.goto(`${server.url}/rigs`)
  await expect(page.getByRole('heading', { name: 'Wire Step' })).toBeVisible()
  await page.getByLabel('Passphrase').fill('something else')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('This is not the passphrase. Try again.')
  await page.getByLabel('Passphrase').fill('every good boy deserves fretwear')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('link', { name: 'Pit bass, The Tidewright', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByLabel('Passphrase')).toBeVisible()
  await page.goto(`${server.url}/rigs`)
  await expect(page.getByLabel('Passphrase')).toBeVisible()
  await server.stop()
})

test('signed out in the middle of work: edits wait in the tab and are sent after signing in', async ({
  page,
  context,
}) => {
  const server = await startOwnServer({ WIRE_STEP_PASSPHRASE: 'every good boy deserves fretwear' })
  const signIn = async () => {
    await page.getByLabel('Passphrase').fill('every good boy deserves fretwear')
    await page.keyboard.press('Enter')
  }
  await page.goto(`${server.url}/`)
  await signIn()
  await page
    .getByRole('main')
    .getByRole('button', { name: /Chorus, drive/ })
    .click()
  await context.clearCookies()
  const label = page.getByRole('complementary', { name: 'What is chosen' }).getByLabel('Label')
  await label.fill('Kept while away')
  await label.press('Enter')
  await expect(page.getByRole('alert')).toContainText('You are not signed in here, or no longer.')
  await page.getByRole('link', { name: 'Sign in' }).click()
  await signIn()
  // The demo comes with a history of its own.
  await expect(page.getByText(/^Saved .*revision 42$/)).toBeVisible()
  await expect(page.getByRole('main').getByRole('button', { name: /Kept while away/ })).toBeVisible()
  await server.stop()
})

test('what cannot be started ends with one line and never says it is open', async () => {
  const server = await startOwnServer()
  const { port } = new URL(server.url)
  const start = (env: Record<string, string>) =>
    spawnSync(process.execPath, ['.output/server/index.mjs'], {
      env: { ...process.env, HOST: '127.0.0.1', DATABASE_URL: `file:${server.folder}/other.db`, ...env },
      encoding: 'utf8',
      timeout: 20_000,
    })
  for (const [env, words] of [
    [{ PORT: port }, `Port ${port} is in use`],
    [{ PORT: '99999' }, 'PORT is "99999"'],
    [{ PORT: '0', HOST: 'no such host' }, 'HOST is "no such host"'],
    [{ PORT: '0', HOST: '203.0.113.7', WIRE_STEP_OPEN: '1' }, 'no address of this machine'],
    [{ PORT: '0', HOST: '0.0.0.0' }, 'Set WIRE_STEP_PASSPHRASE'],
    [{ PORT: '0', DATABASE_URL: 'ftp://x' }, 'DATABASE_URL is no address'],
  ] as const) {
    const { status, stdout, stderr } = start(env)
    expect([status, stdout]).toEqual([1, ''])
    expect(stderr.trim().split('\n')).toEqual([expect.stringContaining(words)])
  }
  await server.stop()
})
