import { it } from 'vitest'
import { bytesSent, deviceNow, expect, inspector, openView, type Page } from '~/testing/player'

const searchField = (page: Page) => page.getByRole('combobox', { name: 'Search all charts' })
const control = (page: Page, device: string, name: RegExp) =>
  page.getByRole('list', { name: `Controls of ${device}` }).getByRole('button', { name })
const go = async (page: Page, device: string, part: RegExp) => {
  await page.getByRole('tab', { name: new RegExp(`^${device}`) }).click()
  await page.getByRole('tab', { name: part }).click()
}

it('from "reverb mix 35 %" to the exact message in three keys', async () => {
  const page = await openView('charts')
  await page.keyboard.press('/')
  await page.keyboard.type('reverb mix 35 %')
  await expect(page.getByRole('option').first()).toContainText('CC 15 44')
  await page.keyboard.press('Enter')
  await expect(inspector(page).getByRole('list', { name: 'What is sent' })).toHaveText(/CC 15 44\s*B4 0F 2C/)
  await inspector(page).getByRole('button', { name: 'Send it and see' }).focus()
  await page.keyboard.press('Enter')
  await expect(bytesSent(page)).toHaveText('B4 0F 2C')
  await expect(deviceNow(page, 'Hall reverb')).toContainText('Mix 34.6 %')
})

it('"CC 21" and "B4" are found over all devices', async () => {
  const page = await openView('charts')
  await searchField(page).fill('CC 21')
  await expect(page.getByRole('option')).toHaveCount(2)
  await searchField(page).fill('B4')
  await page.getByRole('option', { name: /B4 Dotted eighth/ }).click()
  await expect(inspector(page).getByRole('heading', { name: 'B4 Dotted eighth' })).toBeVisible()
  await inspector(page).getByRole('button', { name: 'Send it and see' }).click()
  await expect(bytesSent(page)).toHaveText('C3 0B')
  await searchField(page).fill('no such thing')
  await expect(page.getByText('Nothing like that in the charts').first()).toBeVisible()
})

it('a doubtful control is sent, seen and marked as tested; an unreadable value says what to write', async () => {
  const page = await openView('charts')
  await go(page, 'Tape echo', /Controls/)
  await expect(control(page, 'Tape echo', /Age/)).toContainText('doubtful')
  await control(page, 'Tape echo', /Age/).click()
  const value = inspector(page).getByLabel('Value, as Tape echo shows it')
  await value.fill('135 %')
  await expect(inspector(page).getByRole('alert')).toHaveText('135 is outside 0 to 100 %.')
  await value.fill('20 %')
  await inspector(page).getByRole('button', { name: 'Send it and see' }).click()
  await expect(deviceNow(page, 'Tape echo')).toContainText('Age 19.7 %')
  await inspector(page).getByRole('button', { name: 'It did that' }).click()
  await expect(control(page, 'Tape echo', /Age/)).not.toContainText('doubtful')
})

it('a pasted chart is looked at row by row, taken, and undone in one step', async () => {
  const page = await openView('charts')
  await page.getByRole('tab', { name: /^Bass preamp/ }).click()
  await page.getByRole('button', { name: 'Paste a chart' }).click()
  const dialog = page.getByRole('dialog', { name: 'A chart for Bass preamp' })
  await page
    .getByLabel(/^Paste the table from the manual/)
    .fill(
      'CC\tName\tRange\n21\tDrive\t0-100 %\n40\tGate\toff/on\n200\tWrong\t0-127\n41\t=HYPERLINK("x")\t0-127',
    )
  await expect(dialog).toContainText('3 lines read, 3 to be written, 1 line not taken.')
  await expect(dialog).toContainText('200 is no controller number: they go from 0 to 127.')
  await dialog.getByLabel('Column 3').click()
  await page.getByRole('option', { name: 'Leave out' }).click()
  await expect(dialog).toContainText('3 lines read')
  await dialog.getByRole('button', { name: /^Take \d lines/ }).click()
  await expect(control(page, 'Bass preamp', /Gate/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo: take chart' }).click()
  await expect(control(page, 'Bass preamp', /Gate/)).toHaveCount(0)
})

it('a control is added on a free number, made an NRPN, and both readings of its number are shown', async () => {
  const page = await openView('charts')
  await page.getByRole('button', { name: 'Add a control' }).click()
  await inspector(page).getByText('What is sent', { exact: true }).click()
  await inspector(page).getByRole('radio', { name: 'NRPN' }).check()
  await inspector(page).getByLabel('Number or pair, as the manual writes it').fill('12588')
  await expect(inspector(page).getByRole('list', { name: 'Ways to read it' })).toContainText('12588 = 98, 44')
  await inspector(page).getByRole('button', { name: 'As a pair: 16088 = 125, 88' }).click()
  await expect(inspector(page)).toContainText('NRPN 16088 (125, 88)')
})
