import type { Page } from '@playwright/test'
import { bytesSent, expect, inspector, openView, test } from './player'

const box = (page: Page, name: string) =>
  page.getByRole('list', { name: 'On the floor' }).getByRole('button', { name: new RegExp(`^${name}`) })
const cable = (page: Page, name: RegExp) =>
  page.getByRole('list', { name: 'Cables' }).getByRole('button', { name })
const stage = (page: Page) => page.getByRole('link', { name: /Rig/ })
const add = async (page: Page, kind: string) => {
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(`^${kind}`) })
    .click()
}
const heading = (page: Page) => page.getByRole('heading', { name: 'Rig', exact: true })

test('the demo has every kind of cable, and no fault', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await expect(stage(page)).toContainText('ok')
  for (const name of [
    /Eight-switch controller MIDI out to Bass preamp MIDI in DIN cable, 6 m/,
    /TRS hub Out 1 to Tape echo Control jack TRS cable with adapter that swaps tip and ring/,
    /TRS hub Out 2 to Hall reverb MIDI in TRS cable/,
    /USB host box USB host 1 to Bass synth USB USB cable/,
    /Amp relay box To the amp to Bass amp Footswitch jack TRS cable/,
    /Eight-switch controller Switching out 1 to Octaver Remote switch/,
    /Wah and volume pedal Plug to Eight-switch controller Expression 1 TRS cable/,
    /Wah and volume pedal Toe switch to Eight-switch controller Extra footswitch/,
    /Fade pedal Plug to Eight-switch controller Expression 2/,
  ])
    await expect(cable(page, name)).toHaveCount(1)
  await expect(cable(page, /./)).toHaveCount(14)
  await page.getByLabel('Power cables').check()
  await expect(cable(page, /./)).toHaveCount(22)
})

test('a jack in the wrong role silences a device, is found, fixed in one click, and the fix is undone', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'rig')
  await box(page, 'Tape echo').click()
  await inspector(page).getByLabel('Used as').click()
  await page.getByRole('option', { name: 'expression in' }).click()
  await expect(stage(page)).toContainText('1 thing to look at')
  await expect(inspector(page)).toContainText('Control jack on Tape echo is set to expression in.')
  await heading(page).click()
  await page.keyboard.press('2')
  await expect(page.getByRole('list', { name: 'Each device now' })).toContainText(/Tape echo\s*—/)
  await inspector(page).getByRole('button', { name: 'Set it to MIDI in' }).click()
  await expect(stage(page)).toContainText('ok')
  await heading(page).click()
  await page.keyboard.press('2')
  await expect(page.getByRole('list', { name: 'Each device now' })).toContainText(/Tape echo\s*B4/)
  await page.keyboard.press('Control+z')
  await expect(stage(page)).toContainText('1 thing to look at')
})

test('the wrong TRS wiring is found on the cable and mended', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await cable(page, /to Tape echo/).click()
  await inspector(page).getByLabel('adapter that swaps tip and ring').uncheck()
  await expect(inspector(page)).toContainText('One end is wired TRS type A, the other type B.')
  await expect(inspector(page)).toContainText('Tape echo hears nothing.')
  await inspector(page).getByRole('button', { name: 'Use an adapter that swaps tip and ring' }).click()
  await expect(stage(page)).toContainText('ok')
})

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

test('a device comes with its channel and cable, is copied, moved in the order and removed', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'rig')
  await add(page, 'Pitch pedal')
  await expect(inspector(page).getByRole('heading', { name: 'Pitch pedal' })).toBeVisible()
  await expect(cable(page, /to Pitch pedal/)).toHaveCount(1)
  await expect(stage(page)).toContainText('ok')
  await inspector(page).getByRole('button', { name: 'Make another like it' }).click()
  await expect(inspector(page)).toContainText('Nothing reaches Pitch pedal 2.')
  await inspector(page).getByRole('button', { name: 'Remove this device' }).click()
  await expect(stage(page)).toContainText('ok')
})

test('every device gets its own channel; a 17th is refused with advice', async ({ page, request, rigId }) => {
  const { rig } = await (await request.get(`/api/rigs/${rigId}`)).json()
  const changes = Array.from({ length: 11 }, (_, n) => {
    const id = `more-${n}`
    return {
      table: 'devices',
      id,
      before: null,
      after: { ...rig.devices.synth, id, name: `Synth ${n + 2}`, channel: 1, spot: null },
    }
  })
  await request.post(`/api/rigs/${rigId}/edits`, {
    data: { id: 'more', edit: { label: 'addDevice', changes } },
  })
  await openView(page, rigId, 'rig')
  await page.getByRole('tab', { name: /Channels/ }).click()
  await page.getByRole('button', { name: 'Give every device its own channel' }).click()
  await expect(
    page.getByRole('alert').filter({ hasText: 'There are 17 devices for 16 channels' }),
  ).toContainText('second output')
  await page.getByRole('tab', { name: 'Map' }).click()
  await box(page, 'Synth 12').click()
  await inspector(page).getByRole('button', { name: 'Remove this device' }).click()
  await page.getByRole('tab', { name: /Channels/ }).click()
  await page.getByRole('button', { name: 'Give every device its own channel' }).click()
  await expect(page.getByRole('table', { name: 'Who listens on each channel' })).not.toContainText(
    'by mistake',
  )
  await expect(page.getByRole('table').getByText('free')).toHaveCount(0)
})

test('a tick on the checklist holds until an edit changes its line', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await page.getByRole('tab', { name: 'Before the first stomp' }).click()
  const line = page.getByRole('checkbox', { name: 'Set Tape echo to channel 4' })
  await line.check()
  await expect(page.getByText(/^3 of \d+ done/)).toBeVisible()
  await page.reload()
  await page.getByRole('tab', { name: 'Before the first stomp' }).click()
  await expect(line).toBeChecked()
  await page.getByRole('button', { name: 'Show: Set Tape echo to channel 4' }).click()
  await inspector(page).getByRole('button', { name: 'Channel 9', exact: true }).click()
  await expect(page.getByRole('checkbox', { name: 'Set Tape echo to channel 9' })).not.toBeChecked()
  await expect(page.getByText(/Was ticked .* it has changed since/)).toBeVisible()
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

test('the guide asks what the rig cannot know, and names the fault it knows', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await box(page, 'Tape echo').click()
  await inspector(page).getByRole('button', { name: 'Why is nothing happening?' }).click()
  const guide = page.getByRole('dialog', { name: 'Why does Tape echo do nothing?' })
  // The controller, the boxes on the way, the supply: always asked.
  for (let n = 0; n < 3; n++) await guide.getByRole('button', { name: 'Yes' }).click()
  await expect(guide).toContainText('Amp relay box is before it on the same line. Does it react to any step?')
  await guide.getByRole('button', { name: 'Yes' }).click()
  await guide.getByRole('button', { name: 'No', exact: true }).click()
  await expect(guide).toContainText('Messages stop between TRS hub and Tape echo.')
  await guide.getByRole('button', { name: 'Close' }).click()
  await box(page, 'Bass preamp').click()
  await inspector(page).getByRole('button', { name: 'Settings of MIDI thru' }).click()
  await inspector(page).getByLabel('Hands on what comes in').click()
  await page.getByRole('option', { name: 'Setting, off' }).click()
  await box(page, 'Tape echo').click()
  await inspector(page).getByRole('button', { name: 'Why is nothing happening?' }).click()
  await guide.getByRole('button', { name: 'Switch MIDI thru on' }).click()
  await expect(guide.getByRole('group', { name: 'Question' })).toBeVisible()
})

test('what the controller cannot do is a table against the kinds that would', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  for (let n = 0; n < 4; n++) {
    await add(page, 'Pedal without MIDI')
    await expect(page.getByRole('dialog')).toBeHidden()
  }
  await page.getByRole('tab', { name: /Which controller/ }).click()
  const row = page.getByRole('row', { name: /Switching contacts out/ })
  await expect(row).toContainText('6')
  await expect(row).toContainText('too few')
  await expect(page.getByRole('row', { name: /Would do/ })).toContainText('no')
})

test('stepping sends the same bytes from the Rig view', async ({ page, rigId }) => {
  await openView(page, rigId, 'rig')
  await page.keyboard.press('2')
  await expect(bytesSent(page)).toHaveText('C0 07 C3 0B B4 00 00 B4 20 00 C4 00 C5 01')
})
