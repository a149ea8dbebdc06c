import type { Browser, Page } from '@playwright/test'
import { addShowSwitches, expect, openView, seriousFaults, test } from './player'

/** Another browser, as a tablet at the feet. */
async function tablet(browser: Browser, rigId: string, width = 1024, height = 768): Promise<Page> {
  const context = await browser.newContext({ viewport: { width, height }, hasTouch: true })
  const page = await context.newPage()
  await page.goto(`/stage/${rigId}`)
  return page
}
const board = (page: Page) => page.getByRole('list', { name: 'The board' })
const tile = (page: Page, name: string) => board(page).getByRole('listitem').filter({ hasText: name })

test('a step at the desk is on the other screen, part by part', async ({ page, browser, request, rigId }) => {
  await addShowSwitches(request, rigId)
  await openView(page, rigId, 'show')
  const stage = await tablet(browser, rigId)
  await expect(board(stage)).toContainText('Verse, dry')
  await expect(stage.getByText('Nothing played yet')).toBeVisible()
  await page.getByRole('group', { name: 'The foot steps on' }).getByText('Next part').click()
  await page.getByRole('button', { name: 'Next part', exact: true }).click()
  await expect(stage.getByText('Now, Overture')).toBeVisible()
  await expect(stage.getByText('Lantern pad')).toBeVisible()
  await expect(stage.getByText('shift layer')).toBeVisible()
  await expect(tile(stage, 'Next part')).toContainText('next')
  for (const name of ['Chorus, drive', 'Bell buoy', 'Verse, dry', 'Pizzicato', 'Low tide']) {
    await page.keyboard.press('2')
    await expect(stage.locator('.next b')).toContainText(name)
  }
  await stage.context().close()
})

test('no key, tap or long press on the stage changes a rig or a floor', async ({
  page,
  browser,
  request,
  rigId,
}) => {
  await openView(page, rigId, 'switches')
  const stage = await tablet(browser, rigId)
  await expect(board(stage)).toBeVisible()
  const state = async () => JSON.stringify((await (await request.get(`/api/rigs/${rigId}`)).json()).rig)
  const [before, shown] = [await state(), await board(stage).textContent()]
  const keys = [
    ...'abcdefghijklmnopqrstuvwxyz0123456789[].,?/',
    ...['Enter', 'Space', 'Delete', 'Backspace', 'Tab', 'ArrowUp', 'ArrowDown', 'F2', 'Escape'],
    ...['Control+z', 'Control+Shift+z', 'Control+v', 'Control+x', 'Control+d', 'Alt+ArrowUp'],
  ]
  for (const key of keys) await stage.keyboard.press(key)
  await stage.goto(`/stage/${rigId}`)
  await expect(board(stage)).toBeVisible()
  for (const one of await board(stage).getByRole('listitem').all()) {
    await one.tap()
    await one.click({ delay: 900 })
    await one.click({ button: 'right' })
    await one.dblclick()
  }
  const size = stage.viewportSize()!
  for (let x = 20; x < size.width - 20; x += 90)
    for (let y = 20; y < size.height - 60; y += 90) await stage.touchscreen.tap(x, y)
  await expect(stage).toHaveURL(new RegExp(`/stage/${rigId}$`))
  // Leaving takes two presses in two places.
  await stage.getByRole('button', { name: 'Leave the stage' }).click()
  await expect(stage).toHaveURL(new RegExp(`/stage/${rigId}$`))
  await stage.getByRole('button', { name: 'Stay' }).click()
  expect(await state()).toBe(before)
  expect(await board(stage).textContent()).toBe(shown)
  await stage.getByRole('button', { name: 'Leave the stage' }).click()
  await stage.getByRole('link', { name: 'Leave, to the rig' }).click()
  await expect(stage).toHaveURL(new RegExp(`/rigs/${rigId}/stage$`))
  await stage.context().close()
})

test('the stage follows an edit at the desk, and says what it waits for', async ({
  page,
  browser,
  rigId,
}) => {
  const stage = await tablet(browser, rigId)
  await expect(stage.getByText('Nothing to show yet.', { exact: false })).toBeVisible()
  await openView(page, rigId, 'switches')
  await expect(tile(stage, 'Verse, dry')).toBeVisible()
  await page
    .getByRole('main')
    .getByRole('button', { name: /Verse, dry/ })
    .first()
    .click()
  const label = page.getByRole('complementary').getByLabel('Label', { exact: true })
  await label.fill('Opening')
  await label.press('Enter')
  await page.keyboard.press('Escape')
  await page
    .getByRole('region', { name: 'Floor' })
    .getByRole('button', { name: /Opening/ })
    .click()
  await expect(tile(stage, 'Opening')).toBeVisible()
  await stage.context().close()
})

test.describe('once all was looked at', () => {
  test.use({ isSearched: true })

  test('all papers are had as PDF from the desk', async ({ page, rigId }) => {
    await openView(page, rigId, 'rig')
    await page.keyboard.press('g')
    await expect(page.getByRole('heading', { name: 'Stage', exact: true })).toBeVisible()
    await page.getByRole('tab', { name: 'On paper' }).click()
    await page.getByRole('group', { name: 'Paper' }).getByText('Letter').click()
    for (const [name, file] of [
      ['Label strips (PDF)', 'strips.pdf'],
      ['Cable tags (PDF)', 'cable-tags.pdf'],
      ['Set sheet (PDF)', 'set-sheet.pdf'],
      ['Sheet for a stand-in (PDF)', 'stand-in.pdf'],
    ] as const) {
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name }).click(),
      ])
      expect(download.suggestedFilename()).toBe(file)
      expect(download.url()).toContain('paper=letter')
    }
    // Once all was looked at, papers say what was proven of which revision.
    await expect(page.getByRole('link', { name: 'Set sheet (PDF)' })).toHaveAttribute(
      'href',
      // Revision 1: so many hold, two can go wrong, none is open; the ways, and what was not looked at.
      /stamp=1\.\d+\.2\.0\.\d+\.\d+$/,
      { timeout: 90_000 },
    )
  })
})

test('axe finds nothing serious on the stage, from phone to tablet', async ({ page, browser, rigId }) => {
  await openView(page, rigId, 'stage')
  expect(await seriousFaults(page)).toEqual([])
  for (const name of ['On paper', 'Before the show', 'Practice']) {
    await page.getByRole('tab', { name }).click()
    if (name === 'Practice') await page.getByRole('button', { name: 'Start', exact: true }).click()
    expect([name, await seriousFaults(page)]).toEqual([name, []])
  }
  await page.goto(`/stage/${rigId}`)
  const desk = await tablet(browser, rigId)
  await desk.goto(`/rigs/${rigId}/switches`)
  await desk.keyboard.press('2')
  for (const [width, height] of [
    [390, 844],
    [844, 390],
    [820, 1180],
  ] as const) {
    await page.setViewportSize({ width, height })
    await expect(board(page)).toBeVisible()
    expect(await seriousFaults(page)).toEqual([])
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
    expect(wide).toBeLessThanOrEqual(0)
    // No name is cut.
    const cut = await board(page)
      .locator('.name')
      .evaluateAll((all) =>
        all
          .filter((one) => {
            const [name, room] = [one.getBoundingClientRect(), one.parentElement!.getBoundingClientRect()]
            return name.height > room.height + 1 || one.scrollWidth > one.clientWidth + 1
          })
          .map(({ textContent }) => textContent),
      )
    expect([width, cut]).toEqual([width, []])
  }
  await desk.context().close()
})
