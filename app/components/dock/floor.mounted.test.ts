import { it } from 'vitest'
import { deviceNow, expect, inspector, openView, pause, type Page } from '~/testing/player'

const pane = (page: Page, name: string | RegExp) => page.getByRole('tab', { name }).click()

it('a run is recorded, kept, played again, and differs after an edit', async () => {
  const page = await openView('rig')
  await page.keyboard.press('k')
  await pane(page, /^Runs/)
  await page.getByRole('button', { name: 'Record a run' }).click()
  for (const key of ['1', '2']) await page.keyboard.press(key, { delay: 50 })
  await pause(300)
  await page.getByRole('button', { name: 'End it' }).click()
  await page.getByLabel('Name of the run').fill('Verse to chorus')
  await page.getByRole('button', { name: 'Keep it' }).click()
  const run = page.getByRole('list', { name: 'Runs' }).getByRole('listitem').first()
  await run.getByRole('button', { name: 'Compare' }).click()
  await expect(run).toContainText('It does what it did when it was recorded.')
  await page
    .getByRole('list', { name: 'On the floor' })
    .getByRole('button', { name: /^Tape echo/ })
    .click()
  await inspector(page)
    .getByRole('button', { name: /^Channel 9/ })
    .click()
  await expect(run).toContainText(/is no longer sent/)
  await page.reload()
  await page.keyboard.press('k')
  await pane(page, /^Runs/)
  await expect(page.getByRole('textbox', { name: 'Name of Verse to chorus' })).toHaveValue('Verse to chorus')
})

it('a device is switched off and on in the middle of a song', async () => {
  const page = await openView('switches')
  await page.keyboard.press('2', { delay: 60 })
  await expect(deviceNow(page, 'Tape echo')).toContainText('B4')
  await pane(page, 'Start')
  await page.getByRole('button', { name: 'Tape echo is on: switch it off' }).click()
  await expect(deviceNow(page, 'Tape echo')).toContainText('off')
  await page.getByRole('button', { name: 'Tape echo is off: switch it on' }).click()
  await expect(deviceNow(page, 'Tape echo')).not.toContainText('B4')
  await page.getByRole('button', { name: 'Put right what differs' }).click()
  await expect(deviceNow(page, 'Tape echo')).toContainText('B4')
})
