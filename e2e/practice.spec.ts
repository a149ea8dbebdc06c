import type { Page } from '@playwright/test'
import { expect, openView, saved, test } from './player'

const openPart = async (page: Page, rigId: string, name: string) => {
  await openView(page, rigId, 'stage')
  await page.getByRole('tab', { name }).click()
}

test('before the show: a tick for what is saved goes when the rig changes, and all are cleared at once', async ({
  page,
  request,
  rigId,
}) => {
  await openPart(page, rigId, 'Before the show')
  const saves = page.getByRole('checkbox', { name: 'What changed on Eight-switch controller' })
  const cables = page.getByRole('checkbox', { name: /^All 32 cables are in/ })
  await saves.check()
  await cables.check()
  await expect(page.getByText('2 of 17 done')).toBeVisible()
  await saved(page, 3)
  const { rig } = await (await request.get(`/api/rigs/${rigId}`)).json()
  const before = rig.switches['menders-1']
  const edit = {
    label: 'labelSwitch',
    changes: [{ table: 'switches', id: before.id, before, after: { ...before, label: 'Opening' } }],
  }
  expect((await request.post(`/api/rigs/${rigId}/edits`, { data: { id: 'renamed', edit } })).ok()).toBe(true)
  await page.reload()
  await page.getByRole('tab', { name: 'Before the show' }).click()
  await expect(page.getByText('1 of 17 done')).toBeVisible()
  await expect(saves).not.toBeChecked()
  await expect(page.getByText(/Was ticked .* it has changed since/)).toBeVisible()
  await page.getByRole('button', { name: 'Clear the ticks' }).click()
  await expect(page.getByText('0 of 17 done')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(cables).toBeChecked()
  const pages = await page.pdf({ format: 'A4' })
  expect(pages.toString('latin1').match(/\/Type\s*\/Page[^s]/g)?.length).toBeLessThanOrEqual(2)
})
