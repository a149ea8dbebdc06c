import type { Page } from '@playwright/test'
import { expect, openView, test, seriousFaults } from './player'

const tab = (page: Page, name: string) =>
  page.getByRole('tablist', { name: 'Parts of the set list' }).getByRole('tab', { name }).click()
const list = (page: Page) => page.getByRole('list', { name: 'Songs of the show' })
const part = (page: Page, name: RegExp) => list(page).getByRole('button', { name }).first()

test('axe finds nothing serious in Set list', async ({ page, rigId }) => {
  await openView(page, rigId, 'show')
  const faults = () => seriousFaults(page)
  await expect(list(page)).toBeVisible()
  expect(await faults()).toEqual([])
  await part(page, /^Chorus, drive/).click()
  expect(await faults()).toEqual([])
  await tab(page, 'Lay the board out')
  await page.getByRole('button', { name: 'Look for a better board' }).click()
  await expect(page.getByRole('table', { name: 'What it saves' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Move all/ })).toBeVisible({ timeout: 120_000 })
  expect(await faults()).toEqual([])
  await tab(page, 'Walk through')
  await expect(page.getByRole('list', { name: 'Wrong moments' })).toBeVisible()
  expect(await faults()).toEqual([])
})
