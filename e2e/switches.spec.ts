import { bytesSent, expect, openView, test, tile } from './player'

test('a switch is copied, moved and put in another’s place, and what goes is said first', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'switches')
  await tile(page, /Chorus, drive/).click()
  await page.keyboard.press('Control+c')
  await tile(page, /^4/).click()
  await page.keyboard.press('Control+v')
  await expect(tile(page, /Chorus, drive/)).toHaveCount(2)
  await expect(page.getByText('as Chorus, drive, not looked at yet')).toBeVisible()
  await tile(page, /Solo, hall/).click()
  await page.keyboard.press('Control+v')
  const asked = page.getByRole('alertdialog')
  await expect(asked).toContainText('over "Solo, hall"')
  await asked.getByRole('button', { name: 'Leave it' }).click()
  await expect(tile(page, /Solo, hall/)).toBeVisible()
  await tile(page, /Verse, dry/).dragTo(tile(page, /Solo, hall/))
  await asked.getByRole('button', { name: 'Change places' }).click()
  await page.keyboard.press('1')
  await expect(bytesSent(page)).toHaveText(/^C0 07/)
})
