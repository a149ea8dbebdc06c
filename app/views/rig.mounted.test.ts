import { it } from 'vitest'
import type { DeviceId, Rig } from '#core/rig'
import { bytesSent, expect, inspector, openView, type Page, tidewright } from '~/testing/player'

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

it('the demo has every kind of cable, and no fault', async () => {
  const page = await openView('rig')
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

it('a jack in the wrong role silences a device, is found, fixed in one click, and the fix is undone', async () => {
  const page = await openView('rig')
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

it('the wrong TRS wiring is found on the cable and mended', async () => {
  const page = await openView('rig')
  await cable(page, /to Tape echo/).click()
  await inspector(page).getByLabel('adapter that swaps tip and ring').uncheck()
  await expect(inspector(page)).toContainText('One end is wired TRS type A, the other type B.')
  await expect(inspector(page)).toContainText('Tape echo hears nothing.')
  await inspector(page).getByRole('button', { name: 'Use an adapter that swaps tip and ring' }).click()
  await expect(stage(page)).toContainText('ok')
})

it('a device comes with its channel and cable, is copied, moved in the order and removed', async () => {
  const page = await openView('rig')
  await add(page, 'Pitch pedal')
  await expect(inspector(page).getByRole('heading', { name: 'Pitch pedal' })).toBeVisible()
  await expect(cable(page, /to Pitch pedal/)).toHaveCount(1)
  await expect(stage(page)).toContainText('ok')
  await inspector(page).getByRole('button', { name: 'Make another like it' }).click()
  await expect(inspector(page)).toContainText('Nothing reaches Pitch pedal 2.')
  await inspector(page).getByRole('button', { name: 'Remove this device' }).click()
  await expect(stage(page)).toContainText('ok')
})

it('every device gets its own channel; a 17th is refused with advice', async () => {
  const demo = tidewright()
  const more = Array.from({ length: 11 }, (_, n) => {
    const id = `more-${n}` as DeviceId
    return [id, { ...demo.devices['synth']!, id, name: `Synth ${n + 2}`, channel: 1, spot: null }] as const
  })
  const page = await openView('rig', {
    rig: { ...demo, devices: { ...demo.devices, ...Object.fromEntries(more) } as Rig['devices'] },
  })
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

it('a tick on the checklist holds until an edit changes its line', async () => {
  const page = await openView('rig')
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

it('the guide asks what the rig cannot know, and names the fault it knows', async () => {
  const page = await openView('rig')
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

it('what the controller cannot do is a table against the kinds that would', async () => {
  const page = await openView('rig')
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

it('stepping sends the same bytes from the Rig view', async () => {
  const page = await openView('rig')
  await page.keyboard.press('2')
  await expect(bytesSent(page)).toHaveText('C0 07 C3 0B B4 00 00 B4 20 00 C4 00 C5 01')
})
