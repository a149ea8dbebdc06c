import { it } from 'vitest'
import { expect, openView, saved, type Page } from '~/testing/player'

const head = (page: Page) => page.locator('main header').first()
const panel = (page: Page) => page.getByRole('region', { name: 'Front panel' })
const lines = (page: Page) => page.getByRole('tabpanel', { name: 'Sheet' }).getByRole('checkbox')

/** How many lines are left, as the head says. */
async function linesLeft(page: Page): Promise<number> {
  await expect(head(page)).toContainText('left')
  return Number(/(\d+) lines? left/.exec(await head(page).text())![1])
}

it('keys a line in: its presses played on the panel leave the plan, and a tick takes it off the sheet', async () => {
  const page = await openView('keyin')
  const before = await linesLeft(page)
  await expect(
    page
      .getByText('59 of 128 in the controller')
      .or(page.getByText(/^\d+ of \d+ in the controller/))
      .first(),
  ).toBeVisible()
  await panel(page)
    .getByRole('button', { name: /^Play / })
    .press('Enter')
  await panel(page).getByRole('button', { name: 'At once' }).press('Enter')
  await expect(panel(page)).toContainText('It holds what the plan says.')
  // A line further down copies what one before it will have made.
  const copied = page.getByRole('button', { name: /^Switch 3.*Copy of bank 5, switch 1/ })
  await copied.press('Enter')
  await panel(page).getByRole('button', { name: 'Play bank 5, switch 3', exact: true }).press('Enter')
  await panel(page).getByRole('button', { name: 'At once' }).press('Enter')
  await expect(panel(page)).toContainText('It holds what the plan says.')
  // By keys: ticked, taken back by undo, ticked again; what is ticked is still so after a reload.
  await lines(page).first().press('Space')
  await expect(head(page)).toContainText(`${before - 1} lines left`)
  await page.keyboard.press('Control+z')
  await expect(head(page)).toContainText(`${before} lines left`)
  await lines(page).first().press('Space')
  await expect(head(page)).toContainText(`${before - 1} lines left`)
  await expect(page.getByText(/^Saved .*revision \d+$/)).toBeVisible()
  await page.reload()
  await expect(head(page)).toContainText(`${before - 1} lines left`)
})

it('goes by what the player says of the controller', async () => {
  const page = await openView('keyin')
  const before = await linesLeft(page)
  await page.getByRole('button', { name: 'What is in the controller?' }).press('Enter')
  await page.getByRole('button', { name: 'Nothing: as it left the factory' }).press('Enter')
  await expect.poll(() => linesLeft(page)).toBeGreaterThan(before)
  await page.getByRole('button', { name: 'All of the plan' }).press('Enter')
  await expect(head(page)).toContainText('All is in the controller')
  // A switch that changes stands on the sheet again.
  await saved(page, 3)
  await page.getByText(/^In the controller: /).click()
  await page
    .getByRole('button', { name: 'Not in the controller: bank 1, switch 1', exact: true })
    .press('Enter')
  await expect(head(page)).toContainText('1 line left')
  await expect(page.getByRole('tabpanel', { name: 'Sheet' })).toContainText('Switch 1')
})

it('another manner, made the player’s own, has other keys on sheet and panel', async () => {
  const page = await openView('keyin')
  await page.getByRole('tab', { name: 'Front panel' }).press('Enter')
  await page.getByRole('button', { name: /^Menu and dial/ }).press('Enter')
  await expect(panel(page).getByRole('button', { name: 'Dial right' })).toBeVisible()
  const name = page.getByLabel('Dial right', { exact: true })
  await name.fill('Big wheel right')
  await name.press('Enter')
  await expect(panel(page).getByRole('button', { name: 'Big wheel right' })).toBeVisible()
  // Worked by hand: bank 1, switch 1 opens, and the display names what is at hand.
  const wheel = panel(page).getByRole('button', { name: 'Big wheel right' })
  await panel(page).getByRole('button', { name: 'Menu', exact: true }).click()
  for (let n = 0; n < 3; n++) await panel(page).getByRole('button', { name: 'Push the dial' }).click()
  await expect(panel(page).getByRole('list', { name: 'What is open' })).toContainText('settings')
  await expect(panel(page).locator('output')).toContainText('Positions 1')
  await wheel.click()
  await expect(panel(page).locator('output')).toContainText('Positions 2')
  await page.getByRole('tab', { name: 'Sheet' }).press('Enter')
  await expect(page.getByRole('tabpanel', { name: 'Sheet' })).toContainText('Big wheel right')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('tabpanel', { name: 'Sheet' })).not.toContainText('Big wheel right')
})

it('a controller with slips is heard on the bench port, each slip named, and the sheet mends it', async () => {
  const page = await openView('keyin')
  await page.getByRole('tab', { name: 'Listen' }).press('Enter')
  await page.getByRole('button', { name: 'Listen', exact: true }).press('Enter')
  const pane = page.getByRole('tabpanel', { name: 'Listen' })
  await expect(pane).toContainText('Step on it')
  await page.getByLabel('It holds').click()
  await page.getByRole('option', { name: 'the plan with a few slips' }).click()
  await page.getByRole('button', { name: 'Step on it', exact: true }).press('Enter')
  await expect(pane).toContainText('Program one too low on channel 1: 1, not 2.')
  await page.getByRole('button', { name: 'Step on all' }).press('Enter')
  await expect(pane).toContainText('Wrong channel: ')
  await expect(pane.getByText(/Swapped with switch \d/)).toHaveCount(2)
  await page.getByRole('button', { name: 'Stop stepping' }).press('Enter')
  await expect(page.getByRole('complementary')).toContainText('Came')
  await page.getByRole('button', { name: 'Keep what was heard' }).press('Enter')
  await page.getByRole('tab', { name: 'Sheet' }).press('Enter')
  await expect(page.getByRole('tabpanel', { name: 'Sheet' })).toContainText('Bank 1 Net menders')
})

it('a control that moves names itself in a chart', async () => {
  const page = await openView('charts')
  await page
    .getByRole('main')
    .getByRole('button', { name: /^CC 21/ })
    .first()
    .click()
  await page.getByRole('complementary').getByText('What is sent', { exact: true }).click()
  await page.getByRole('button', { name: 'Hear the number' }).press('Enter')
  await expect(page.getByRole('complementary')).toContainText('Move the real one')
  await page.getByRole('button', { name: 'Stop', exact: true }).press('Enter')
  await expect(page.getByRole('button', { name: 'Hear the number' })).toBeVisible()
})
