import type { Page } from '@playwright/test'
import { deviceNow, expect, inspector, openView, test, seriousFaults } from './player'

const tab = (page: Page, name: string) =>
  page.getByRole('tablist', { name: 'Parts of the set list' }).getByRole('tab', { name }).click()
const list = (page: Page) => page.getByRole('list', { name: 'Songs of the show' })
const part = (page: Page, name: RegExp) => list(page).getByRole('button', { name }).first()

test('a show is stepped through part by part, and the floor plays each', async ({ page, rigId }) => {
  await openView(page, rigId, 'show')
  await expect(
    page.getByText(/^12 numbers, 43 parts, .* of foot travel, \d+ presses, \d+ bank changes$/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Next part', exact: true }).click()
  await expect(part(page, /^Gale, all hands/)).toHaveAttribute('aria-current', 'true')
  await expect(deviceNow(page, 'Amp relay box')).toContainText('3 Drive, boost')
  await page.getByRole('button', { name: 'Next part', exact: true }).click()
  await expect(deviceNow(page, 'Tape echo')).toContainText('Long tape')
  await expect(inspector(page)).toContainText('bank 8 Any sound, switch 6')
  await page.getByRole('button', { name: 'Previous part', exact: true }).click()
  await expect(deviceNow(page, 'Tape echo')).toContainText('Dotted eighth')
  await page.getByRole('button', { name: 'Next song', exact: true }).click()
  await expect(inspector(page)).toContainText('switch 1 of the shift layer')
  await expect(deviceNow(page, 'Bass preamp')).toContainText('3 Round')
})

test('a show is stepped on part by part, once its steps are put on switches by a press each', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'show')
  await page.getByRole('group', { name: 'The foot steps on' }).getByText('Next part').click()
  await expect(page.getByText('No switch goes to the next part yet.')).toBeVisible()
  await page.getByRole('main').getByRole('button', { name: 'Put Next part on a switch' }).click()
  for (const name of ['Previous part', 'Next song'])
    await inspector(page)
      .getByRole('button', { name: `Put ${name} on a switch` })
      .click()
  await expect(page.getByText('No switch goes to the next part yet.')).toHaveCount(0)
  // Once there, the foot stays where it is.
  await expect(
    page.getByText(/^12 numbers, 43 parts, \d+ cm of foot travel, 4\d presses, 1 bank change$/),
  ).toBeVisible()
  const next = page.getByRole('button', { name: 'Next part', exact: true })
  await next.click()
  await expect(part(page, /^Gale, all hands/)).toHaveAttribute('aria-current', 'true')
  await next.click()
  await expect(part(page, /^Lantern pad/)).toHaveAttribute('aria-current', 'true')
  await expect(deviceNow(page, 'Tape echo')).toContainText('Long tape')
  await page.getByRole('button', { name: 'Previous part', exact: true }).click()
  await expect(part(page, /^Gale, all hands/)).toHaveAttribute('aria-current', 'true')
  await page.getByRole('button', { name: 'Next song', exact: true }).click()
  await expect(part(page, /^Verse, dry/)).toBeVisible()
  await expect(inspector(page)).toContainText(/switch \d of the shift layer/)
  await expect(deviceNow(page, 'Bass preamp')).toContainText('3 Round')
  // A part further on is brought to at once, with its song's tempo.
  await list(page)
    .getByRole('button', { name: /^Storm, an octave down/ })
    .press('Enter')
  await expect(
    page.getByRole('region', { name: 'Floor' }).getByRole('button', { name: /^132/ }),
  ).toBeVisible()
})

test('what a show needs is put on switches by one press each, and taken back', async ({
  page,
  request,
  rigId,
}) => {
  await openView(page, rigId, 'show')
  await list(page)
    .getByRole('button', { name: /^7 ?The storm/ })
    .click()
  const steps = inspector(page).getByRole('region', { name: 'Steps to this song' })
  await steps.getByRole('button', { name: 'Put First of The storm on a switch' }).click()
  await expect(steps.getByText(/^bank \d+ .*, switch \d/)).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(steps.getByRole('button', { name: 'Put First of The storm on a switch' })).toBeVisible()
  // A sound whose only switch was cleared is put on one of its song's bank.
  const { rig } = await (await request.get(`/api/rigs/${rigId}`)).json()
  const changes = [{ table: 'switches', id: 'undertow-6', before: rig.switches['undertow-6'], after: null }]
  const cleared = await request.post(`/api/rigs/${rigId}/edits`, {
    data: { id: 'clear-undertow-6', edit: { label: 'clearSwitch', changes } },
  })
  expect(cleared.ok()).toBe(true)
  await page.reload()
  await part(page, /^Swell, doubled.*no switch plays this/).click()
  await inspector(page)
    .getByRole('button', { name: /^Put it on a switch of 2 Undertow/ })
    .click()
  await expect(part(page, /^Swell, doubled/)).not.toContainText('no switch')
  await inspector(page).getByRole('button', { name: 'Step on it' }).click()
  await expect(deviceNow(page, 'Octaver')).toContainText('closed')
})

test('a better board is found, taken switch by switch and whole, and comes back in one undo each', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'show')
  await tab(page, 'Lay the board out')
  await page.getByRole('button', { name: 'Look for a better board' }).click()
  const travel = page.getByRole('table', { name: 'What it saves' }).getByRole('row', { name: /^Foot travel/ })
  await expect(travel).toBeVisible()
  const share = page.getByText(/That is \d+ % of the foot travel/)
  // It gets better while it runs, and may be stopped at any time.
  await expect
    .poll(async () => Number(/(\d+) %/.exec((await share.textContent()) ?? '')?.[1]))
    .toBeLessThanOrEqual(60)
  const stop = page.getByRole('button', { name: 'Stop', exact: true })
  if (await stop.isVisible()) await stop.click()
  const drawing = page.getByRole('region', { name: 'The board, now and then' })
  await expect(drawing.getByRole('img')).toHaveCount(2)
  const moves = page.getByRole('group', { name: 'What moves where' }).getByRole('row')
  const before = await moves.count()
  await moves
    .nth(1)
    .getByRole('button', { name: /^Exchange/ })
    .click()
  await expect.poll(() => moves.count()).toBeLessThan(before)
  await page.getByRole('button', { name: /^Move (all|it)/ }).click()
  await expect(page.getByText('This board is laid out.')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect.poll(() => moves.count()).toBeGreaterThan(1)
  await page.keyboard.press('Control+z')
  await expect.poll(() => moves.count()).toBe(before)
  // What is pinned stays, whatever is found.
  await moves.nth(1).getByRole('button', { name: /^Pin/ }).click()
  await page.getByText('Pinned switches').click()
  await expect(page.getByRole('button', { name: /^Let it move/ })).toHaveCount(1)
})

test('the walk names the wrong moment, and it goes once it is mended', async ({ page, rigId }) => {
  await openView(page, rigId, 'show')
  await tab(page, 'Walk through')
  const wrong = page.getByRole('list', { name: 'Wrong moments' })
  await expect(wrong).toContainText('The tempo is 96 bpm, and the song stores 132.')
  await wrong.getByRole('button', { name: 'The storm: Chorus, drive' }).click()
  await expect(inspector(page).getByRole('list', { name: 'Wrong when walked through' })).toContainText('132')
  await inspector(page)
    .getByRole('button', { name: /^Remove this part/ })
    .click()
  await tab(page, 'Walk through')
  await expect(page.getByText('All 42 parts come out as their sounds say.', { exact: false })).toBeVisible()
})

test('a show is pasted, put in order by keys, changed for tonight, and a sound gets its switch', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'rig')
  await page.keyboard.press('l')
  await expect(page.getByRole('heading', { name: 'Set list', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Paste lines' }).click()
  const dialog = page.getByRole('dialog', { name: 'Paste a show' })
  await dialog
    .getByRole('textbox', { name: 'Lines of the show' })
    .fill("Encore, 120, D\n- Low tide, 8 bars\n- Swell, doubled, soon\n- Nobody's sound")
  await expect(dialog.getByText('1 song, 1 of them new, 3 parts.')).toBeVisible()
  await expect(dialog.getByText('"soon" is not understood', { exact: false })).toBeVisible()
  await expect(dialog.getByText('No sound is called "Nobody\'s sound"', { exact: false })).toBeVisible()
  await dialog.getByRole('button', { name: 'Take 1 song' }).click()
  const encore = list(page).getByRole('button', { name: /^13 ?Encore/ })
  await encore.focus()
  await page.keyboard.press('Alt+ArrowUp')
  await expect(list(page).getByRole('button', { name: /^12 ?Encore/ })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Alt+ArrowDown')
  await page.keyboard.press('ArrowDown')
  await expect(part(page, /^Nobody's sound/)).toBeFocused()
  const sound = inspector(page).getByRole('combobox', { name: 'Played with' })
  await sound.click()
  await page.getByRole('option', { name: 'Storm, an octave down' }).click()
  await expect(part(page, /^Storm, an octave down/)).toBeVisible()
  // Left out tonight, and dropped again.
  await inspector(page).getByText('Only tonight').click()
  await inspector(page).getByRole('checkbox', { name: 'Left out' }).check()
  await expect(page.getByText('1 thing differs tonight.')).toBeVisible()
  await page.getByRole('button', { name: 'Drop all of it' }).click()
  await expect(page.getByText('1 thing differs tonight.')).toHaveCount(0)
})

test('an empty rig says what a show is for, and takes a first song', async ({ page, request }) => {
  const made = await request.post('/api/rigs', { data: { name: 'Nothing yet' } })
  const { id } = await made.json()
  await openView(page, id, 'show')
  await expect(page.getByText('A show is songs in playing order', { exact: false })).toBeVisible()
  await tab(page, 'Lay the board out')
  await page.getByRole('button', { name: 'Look for a better board' }).click()
  await expect(page.getByText('The show has no parts yet', { exact: false })).toBeVisible()
  await tab(page, 'Walk through')
  await expect(page.getByText('There is nothing to walk through yet.')).toBeVisible()
  await tab(page, 'In order')
  await page.getByRole('button', { name: 'Add a song' }).click()
  await expect(list(page).getByRole('button', { name: /^1 ?Song 1/ })).toBeVisible()
  await inspector(page).getByRole('button', { name: 'Add a part' }).click()
  await expect(inspector(page).getByText('names no sound', { exact: false })).toBeVisible()
  await request.delete(`/api/rigs/${id}`)
})

test('axe finds nothing serious in Set list', async ({ page, rigId }) => {
  await openView(page, rigId, 'show')
  const faults = () => seriousFaults(page)
  await expect(list(page)).toBeVisible()
  expect(await faults()).toEqual([])
  await part(page, /^Chorus, drive/).click()
  expect(await faults()).toEqual([])
  await tab(page, 'Lay the board out')
  await page.getByRole('button', { name: 'Look for a better board' }).click()
  await expect(page.getByRole('table', { name: 'What it saves' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Move all/ })).toBeVisible({ timeout: 120_000 })
  expect(await faults()).toEqual([])
  await tab(page, 'Walk through')
  await expect(page.getByRole('list', { name: 'Wrong moments' })).toBeVisible()
  expect(await faults()).toEqual([])
})
