import { expect, openView, test, tile, seriousFaults } from './player'

test('axe finds nothing serious in Switches', async ({ page, rigId }) => {
  await openView(page, rigId, 'switches')
  expect(await seriousFaults(page, { whole: true })).toEqual([])
  await tile(page, /Chorus, drive/).click()
  await page.keyboard.press('2')
  expect(await seriousFaults(page)).toEqual([])
})

test('axe finds nothing serious in Sounds', async ({ page, rigId }) => {
  await openView(page, rigId, 'sounds')
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('gridcell').filter({ hasText: 'B4 Dotted eighth' }).first().click()
  await page.keyboard.type('dot')
  expect(await seriousFaults(page)).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('rowheader', { name: /^Storm solo/ }).click()
  await page.keyboard.press('F8')
  expect(await seriousFaults(page)).toEqual([])
  for (const name of ['From one to another', 'Your way']) {
    await page.getByRole('tab', { name }).click()
    expect(await seriousFaults(page)).toEqual([])
  }
})

test('axe finds nothing serious in Rig', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  expect(await seriousFaults(page)).toEqual([])
  await tile(page, /^Tape echo/).click()
  await page.getByRole('button', { name: 'Settings of Control jack' }).click()
  expect(await seriousFaults(page)).toEqual([])
  await tile(page, /^Eight-switch controller,/).click()
  expect(await seriousFaults(page)).toEqual([])
  await tile(page, /TRS hub Out 1/).click()
  await page.getByLabel('adapter that swaps tip and ring').uncheck()
  expect(await seriousFaults(page)).toEqual([])
  for (const name of ['Before the first stomp', 'Channels', 'Power', 'Which controller', 'Saving']) {
    await page.getByRole('tab', { name }).click()
    expect(await seriousFaults(page)).toEqual([])
  }
  await page.getByRole('button', { name: 'Add a device' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  expect(await seriousFaults(page)).toEqual([])
})

test('axe finds nothing serious in Charts', async ({ page, rigId }) => {
  await openView(page, rigId, 'charts')
  await tile(page, /^CC 21/).click()
  for (const name of ['What is sent', 'How it reads values'])
    await page.getByRole('complementary').getByText(name, { exact: true }).click()
  await page.getByRole('button', { name: 'Send it and see' }).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: /^Presets/ }).click()
  await tile(page, /^3 /).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: 'Learned pairs' }).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: /^Amp relay box/ }).click()
  await page.getByRole('tab', { name: 'Contacts' }).click()
  expect(await seriousFaults(page)).toEqual([])
  await page.getByRole('tab', { name: /^Controls/ }).click()
  await page.getByRole('button', { name: 'Paste a chart' }).click()
  await page.getByRole('dialog').getByRole('textbox').fill('CC,Name\n21,Mix\n300,No')
  await expect(page.getByRole('dialog')).toContainText('1 line read')
  expect(await seriousFaults(page)).toEqual([])
})

test('axe finds nothing serious in the list of rigs and the shortcuts', async ({ page, rigId }) => {
  await page.goto('/rigs')
  await expect(page.getByRole('heading', { name: 'Rigs' })).toBeVisible()
  expect(await seriousFaults(page)).toEqual([])
  await openView(page, rigId, 'switches')
  await page.keyboard.press('Shift+?')
  await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toBeVisible()
  expect(await seriousFaults(page)).toEqual([])
})

test('axe sees a fault that is there', async ({ page }) => {
  await page.goto('/rigs')
  await page.evaluate(() => document.body.insertAdjacentHTML('beforeend', '<button></button>'))
  expect((await seriousFaults(page, { whole: true })).map(({ id }) => id)).toContain('button-name')
})
