import type { Page } from '@playwright/test'
import { expect, inspector, openView, test, seriousFaults, plugMidiIn } from './player'

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

test('a clock on a MIDI input of the browser leads for as long as it comes', async ({ page, rigId }) => {
  const tempo = page
    .getByRole('region', { name: 'Floor' })
    .getByRole('button', { name: /Tap (it|the tempo)$/ })
  await plugMidiIn(page)
  await openView(page, rigId, 'tempo')
  await tab(page, 'Clock')
  await inspector(page).getByRole('checkbox', { name: 'Goes by a clock that comes in' }).check()
  await page.getByRole('checkbox', { name: 'A real clock on a MIDI input leads' }).check()
  // 24 a quarter at 100 bpm, 25 ms apart (M1 v4.2.1, from memory); then nothing more.
  await page.evaluate(() => {
    const send = (window as never as { comesIn: (b: number[], at: number) => void }).comesIn
    const began = performance.now()
    for (let n = 0; n < 80; n++) send([0xf8], began + n * 25)
  })
  await expect(tempo).toHaveText('100 clock in')
  await expect(tempo).toHaveText('96 song')
})
