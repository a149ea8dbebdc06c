import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { deviceNow, expect, inspector, openView, test, pickFile } from './player'

const stage = (page: Page) => page.getByRole('link', { name: /Charts/ })
const control = (page: Page, device: string, name: RegExp) =>
  page.getByRole('list', { name: `Controls of ${device}` }).getByRole('button', { name })
const go = async (page: Page, device: string, part: RegExp) => {
  await page.getByRole('tab', { name: new RegExp(`^${device}`) }).click()
  await page.getByRole('tab', { name: part }).click()
}

test('a real MIDI output is sent the same bytes', async ({ page, rigId }) => {
  await page.addInitScript(() => {
    const sent: number[][] = []
    Object.assign(window, { sentToGear: sent })
    const port = {
      id: 'gear',
      name: 'Stage box',
      state: 'connected',
      send: (bytes: number[]) => void sent.push([...bytes]),
    }
    Object.defineProperty(navigator, 'requestMIDIAccess', {
      value: async () => ({
        inputs: new Map(),
        outputs: new Map([['gear', port]]),
        addEventListener: () => {},
      }),
    })
  })
  await openView(page, rigId, 'charts')
  await go(page, 'Bass synth', /Controls/)
  await control(page, 'Bass synth', /Drift/).click()
  await inspector(page).getByRole('button', { name: 'Look for real MIDI outputs' }).click()
  await expect(inspector(page).getByLabel('Send to')).toBeVisible()
  await inspector(page).getByLabel('Value, as Bass synth shows it').fill('25')
  await inspector(page).getByRole('button', { name: 'Send it and see' }).click()
  // NRPN 12588 is 98, 44; 25 of 0 to 50 cents is 8192 of 16383, which is 64, 0; the null behind it.
  expect(await page.evaluate(() => (window as unknown as { sentToGear: number[][] }).sentToGear)).toEqual([
    [0xb6, 99, 98],
    [0xb6, 98, 44],
    [0xb6, 6, 64],
    [0xb6, 38, 0],
    [0xb6, 99, 127],
    [0xb6, 98, 127],
  ])
  await expect(deviceNow(page, 'Bass synth')).toContainText('Drift')
})

test('a chart goes out as CSV and comes in again as it was', async ({ page, rigId }, testInfo) => {
  await openView(page, rigId, 'charts')
  await go(page, 'Tape echo', /Controls/)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'CSV out' }).click(),
  ])
  const text = await readFile(await download.path(), 'utf8')
  expect(text.split('\r\n')[0]).toBe('CC,Name,Section,Values,Unit,Note')
  const file = testInfo.outputPath('chart.csv')
  await download.saveAs(file)
  await page.getByRole('tab', { name: /^Hall reverb/ }).click()
  await page.getByRole('button', { name: 'Paste a chart' }).click()
  await pickFile(page, 'Or choose a file', file)
  await expect(page.getByRole('dialog')).toContainText('10 lines read, 10 to be written, 0 lines not taken.')
})

test('a file of 10,000 lines is read while the page stays live', async ({ page, rigId }) => {
  await openView(page, rigId, 'charts')
  await page.getByRole('button', { name: 'Paste a chart' }).click()
  const lines = Array.from({ length: 10_000 }, (_, n) => `${n % 120},Control ${n},0-127`)
  await pickFile(page, 'Or choose a file', {
    name: 'long.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`CC,Name,Range\n${lines.join('\n')}`),
  })
  await expect(page.getByRole('dialog')).toContainText('0 lines read, 0 to be written, 10000 lines not taken')
  // Only what is in view is drawn.
  expect(await page.getByRole('list', { name: 'What was read' }).getByRole('listitem').count()).toBeLessThan(
    80,
  )
})

test('presets are filled in a run, the next free one is found, and one is described', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'charts')
  await go(page, 'Hall reverb', /Presets/)
  await page.getByLabel('Name presets from').fill('020')
  await page.getByLabel('Name presets up to').fill('022')
  await page.getByLabel('Name for all of them; # becomes the number').fill('Cellar #')
  await page.getByRole('button', { name: 'Name them' }).click()
  const list = page.getByRole('list', { name: 'Presets of Hall reverb' })
  await expect(list.getByRole('button', { name: /^021 .*Cellar 021/ })).toBeVisible()
  await list.getByRole('button', { name: /^021/ }).click()
  await inspector(page).getByLabel('What it is for').click()
  await page.getByRole('option', { name: 'Pad' }).click()
  await expect(list.getByRole('button', { name: /^021/ })).toContainText('Pad')
  await page.getByRole('button', { name: 'Next free one' }).click()
  await expect(inspector(page).getByRole('heading', { name: /^023/ })).toBeVisible()
  await page.getByLabel('Name presets from').fill('999')
  await page.getByRole('button', { name: 'Name them' }).click()
  await expect(page.getByText('There is no 999. Hall reverb has 001 to 300.')).toBeVisible()
})

test('contacts, learned pairs and maps in presets are kept and checked', async ({ page, rigId }) => {
  await openView(page, rigId, 'charts')
  await go(page, 'Amp relay box', /Contacts/)
  const row = page.getByRole('row', { name: /1 Clean/ })
  await expect(row).toContainText('no effect')
  await page.getByLabel('Channel 2 closed by Clean').check()
  await expect(row).not.toContainText('no effect')
  await expect(page.getByRole('row', { name: /2 Drive PC/ })).toContainText('the same as Clean')
  await go(page, 'Bass preamp', /Learned pairs/)
  await page.getByText('Change it', { exact: true }).click()
  await page.getByLabel('Drive, state B of Verse and shout').fill('75 %')
  await page.getByLabel('Drive, state B of Verse and shout').press('Enter')
  await expect(page.getByText('Bass preamp must learn Verse and shout again.').first()).toBeVisible()
  await page.getByRole('main').getByRole('button', { name: 'It has been learned' }).first().click()
  await expect(page.getByText('Bass preamp must learn Verse and shout again.')).toHaveCount(0)
  await go(page, 'Bass synth', /Controls/)
  await control(page, 'Bass synth', /Filter sweep/).click()
  await expect(inspector(page).getByText('1 Sub')).toBeVisible()
  await expect(stage(page)).toContainText('thing')
})

test('a chart is copied from another device, with where it came from', async ({ page, rigId }) => {
  await openView(page, rigId, 'charts')
  await go(page, 'Amp relay box', /Controls/)
  await page.getByRole('button', { name: 'Copy one' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Pit bass, The Tidewright' }).first().click()
  await dialog.getByRole('button', { name: /Hall reverb/ }).click()
  await control(page, 'Amp relay box', /Decay/).click()
  await expect(inspector(page)).toContainText('Copied from Pit bass, The Tidewright, Hall reverb.')
})
