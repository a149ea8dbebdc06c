import type { Page } from '@playwright/test'
import { bytesSent, expect, openView, seriousFaults, test } from './player'

const floor = (page: Page) => page.getByRole('region', { name: 'Floor' })
const step = (page: Page, name: RegExp) => floor(page).getByRole('button', { name })
const pane = (page: Page, name: string | RegExp) => page.getByRole('tab', { name }).click()

async function speed(page: Page, name: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Speed of the floor' }).click()
  await page.getByRole('option', { name, exact: true }).click()
}

/** From power-on to the switch whose lamp lies: on, on, and Freeze twice, as the tool says itself. */
async function lie(page: Page): Promise<void> {
  for (const key of ['5', '4', '4', '4']) {
    await page.keyboard.press(key, { delay: 60 })
    await page.waitForTimeout(250)
  }
}

test.describe('with lamps that can lie looked for', () => {
  test.use({ isSearched: true })

  test('a lamp is made to lie, seen, told why, put right and cured, all on the floor', async ({
    page,
    rigId,
  }) => {
    await openView(page, rigId, 'switches')
    await lie(page)
    const freeze = step(page, /switch 4, Freeze/)
    await expect(freeze.getByRole('img')).toHaveAccessibleName('lamp on, not as it is')
    await expect(freeze).toContainText('≠ off')
    await expect(floor(page)).toContainText('It says that Hall reverb Freeze is on; that is not so.')
    await expect(floor(page)).toContainText(/CC 19 127 from "Freeze" set it so/)
    await page.getByRole('button', { name: 'Put right' }).click()
    await expect(freeze.getByRole('img')).toHaveAccessibleName('lamp on, as it is')
    // The search comes to the same by itself, with the fewest steps, and offers what mends it.
    await page.keyboard.press('k')
    await pane(page, /^Lamps/)
    const found = page
      .getByRole('list', { name: 'Lamps that can lie' })
      .getByRole('listitem')
      .filter({ hasText: 'The lamp of Freeze can lie after 4 steps.' })
    await expect(found).toBeVisible({ timeout: 60_000 })
    await found.getByRole('button', { name: 'Play it on the floor' }).click()
    await expect(freeze).toContainText('≠ off', { timeout: 10_000 })
    await found.getByRole('button', { name: 'Let the lamp change at each press' }).click({ timeout: 90_000 })
    await expect(found).toHaveCount(0)
    await pane(page, 'Start')
    await page.getByRole('button', { name: 'Everything off and on again' }).click()
    await lie(page)
    await expect(freeze.getByRole('img')).toHaveAccessibleName('lamp off, as it is')
  })

  test('axe finds nothing serious in the raised floor', async ({ page, rigId }) => {
    await openView(page, rigId, 'switches')
    await page.keyboard.press('k')
    await lie(page)
    for (const name of ['Minute', 'Monitor', /^Lamps/, /^Runs/, 'Start', 'MIDI']) {
      await pane(page, name)
      expect([name, await seriousFaults(page, { within: '[aria-label="Floor"]' })]).toEqual([name, []])
    }
  })
})

test('the moment is slowed, stopped, and gone through one thing at a time', async ({ page, rigId }) => {
  await openView(page, rigId, 'switches')
  await page.keyboard.press('c')
  await page.keyboard.press('1')
  await pane(page, 'Monitor')
  await expect(page.getByText('No message in the last minute')).toBeVisible()
  const rows = page.getByRole('list', { name: 'Messages, the newest last' }).getByRole('listitem')
  await page.keyboard.press('.')
  await expect(rows).toHaveCount(1)
  await page.keyboard.press('.')
  await expect(rows).toHaveCount(2)
  await speed(page, '1/50')
  await expect(rows).toHaveCount(6, { timeout: 10_000 })
  await speed(page, '1/1')
  await pane(page, 'Minute')
  await expect(page.getByRole('group', { name: /^Last minute/ })).toBeVisible()
  await pane(page, 'Step')
  await expect(bytesSent(page)).toContainText('C0')
})

test('the monitor filters, says what a message is for, leads to its switch, and saves a file', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'rig')
  await page.keyboard.press('2', { delay: 60 })
  await page.keyboard.press('k')
  await pane(page, 'Monitor')
  await floor(page)
    .getByRole('combobox', { name: /^Device/ })
    .selectOption({ label: 'Tape echo' })
  const rows = page.getByRole('list', { name: 'Messages, the newest last' }).getByRole('listitem')
  await expect(rows).toHaveCount(1)
  await expect(rows).toContainText(/Tape echo: recalls B4 Dotted eighth.*C3 0B/)
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as MIDI file' }).click()
  expect((await saved).suggestedFilename()).toBe('monitor.mid')
  await rows.getByRole('button').click()
  await expect(page).toHaveURL(/switches$/)
})

test('the bench port gives back what goes out, and the monitor knows it', async ({ page, rigId }) => {
  await openView(page, rigId, 'switches')
  await page.keyboard.press('k')
  await pane(page, 'MIDI')
  await page.getByLabel('All that goes out').selectOption('Bench port')
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('1', { delay: 60 })
  await expect(floor(page)).toContainText(/(\d+) messages in, \1 of them our own/)
  await page.getByRole('button', { name: 'Show in the monitor' }).click()
  await floor(page).getByRole('combobox', { name: /^Kind/ }).selectOption('what comes in')
  await expect(page.getByRole('list', { name: 'Messages, the newest last' })).toContainText(
    'One of ours, come back',
  )
})
