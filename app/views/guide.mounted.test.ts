import { it } from 'vitest'
import { expect, inspector, openView, tile } from '~/testing/player'

it('no jack is free: a thru box comes in with its cables and its power, in one edit', async () => {
  const page = await openView('rig')
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Looper/ })
    .click()
  const note = inspector(page).getByText('Nothing reaches Looper.')
  if (note.count() > 0) {
    await inspector(page)
      .getByRole('button', { name: /^Put in a/ })
      .click()
    await expect(note).toBeHidden()
    await page.keyboard.press('Control+z')
    await expect(note).toBeVisible()
  }
})

it('the guide does not take "cannot tell" for right', async () => {
  const page = await openView('rig')
  await tile(page, /^Tape echo/).click()
  await inspector(page).getByRole('button', { name: /Why/ }).click()
  const guide = page.getByRole('dialog', { name: /Why does Tape echo do nothing/ })
  await expect(guide).toContainText('Does Eight-switch controller show it')
  for (let n = 0; n < 12 && guide.getByRole('button', { name: 'Cannot tell' }).count() > 0; n++)
    await guide.getByRole('button', { name: 'Cannot tell' }).click()
  await expect(guide).toContainText('Nothing is found wrong, and this is not known to be right')
})
