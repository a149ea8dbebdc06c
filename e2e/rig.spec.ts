import type { Page } from '@playwright/test'
import { expect, inspector, openView, test } from './player'

const box = (page: Page, name: string) =>
  page.getByRole('list', { name: 'On the floor' }).getByRole('button', { name: new RegExp(`^${name}`) })
const cable = (page: Page, name: RegExp) =>
  page.getByRole('list', { name: 'Cables' }).getByRole('button', { name })
const stage = (page: Page) => page.getByRole('link', { name: /Rig/ })

test('a cable is laid by dragging from jack to jack', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await cable(page, /to Hall reverb/).click()
  await inspector(page).getByRole('button', { name: 'Take this cable out' }).click()
  await expect(stage(page)).toContainText('1 thing to look at')
  await box(page, 'TRS hub').click()
  const jack = page.locator('[data-box=hub][data-jack=out2]')
  const from = (await jack.boundingBox())!
  await page.mouse.move(from.x + 7, from.y + 7)
  await page.mouse.down()
  const to = (await box(page, 'Hall reverb').boundingBox())!
  await page.mouse.move(to.x + 60, to.y + 40, { steps: 8 })
  const target = (await page.locator('[data-box=reverb][data-jack=in]').boundingBox())!
  await page.mouse.move(target.x + 7, target.y + 7, { steps: 3 })
  await page.mouse.up()
  await expect(cable(page, /TRS hub Out 2 .*to Hall reverb/)).toHaveCount(1)
  await expect(stage(page)).toContainText('ok')
})

test('a cable is laid by keyboard alone, and by the list of jacks', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await cable(page, /to Hall reverb/).focus()
  await page.keyboard.press('Enter')
  await inspector(page).getByRole('button', { name: 'Take this cable out' }).focus()
  await page.keyboard.press('Enter')
  await box(page, 'TRS hub').focus()
  await page.keyboard.press('c')
  await expect(page.getByText('A cable from TRS hub: go to another box and press Enter.')).toBeVisible()
  await box(page, 'Hall reverb').focus()
  await page.keyboard.press('Enter')
  await expect(stage(page)).toContainText('ok')
  await page.keyboard.press('Control+z')
  await expect(stage(page)).toContainText('1 thing to look at')
  await box(page, 'Hall reverb').click()
  await inspector(page).getByRole('combobox', { name: 'Plug MIDI in into' }).click()
  await page.getByRole('option', { name: 'TRS hub, Out 2' }).click()
  await expect(stage(page)).toContainText('ok')
})

test('a box is moved by hand and by keyboard, stays there, and tidying is undone', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'rig')
  const before = (await box(page, 'Octaver').boundingBox())!
  await page.mouse.move(before.x + 20, before.y + 20)
  await page.mouse.down()
  await page.mouse.move(before.x + 60, before.y + 40, { steps: 6 })
  await page.mouse.up()
  const moved = (await box(page, 'Octaver').boundingBox())!
  // The map may grow and shrink a little to keep all in view.
  expect(moved.x - before.x).toBeGreaterThan(25)
  await box(page, 'Octaver').focus()
  await page.keyboard.press('Shift+ArrowLeft')
  await page.reload()
  await expect(box(page, 'Octaver')).toBeVisible()
  await page.getByRole('button', { name: 'Tidy the map' }).click()
  await page.getByRole('button', { name: 'Undo: tidy the map' }).click()
  const back = (await box(page, 'Octaver').boundingBox())!
  expect(Math.abs(back.x - moved.x)).toBeLessThan(30)
})

test('the printed checklist is one or two pages', async ({ page, rigId }) => {
  for (const theme of ['light', 'stage']) {
    await page.addInitScript((name) => localStorage.setItem('wire-step/theme', name), theme)
    await openView(page, rigId, 'rig')
    await page.getByRole('tab', { name: 'Before the first stomp' }).click()
    const pdf = (await page.pdf({ format: 'A4' })).toString('latin1')
    expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)?.length).toBeLessThanOrEqual(2)
  }
})
