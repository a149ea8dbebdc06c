import { expect, inspector, openView, saved, test, tile } from './player'

test('edit, reload, undo, redo: nothing is lost', async ({ page, rigId }) => {
  await openView(page, rigId, 'switches')
  await tile(page, /Chorus, drive/).click()
  const label = inspector(page).getByLabel('Label')
  await label.fill('Chorus, wide')
  await label.press('Enter')
  await saved(page, 2)
  await page.reload()
  await expect(tile(page, /Chorus, wide/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo: label switch' }).click()
  await expect(tile(page, /Chorus, drive/)).toBeVisible()
  await page.keyboard.press('Control+Shift+z')
  await expect(tile(page, /Chorus, wide/)).toBeVisible()
  await saved(page, 4)
  await page.reload()
  await expect(tile(page, /Chorus, wide/)).toBeVisible()
})
