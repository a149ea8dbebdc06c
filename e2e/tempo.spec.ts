import type { Page } from '@playwright/test'
import { expect, inspector, openView, test, seriousFaults } from './player'

const tab = (page: Page, name: string) =>
  page.getByRole('tablist', { name: 'Parts of the tempo' }).getByRole('tab', { name }).click()
const now = (page: Page) => page.getByRole('region', { name: 'The tempo now' })

test('everything is worked by keys, and songs come and go', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await page.keyboard.press('t')
  await expect(page.getByRole('heading', { name: 'Tempo', exact: true })).toBeVisible()
  const tabs = page.getByRole('tablist', { name: 'Parts of the tempo' })
  await tabs.getByRole('tab', { name: 'Beat' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(tabs.getByRole('tab', { name: 'Times' })).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('ArrowLeft')
  await now(page).getByRole('button', { name: 'Tap', exact: true }).focus()
  await page.keyboard.press('Enter')
  await page.waitForTimeout(500)
  await page.keyboard.press('Enter')
  await expect(now(page)).toContainText('not sure yet, from 2 taps')
  await page.getByRole('button', { name: 'Add a song' }).click()
  const name = inspector(page).getByRole('textbox', { name: 'Song' })
  await name.fill('A shanty with a name so long that it would go over every edge')
  await page.keyboard.press('Enter')
  await inspector(page).getByRole('checkbox', { name: 'It stores a tempo' }).check()
  await inspector(page).getByRole('checkbox', { name: '7 Repairs' }).check()
  await expect(page.getByRole('row', { name: /^A shanty/ })).toContainText('7 Repairs')
  await inspector(page).getByRole('button', { name: 'Remove this song' }).click()
  await expect(page.getByRole('row', { name: /^A shanty/ })).toHaveCount(0)
})

test('axe finds nothing serious in Tempo', async ({ page, rigId }) => {
  await openView(page, rigId, 'tempo')
  const faults = () => seriousFaults(page)
  await page.keyboard.press('b')
  await page.waitForTimeout(500)
  await page.keyboard.press('b')
  expect(await faults()).toEqual([])
  for (const name of ['Times', 'Tap out', 'Clock', 'Loops']) {
    await tab(page, name)
    expect(await faults()).toEqual([])
  }
  for (let n = 0; n < 3; n++) await page.keyboard.press(']')
  expect(await faults()).toEqual([])
})
