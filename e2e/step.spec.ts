import { bytesSent, expect, openView, test } from './player'

test('mouse and touch step too, and holding a key is one press', async ({ page, rigId }) => {
  await openView(page, rigId, 'switches')
  await page.getByRole('button', { name: 'Step on switch 3, Solo, hall' }).click()
  await expect(bytesSent(page)).toHaveText('C0 07 C3 00 B4 00 00 B4 20 02 C4 2B C5 01')
  await page.keyboard.down('1')
  await page.keyboard.down('1')
  await expect(bytesSent(page)).toHaveText('C0 02 C3 00 B4 00 00 B4 20 00 C4 00 C5 00')
  await page.keyboard.up('1')
})
