import type { Page } from '@playwright/test'
import { bytesSent, deviceNow, expect, openView, saved, test, seriousFaults } from './player'

const floor = (page: Page) => page.getByRole('region', { name: 'Floor' })
/** A pedal in the dock, whatever role it is in. */
const pedal = (page: Page, name: string) => floor(page).getByRole('slider', { name: new RegExp(`^${name}`) })
const tab = (page: Page, name: string) => page.getByRole('tab', { name }).click()

test('a pedal in the dock is moved by keys, mouse and wheel, and says which role is live', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'switches')
  const right = pedal(page, 'Right foot')
  await expect(right).toHaveAccessibleName('Right foot, Volume')
  await right.focus()
  await page.keyboard.press('End')
  await expect(right).toHaveAttribute('aria-valuenow', '127')
  // Volume on CC 7 of channel 1, all the way up.
  await expect(bytesSent(page)).toContainText('B0 07 7F')
  await page.keyboard.press('PageDown')
  await expect(right).toHaveAttribute('aria-valuenow', '111')
  await right.hover()
  await page.mouse.wheel(0, 100)
  await expect(right).toHaveAttribute('aria-valuenow', '107')
  const box = (await right.boundingBox())!
  await page.mouse.move(box.x + box.width * 0.9, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width * 0.5, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(right).toHaveAttribute('aria-valuenow', /^6[2-6]$/)
  // The toe switch turns the wah on, and with it the role.
  await floor(page)
    .getByRole('button', { name: /^Toe switch of Right foot, Wah/ })
    .click()
  await expect(right).toHaveAccessibleName('Right foot, Wah')
  await right.focus()
  await page.keyboard.press('Home')
  await expect(deviceNow(page, 'Bass synth')).toContainText('Wah sweep 22.8 %')
  await floor(page)
    .getByRole('button', { name: /^Toe switch/ })
    .click()
  await expect(right).toHaveAccessibleName('Right foot, Volume')
})

test('a point is dragged, and what is drawn follows before it is let go', async ({ page, rigId }) => {
  await openView(page, rigId, 'pedals')
  await tab(page, 'Left foot')
  await page.getByRole('group', { name: 'Targets of this role' }).getByRole('button').click()
  const point = page.getByRole('slider', { name: /^Point 2 of the curve/ })
  const box = (await point.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 30, box.y + box.height / 2 - 30, { steps: 5 })
  await expect(point).not.toHaveAttribute('aria-valuenow', '15')
  await expect(page.getByText('revision 1')).toBeVisible()
  await page.mouse.up()
  await saved(page, 2)
})

test('axe finds nothing serious in Pedals', async ({ page, rigId }) => {
  await openView(page, rigId, 'pedals')
  const faults = () => seriousFaults(page)
  await tab(page, 'Left foot')
  await page.getByRole('group', { name: 'Targets of this role' }).getByRole('button').first().click()
  expect(await faults()).toEqual([])
  for (const name of ['Off by itself', 'Plug in', 'Calibrate']) {
    await tab(page, name)
    expect(await faults()).toEqual([])
  }
  await page.getByRole('button', { name: 'Sweep it for me' }).click()
  await page.getByRole('button', { name: 'To the end' }).click()
  expect(await faults()).toEqual([])
})
