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
