import { bytesSent, expect, inspector, test } from './player'

test('from nothing to a first step', async ({ page }) => {
  await page.goto('/rigs')
  await page.getByLabel('Name of the new rig').fill('Rehearsal room')
  await page.getByRole('button', { name: 'Build it', exact: true }).click()
  await expect(page.getByText('Nothing on the floor yet.')).toBeVisible()
  await page.getByRole('link', { name: /Switches/ }).click()
  await page.getByRole('link', { name: 'Choose one in Rig' }).click()
  await page.getByRole('button', { name: 'Add the foot controller' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Four-switch controller/ })
    .click()
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Preset pedal/ })
    .click()
  await inspector(page).getByLabel('Name', { exact: true }).fill('Amp')
  await page.getByRole('link', { name: /Switches/ }).click()
  await page.getByRole('button', { name: 'Add the first bank' }).click()
  await page
    .getByRole('main')
    .getByRole('button', { name: /^1 Put/ })
    .click()
  await inspector(page).getByRole('combobox', { name: 'Add a device' }).click()
  await page.getByRole('option', { name: 'Amp' }).click()
  await page.getByRole('heading', { name: 'Switches' }).click()
  await page.keyboard.press('1')
  await expect(bytesSent(page)).toHaveText('C0 00')
})

test('a rig that is not there says so, and shows the way back', async ({ page }) => {
  await page.goto('/rigs/nowhere/switches')
  await expect(page.getByText('This rig is not on the server. It may have been deleted.')).toBeVisible()
  await page.getByRole('link', { name: 'All rigs' }).click()
  await expect(page.getByRole('heading', { name: 'Rigs' })).toBeVisible()
})

test('a rig is deleted only after a question', async ({ page, request }) => {
  const { id } = await (await request.post('/api/rigs', { data: { name: 'Old one' } })).json()
  await page.goto('/rigs')
  await page.getByRole('button', { name: 'Delete Old one' }).click()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('link', { name: 'Old one', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Delete Old one' }).click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByRole('link', { name: 'Old one', exact: true })).toBeHidden()
  expect((await request.get(`/api/rigs/${id}`)).status()).toBe(404)
})

test.describe('what a first visit fetches', () => {
  test.use({ isSearched: true })

  // As much as a phone on a slow line can wait for: the limit the project set itself.
  test('is at most 350 kB of script, workers included', async ({ page, rigId }) => {
    const scripts = new Map<string, number>()
    page.on('response', (response) => {
      if (/\.js$/.test(new URL(response.url()).pathname))
        scripts.set(response.url(), Number(response.headers()['content-length']))
    })
    await page.goto(`/rigs/${rigId}/switches`)
    await expect(page.getByRole('region', { name: 'Floor' })).toBeVisible()
    const worker = page.workers()[0] ?? (await page.waitForEvent('worker'))
    // Until no more comes for a while: the worker fetches what it is asked for.
    for (let seen = -1; seen !== scripts.size;) {
      seen = scripts.size
      await page.waitForTimeout(2000)
    }
    const sum = [...scripts.values()].reduce((all, bytes) => all + bytes, 0)
    expect(scripts.has(worker.url())).toBe(true)
    expect(scripts.size).toBeGreaterThan(20)
    expect(sum).toBeLessThan(350_000)
  })
})
