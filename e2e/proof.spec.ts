import { expect, openView, seriousFaults, test } from './player'
import type { Page } from '@playwright/test'

const against = (page: Page, line: RegExp) => page.getByRole('list', { name: line })
const isDone = (page: Page) =>
  expect(page.getByRole('banner').or(page.locator('main header').first()).first()).not.toContainText(
    'Looking',
    {
      timeout: 90_000,
    },
  )
const note = (page: Page) => page.getByRole('complementary', { name: 'What can go wrong' })

test.use({ isSearched: true })

test('says what holds and what does not, plays a run on the floor, and mends it', async ({ page, rigId }) => {
  test.setTimeout(180_000)
  await openView(page, rigId, 'proof')
  await isDone(page)
  await expect(page.locator('main header').first()).toContainText('2 things can go wrong')
  const lamps = against(page, /Against: Every lamp says/)
  await expect(lamps.getByRole('listitem')).toHaveCount(2)
  await expect(page.getByRole('main')).toContainText('holds, within 8 steps')
  // By keys: the one chosen is told beside it, with the fewest steps as boards.
  await lamps.getByRole('button', { name: /Freeze/ }).press('Enter')
  await expect(note(page)).toContainText('The lamp of Freeze can lie after 4 steps.')
  await expect(
    note(page).getByRole('list', { name: 'The run, step by step' }).getByRole('listitem'),
  ).toHaveCount(4)
  await note(page).getByRole('button', { name: 'Play it on the floor' }).press('Enter')
  await expect(page.getByRole('region', { name: 'Floor' })).toContainText('3 Storm', { timeout: 20_000 })
  await expect(page.getByText(/The lamp is on. It says that Hall reverb Freeze/).first()).toBeVisible({
    timeout: 30_000,
  })
  // What mends it was looked at before it is offered; once taken, nothing speaks against the lamp any more.
  const cure = note(page).getByRole('button', { name: 'Keep this lamp dark' })
  await expect(cure).toBeVisible({ timeout: 90_000 })
  await expect(note(page)).toContainText('looked at again')
  await cure.click()
  await expect(lamps.getByRole('button', { name: /Freeze/ })).toHaveCount(0, { timeout: 90_000 })
  await isDone(page)
  await expect(page.locator('main header').first()).toContainText('1 thing can go wrong')
})

test('takes what must never be from lists, proves it, and shows the fewest steps where it comes about', async ({
  page,
  rigId,
}) => {
  test.setTimeout(120_000)
  await openView(page, rigId, 'proof')
  await isDone(page)
  const kept = page.getByRole('list', { name: 'Must never be', exact: true })
  await expect(kept.getByRole('listitem')).toHaveCount(2)
  await expect(kept.getByRole('listitem').first()).toContainText('holds')
  await page.getByRole('button', { name: 'Something that must never be' }).press('Enter')
  const pick = async (label: string, text: string) => {
    await page.getByRole('combobox', { name: label, exact: true }).press('Enter')
    await page.getByRole('searchbox').last().fill(text)
    await page
      .getByRole('option', { name: new RegExp(text) })
      .first()
      .click()
  }
  await expect(page.getByRole('button', { name: 'Prove it' })).toBeDisabled()
  await pick('Never', 'Freeze on')
  await pick('together with', 'Drowned hall')
  await page.getByRole('button', { name: 'Prove it' }).press('Enter')
  const checks = against(page, /Against: What must never be/)
  await expect(checks.getByRole('button')).toContainText('can come together', { timeout: 60_000 })
  await checks.getByRole('button').press('Enter')
  await expect(note(page)).toContainText('You said that must never be.')
  await expect(
    note(page).getByRole('list', { name: 'The run, step by step' }).getByRole('listitem').first(),
  ).toBeVisible()
  // Taken back it is as before, and one can be removed.
  await kept.getByRole('button', { name: /^Remove: never Hall reverb Freeze on/ }).press('Enter')
  await expect(kept.getByRole('listitem')).toHaveCount(2)
  await page.keyboard.press('Control+z')
  await expect(kept.getByRole('listitem')).toHaveCount(3)
})

test('a line opens into all it was shown of', async ({ page, rigId }) => {
  test.setTimeout(120_000)
  await openView(page, rigId, 'proof')
  await isDone(page)
  const fold = page.getByRole('button', { name: /What was shown: Every sound, and home/ })
  await expect(fold).toHaveAttribute('aria-expanded', 'false')
  await fold.press('Enter')
  await expect(fold).toHaveAttribute('aria-expanded', 'true')
  await expect(page.getByRole('main')).toContainText('Lantern pad')
  await expect(page.getByRole('main')).toContainText('holds, within 4 steps')
})

test('axe finds nothing serious in Proof', async ({ page, rigId }) => {
  test.setTimeout(120_000)
  await openView(page, rigId, 'proof')
  await isDone(page)
  await page.getByRole('button', { name: /What was shown: Every sound, and home/ }).click()
  expect(await seriousFaults(page)).toEqual([])
})
