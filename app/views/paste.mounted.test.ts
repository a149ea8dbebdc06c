import { it } from 'vitest'
import { expect, openView, type Page } from '~/testing/player'

const dialog = (page: Page) => page.getByRole('dialog', { name: /A chart for/ })
const rows = (page: Page) => dialog(page).getByRole('list', { name: 'What was read' }).getByRole('listitem')

async function paste(...lines: string[]): Promise<Page> {
  const page = await openView('charts')
  await page.getByRole('tab', { name: /^Amp relay box/ }).click()
  await page.getByRole('button', { name: 'Paste a chart' }).click()
  await page.getByLabel(/Paste the table/).fill(lines.join('\n'))
  return page
}

it('what is assumed of a line is told beside it; what is not understood stays as a note', async () => {
  const page = await paste(
    'CC\tParameter\tRange',
    '81\tCutoff\t20Hz-20kHz',
    '82\tDrive\tlots and lots',
    '83\tAge\t0-10',
  )
  await expect(dialog(page)).toContainText('3 lines read, 3 to be written, 0 lines not taken, 3 to look at.')
  await expect(rows(page).nth(1)).toContainText('20 to 20000 Hz')
  await expect(rows(page).nth(1)).toContainText('taken as even steps; the chart does not say')
  await expect(rows(page).nth(2)).toContainText('values not understood')
  await dialog(page).getByRole('button', { name: 'Take 3 lines' }).click()
  const drive = page.getByRole('main').getByRole('button', { name: /Drive/ }).first()
  await drive.click()
  await expect(page.getByRole('complementary', { name: 'What is chosen' }).getByLabel('Note')).toHaveValue(
    'lots and lots',
  )
})

it('of two lines with one number neither is taken until the player says which', async () => {
  const page = await paste('CC,Name,Values', '81,Mix,0-127', '82,Age,0-127', '81,Blend,0-127')
  await expect(dialog(page)).toContainText('1 line read, 1 to be written, 2 lines not taken')
  await expect(rows(page).nth(1)).toContainText('the same number as line 4: take one of them')
  await expect(rows(page).nth(3)).toContainText('the same number as line 2: take one of them')
  await dialog(page).getByRole('button', { name: 'Take line 4' }).click()
  await expect(dialog(page)).toContainText('2 lines read, 2 to be written, 1 line not taken')
  // The other one instead: never both.
  await dialog(page).getByRole('button', { name: 'Take line 2' }).click()
  await expect(dialog(page)).toContainText('2 lines read, 2 to be written, 1 line not taken')
})

it('one bad line refuses none of the others, and a line of tabs holds nothing up', async () => {
  const page = await paste(
    'CC\tName',
    '81\tMix',
    '\t'.repeat(200_000),
    '300\tAge',
    'NRPN 12588\tDrift',
    '83\tTone',
  )
  await expect(dialog(page)).toContainText('2 lines read, 2 to be written, 3 lines not taken')
  await expect(dialog(page)).toContainText('A line of 200,000 letters is not part of a chart.')
  await expect(dialog(page)).toContainText('300 is no controller number: they go from 0 to 127.')
  await expect(dialog(page)).toContainText('Write the pair with a slash: 98/44.')
})
