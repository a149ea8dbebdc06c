import { expect, openView, seriousFaults, test } from './player'
import type { Page } from '@playwright/test'

const head = (page: Page) => page.locator('main header').first()
const panel = (page: Page) => page.getByRole('region', { name: 'Front panel' })

/** How many lines are left, as the head says. */
async function linesLeft(page: Page): Promise<number> {
  await expect(head(page)).toContainText('left', { timeout: 30_000 })
  return Number(/(\d+) lines? left/.exec(await head(page).innerText())![1])
}

test('a controller nobody knows is learned by stepping on it, and drawn up as a rig', async ({
  page,
  rigId,
  request,
}) => {
  test.setTimeout(60_000)
  await openView(page, rigId, 'keyin')
  await page.getByRole('tab', { name: 'Learn a controller' }).press('Enter')
  await page.getByRole('button', { name: 'Begin', exact: true }).press('Enter')
  const pane = page.getByRole('tabpanel', { name: 'Learn a controller' })
  const step = page.getByRole('button', { name: 'Let a simulated one step' })
  for (const next of ['once more', 'Hold it', 'twice quickly']) {
    await step.click()
    await expect(pane.getByRole('status')).toContainText(next, { timeout: 15_000 })
  }
  await expect(pane).toContainText('1 switch learned')
  await expect(pane).toContainText('PC 2 on ch 1')
  await page.getByLabel('Name of the rig').fill('Found in a cupboard')
  await page.getByRole('button', { name: 'Draw it up as a rig' }).press('Enter')
  await expect(page.getByText('Found in a cupboard').first()).toBeVisible({ timeout: 20_000 })
  const id = /rigs\/([^/]+)\//.exec(page.url())![1]!
  expect(id).not.toBe(rigId)
  await request.delete(`/api/rigs/${id}`)
})

test('the sheet prints as PDF, and an empty rig has none', async ({ page, rigId, request }) => {
  await openView(page, rigId, 'keyin')
  const paper = await request.get(`/api/rigs/${rigId}/files/key-in.pdf?paper=a4`)
  expect(paper.headers()['content-type']).toContain('application/pdf')
  const made = await request.post('/api/rigs', { data: { name: 'Empty' } })
  const { id } = await made.json()
  expect((await request.get(`/api/rigs/${id}/files/key-in.pdf?paper=a4`)).status()).toBe(404)
  await page.goto(`/rigs/${id}/keyin`)
  await expect(page.getByRole('main')).toContainText('It begins with a')
  await request.delete(`/api/rigs/${id}`)
})

test('axe finds nothing serious in Key-in sheet', async ({ page, rigId }) => {
  test.setTimeout(90_000)
  await openView(page, rigId, 'keyin')
  await linesLeft(page)
  await page.getByRole('button', { name: 'What is in the controller?' }).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: /^Devices/ }).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: 'Front panel' }).click()
  for (const title of ['Fields, in their order', 'What a message can be, in the box’s order'])
    await page.getByText(title).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('button', { name: /^Editor on a computer/ }).click()
  await panel(page).getByRole('group', { name: 'Switches' }).getByRole('button').first().click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: 'Listen' }).click()
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await page.getByRole('button', { name: 'Nothing came' }).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: 'Learn a controller' }).click()
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  expect(await seriousFaults(page)).toEqual([])
})
