import { it } from 'vitest'
import { inOrder } from '#core/rig'
import { deviceNow, expect, inspector, openView, saved, tile, tidewright } from '~/testing/player'

it('a stored tempo takes both decimal signs, and none beyond its range', async () => {
  const page = await openView('tempo')
  await page.getByRole('row', { name: /^Net menders/ }).click()
  const tempo = inspector(page).getByRole('spinbutton', { name: 'Stored tempo' })
  for (const typed of ['97,5', '98.5', '99,5 bpm']) {
    await tempo.fill(typed)
    await tempo.press('Enter')
    await expect(tempo).toHaveValue(`${Number.parseFloat(typed.replace(',', '.'))} bpm`)
  }
  await tempo.fill('975')
  await tempo.press('Tab')
  await expect(inspector(page).getByRole('alert')).toHaveText('Outside 20 to 400 bpm. 99.5 stays.')
  await expect(tempo).toHaveValue('975')
  await tempo.press('Escape')
  await expect(tempo).toHaveValue('99.5 bpm')
})

it('raw is raw, to the device whose chart has it, else asked; a hold is kept or refused', async () => {
  const page = await openView('switches')
  await tile(page, /Put a sound here/)
    .first()
    .click()
  const field = inspector(page).getByRole('combobox', { name: 'Add: on every press' })
  await field.fill('cc 105 64')
  await expect(page.getByRole('option').first()).toContainText('CC 105 64')
  await expect(page.getByRole('option').first()).toContainText('B3 69 40')
  await field.press('Enter')
  await field.fill('cc 99 64')
  await expect(inspector(page).getByText('No chart here says whose number that is')).toBeVisible()
  await field.press('Enter')
  await expect(field).toHaveValue('cc 99 64')
  await field.press('Escape')
  await field.fill('hold echo on')
  await expect(page.getByRole('option').first()).toContainText('and back when the foot comes off')
  await field.press('Escape')
  await field.fill('hold verse')
  await expect(inspector(page).getByText(/cannot be held: nothing says what comes back/)).toBeVisible()
  await field.fill('mix 35,5')
  await expect(page.getByRole('option').first()).toContainText('CC 105 45')
})

it('what uses a control is named, and its removal asked', async () => {
  const page = await openView('charts')
  await page.getByRole('tab', { name: /^Tape echo/ }).click()
  await page.getByRole('tab', { name: /Controls/ }).click()
  await page
    .getByRole('list', { name: 'Controls of Tape echo' })
    .getByRole('button', { name: /Mix/ })
    .first()
    .click()
  await expect(inspector(page).getByRole('region', { name: 'Used by' })).toContainText(
    'A change here touches',
  )
  await inspector(page).getByRole('button', { name: 'Remove this control' }).click()
  const asked = inspector(page).getByRole('alertdialog')
  await expect(asked).toContainText('Its removal touches')
  await asked.getByRole('button', { name: 'Leave it' }).click()
  const before = Object.keys(page.server.rig().controls).length
  await inspector(page).getByRole('button', { name: 'Remove this control' }).click()
  await asked.getByRole('button', { name: 'Remove it' }).click()
  await expect.poll(() => Object.keys(page.server.rig().controls).length).toBe(before - 1)
})

it('a paste is read by the columns that were told, and one note makes no number hex', async () => {
  const page = await openView('charts')
  await page.getByRole('tab', { name: /^Amp relay box/ }).click()
  await page.getByRole('button', { name: 'Paste a chart' }).click()
  const text = page.getByLabel(/Paste the table/)
  const dialog = page.getByRole('dialog', { name: /A chart for/ })
  await text.fill('CC 81 = Gain\nCC 82 = Tone')
  await expect(dialog).toContainText('2 lines read, 2 to be written')
  await text.fill(
    'Type,Number,Name,Range\nCC,20,Gain,0-127\nCC,40,Level,0-127 (0=dry, 127=wet)\nNote,C4,Sample A,1-127',
  )
  await expect(dialog).toContainText('2 lines read')
  const rows = dialog.getByRole('list', { name: 'What was read' }).getByRole('listitem')
  await expect(rows.filter({ hasText: 'Gain' })).toContainText('CC 20')
  await expect(rows.filter({ hasText: 'Level' })).toContainText('values not understood')
})

it('Delete clears a switch that a pedal names; keys work after a tick and by their place', async () => {
  const demo = tidewright()
  const held = { name: 'Held', when: { kind: 'held', switchId: 'menders-2' }, targets: [] } as never
  const pedal = inOrder(demo.pedals)[0]!
  const page = await openView('switches', {
    rig: { ...demo, pedals: { ...demo.pedals, [pedal.id]: { ...pedal, roles: [held, ...pedal.roles] } } },
  })
  await tile(page, /Chorus, drive/)
    .first()
    .click()
  await page.keyboard.press('Delete')
  await expect(tile(page, /Chorus, drive/)).toHaveCount(0)
  await expect(page.getByText(/would not be valid/)).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(tile(page, /Chorus, drive/).first()).toBeVisible()

  // A box is ticked, and the keys go on working.
  await page.getByRole('tab', { name: /1\s+Net menders/ }).click()
  const home = inspector(page).getByRole('checkbox', { name: 'Home' })
  await home.click()
  await expect(home).not.toBeChecked()
  await page.keyboard.press('Control+z')
  await expect(home).toBeChecked()
  // The key where 2 stands, whatever sign is on it: "é" in France.
  for (const type of ['keydown', 'keyup'])
    window.dispatchEvent(new KeyboardEvent(type, { key: 'é', code: 'Digit2', bubbles: true }))
  await expect(deviceNow(page, 'Tape echo')).toContainText('B4')
})

it('a label is typed and a mode clicked in one go', async () => {
  const page = await openView('switches')
  await tile(page, /Verse, dry/)
    .first()
    .click()
  await inspector(page)
    .getByRole('textbox', { name: 'Label' })
    .fill('A name much too long for the display of it')
  const mode = inspector(page).getByRole('radiogroup').or(inspector(page).getByRole('group')).first()
  const target = mode.getByRole('radio', { checked: false }).first()
  const label = (target.one() as HTMLInputElement).labels![0]!.textContent.trim()
  await mode.getByText(label, { exact: true }).click()
  await expect(mode.getByRole('radio', { name: label })).toBeChecked()
  await expect(inspector(page).getByRole('textbox', { name: 'Label' })).toHaveValue(
    'A name much too long for the display of it',
  )
})

it('what is typed into a cell and not understood stays there, marked, until it is mended', async () => {
  const page = await openView('sounds')
  const cell = page.getByRole('gridcell').first()
  await cell.click()
  await page.keyboard.type('zebra')
  await page.getByRole('gridcell').nth(30).click()
  await expect(cell).toContainText('zebra')
  await expect(cell).toContainText('not understood')
  // Over to another view and back.
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: /Charts/ })
    .click()
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: /Sounds/ })
    .click()
  await expect(cell).toContainText('zebra')
  await cell.dblclick()
  await expect(page.getByRole('combobox', { name: /Verse, dry/ })).toHaveValue('zebra')
  await page.keyboard.press('Escape')
  await expect(cell).not.toContainText('zebra')
  await saved(page, 1)
})
