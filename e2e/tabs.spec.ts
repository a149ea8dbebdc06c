import { expect, inspector, openView, saved, test, tile } from './player'

test('a second tab is told when it is stale, and takes the new state', async ({ page, context, rigId }) => {
  await openView(page, rigId, 'switches')
  const second = await context.newPage()
  await openView(second, rigId, 'switches')
  await tile(page, /Chorus, drive/).click()
  await inspector(page).getByLabel('Label').fill('Refrain')
  await inspector(page).getByLabel('Label').press('Enter')
  await saved(page, 2)
  await expect(second.getByRole('alert')).toContainText('This rig was changed elsewhere. You see revision 1.')
  // The second tab edits the same switch from what it still sees.
  await tile(second, /Chorus, drive/).click()
  await inspector(second).getByLabel('Label').fill('Hook')
  await inspector(second).getByLabel('Label').press('Enter')
  await expect(second.getByRole('alert')).toContainText('The rig has changed since this edit was made.')
  await second.getByRole('button', { name: 'Take the new state' }).click()
  await expect(tile(second, /Refrain/)).toBeVisible()
  await expect(second.getByRole('alert')).toContainText('Does not fit the new state: label switch.')
  await saved(second, 2)
})

test('with the server away, edits wait here in order and are sent when it is back', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'switches')
  await page.route('**/edits', (route) => route.abort())
  await tile(page, /Chorus, drive/).click()
  const label = inspector(page).getByLabel('Label')
  for (const text of ['First', 'Second']) {
    await label.fill(text)
    await label.press('Enter')
  }
  await expect(page.getByRole('alert')).toContainText('The server is away.')
  await expect(page.getByText('Server away, 2 edits kept here')).toBeVisible()
  await page.reload()
  await expect(tile(page, /Second/)).toBeVisible()
  await page.unroute('**/edits')
  await saved(page, 3)
})

test('an edit the server can never take is left out, and what is behind it is saved', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'switches')
  let refusals = 0
  await page.route('**/edits', async (route) => {
    if (!route.request().postData()?.includes('Too much')) return route.continue()
    refusals++
    await route.fulfill({
      status: 413,
      json: {
        error: { code: 'tooBig', message: 'This is larger than the server takes.', limit: 16_000_200 },
      },
    })
  })
  await tile(page, /Chorus, drive/).click()
  const label = inspector(page).getByLabel('Label')
  await label.fill('Too much')
  await label.press('Enter')
  await expect(page.getByRole('alert')).toContainText(
    'Not saved: label switch. This is larger than the server takes.',
  )
  await tile(page, /^4/).click()
  await inspector(page).getByLabel('Label').fill('Behind it')
  await inspector(page).getByLabel('Label').press('Enter')
  await page.getByRole('button', { name: 'Leave this edit out' }).click()
  await expect(tile(page, /Behind it/)).toBeVisible()
  await expect(tile(page, /Chorus, drive/)).toBeVisible()
  await saved(page, 2)
  expect(refusals).toBeGreaterThan(0)
})

test('a full disk is told in words, and the edit is saved when there is room', async ({ page, rigId }) => {
  await openView(page, rigId, 'switches')
  await page.route('**/edits', (route) =>
    route.fulfill({
      status: 507,
      json: {
        error: { code: 'storageFull', message: 'The disk with the database is full. Make room on it.' },
      },
    }),
  )
  await tile(page, /Chorus, drive/).click()
  await inspector(page).getByLabel('Label').fill('Patient')
  await inspector(page).getByLabel('Label').press('Enter')
  await expect(page.getByRole('alert')).toContainText('The disk with the database is full.')
  await expect(page.getByText('Not saved yet, 1 edit kept here')).toBeVisible()
  await page.unroute('**/edits')
  await saved(page, 2)
})
