import { deviceNow, expect, test } from './player'

/** Counts what a hand does: clicks, and keys of text typed. */
test('from an empty rig to a first sound that works on three devices: few clicks, well under two minutes', async ({
  page,
}) => {
  let clicks = 0
  const click = async (name: string | RegExp, role: 'button' | 'radio' = 'button') => {
    clicks++
    const one = page.getByRole(role, { name, exact: typeof name === 'string' }).first()
    await (role === 'radio' ? one.check({ force: true }) : one.click())
  }
  const start = Date.now()
  await page.goto('/rigs')
  await page.getByLabel('Name of the new rig').fill('Sea shanty trio')
  clicks++
  await click('Build it')
  await click('Eight-switch controller', 'radio')
  for (const kind of ['Preamp', 'Delay', 'Reverb']) await click(kind)
  await expect(page.getByText(/Comes to 3 boxes/)).toBeVisible()
  await click('Put it on the floor')
  // Cabled, channelled and powered, with nothing to find.
  await expect(page.getByText('1 foot controller, 5 devices, 9 cables')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Rig', exact: false }).getByText('ok')).toBeVisible()
  for (const [field, text] of [
    ['Called', 'Verse'],
    ['Preamp', '12'],
    ['Delay', 'B4'],
    ['Reverb', '5'],
  ] as const) {
    clicks++
    await page.getByLabel(field, { exact: true }).fill(text)
  }
  await click('Put it on a switch')
  await expect(page.getByText('Verse is on switch 1')).toBeVisible()
  await page.keyboard.press('1')
  for (const [device, shown] of [
    ['Preamp', '12'],
    ['Delay', 'B4'],
    ['Reverb', '005'],
  ] as const)
    await expect(deviceNow(page, device)).toContainText(shown)
  expect(clicks).toBeLessThanOrEqual(25)
  test.info().annotations.push({
    type: 'First sound on three devices',
    description: `${clicks} clicks, ${((Date.now() - start) / 1000).toFixed(1)} s`,
  })
  expect(Date.now() - start).toBeLessThan(120_000)
  // One step takes the whole floor back.
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.getByText('1. Which controller?')).toBeVisible()
})

test('an empty rig offers three ways; the demo is copied, a rig copied and deleted, all of them told', async ({
  page,
}) => {
  await page.goto('/rigs')
  await page.getByRole('button', { name: 'Copy the demo' }).click()
  await expect(page.getByRole('heading', { name: 'Switches' })).toBeVisible()
  await page.goto('/rigs')
  const list = page.getByRole('list', { name: 'Your rigs' })
  await expect(list).toBeVisible()
  const before = await list.getByRole('listitem').count()
  await page
    .getByRole('button', { name: /^Copy Pit bass/ })
    .first()
    .click()
  await expect(list.getByRole('listitem')).toHaveCount(before + 1)
  const copy = list.getByRole('listitem').filter({ hasText: ', copy' }).first()
  await expect(copy.getByText('1 controller, 18 boxes, 16 sounds, and 72 switches in 9 banks')).toBeVisible()
  await copy.getByRole('button', { name: /^Delete/ }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Delete/ })
    .click()
  await expect(list.getByRole('listitem')).toHaveCount(before)
})

test('words of the trade are looked up, and explained where they stand', async ({ page }) => {
  await page.goto('/words')
  await page.getByLabel('Look a word up').fill('CC 99')
  await expect(page.getByRole('term')).toHaveCount(1)
  await expect(page.getByText('Like dialling an extension before you speak.')).toBeVisible()
  await page.getByLabel('Look a word up').fill('xyzzy')
  await expect(page.getByText('Nothing explains "xyzzy". Try a shorter word.')).toBeVisible()
})
