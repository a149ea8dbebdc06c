import { it } from 'vitest'
import { bytesSent, deviceNow, expect, inspector, openView, pause, saved, type Page } from '~/testing/player'

const floor = (page: Page) => page.getByRole('region', { name: 'Floor' })
/** A pedal in the dock, whatever role it is in. */
const pedal = (page: Page, name: string) => floor(page).getByRole('slider', { name: new RegExp(`^${name}`) })
const tab = (page: Page, name: string) => page.getByRole('tab', { name }).click()
const choose = async (page: Page, field: string, option: string | RegExp) => {
  await page.getByRole('combobox', { name: field, exact: true }).click()
  await page.getByRole('option', { name: option }).click()
}

it('what rests at the heel goes off by itself, after the delay tuned on a ride', async () => {
  const page = await openView('pedals')
  await tab(page, 'Left foot')
  await tab(page, 'Off by itself')
  await expect(page.getByText('0 wrong offs')).toBeVisible()
  await expect(page.getByText('is the shortest delay with no wrong off')).toBeVisible()
  const left = pedal(page, 'Left foot')
  await left.focus()
  await page.keyboard.press('PageUp')
  await page.keyboard.press('Home')
  await expect(left).toHaveAttribute('aria-valuetext', '0 %, Echo on off by itself')
  await expect(deviceNow(page, 'Tape echo')).toContainText('off')
  await page.keyboard.press('PageUp')
  await expect(left).toHaveAttribute('aria-valuetext', '13 %')
})

it('a ride is recorded, a rest in it turned over, and the delay tried on it', async () => {
  const page = await openView('pedals')
  await tab(page, 'Left foot')
  await tab(page, 'Off by itself')
  // From here on time passes on the page as the ride has it, however busy the machine is.
  page.clock.stand()
  await page.getByRole('button', { name: 'Record a ride' }).click()
  await pause(100)
  const left = pedal(page, 'Left foot')
  await left.focus()
  await page.keyboard.press('End')
  await pause(300)
  await page.keyboard.press('Home')
  await pause(900)
  await page.keyboard.press('End')
  await pause(200)
  page.clock.resume()
  await page.getByRole('button', { name: /^Keep the ride/ }).click()
  await expect(page.getByRole('heading', { name: 'Tried on 1 ride' })).toBeVisible()
  // A rest of under a second is taken as playing, so that going off in it is wrong, until the player says otherwise.
  await expect(page.getByText('1 wrong off', { exact: true })).toBeVisible()
  const rest = page.getByRole('button', { name: /^Rest of .*: meant to be off$/ }).last()
  await expect(rest).toHaveAttribute('aria-pressed', 'false')
  await rest.click()
  await expect(rest).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByText('0 wrong offs')).toBeVisible()
})

it('a target gets its range, its way and its own points, by keys alone', async () => {
  const page = await openView('pedals')
  await tab(page, 'Left foot')
  await page.getByRole('button', { name: 'Storm', exact: true }).click()
  await page
    .getByRole('group', { name: 'Targets of this role' })
    .getByRole('button', { name: 'Tape echo Mix' })
    .click()
  await expect(inspector(page).getByRole('heading', { name: 'Tape echo Mix' })).toBeVisible()
  await inspector(page).getByRole('button', { name: 'Use 0.0 % to 34.6 %' }).click()
  const row = page.getByRole('row', { name: /^Tape echo Mix/ })
  await expect(row).toContainText('34.6 % sent as 44')
  await inspector(page).getByRole('button', { name: 'Reverse heel and toe' }).click()
  await expect(row.getByRole('cell').first()).toContainText('34.6 %')
  await choose(page, 'Curve', 'own points')
  const point = page.getByRole('slider', { name: /^Point 3 of the curve/ })
  await point.focus()
  const before = Number(point.one()!.getAttribute('aria-valuenow'))
  await page.keyboard.press('Shift+ArrowUp')
  await expect(point).toHaveAttribute('aria-valuenow', String(before + 10))
  await page.keyboard.press('Delete')
  await expect(page.getByRole('slider', { name: /^Point \d of the curve/ })).toHaveCount(4)
  await inspector(page).getByRole('button', { name: 'Add a point' }).click()
  await expect(page.getByRole('slider', { name: /^Point \d of the curve/ })).toHaveCount(5)
  // Kept to at the device it is sent everything, on a number of its own; kept to at both it is told.
  await inspector(page).getByText('at the device', { exact: true }).click()
  await expect(row).toContainText('on CC 11')
  await inspector(page).getByRole('spinbutton', { name: 'Sent at the toe' }).fill('60')
  await page.keyboard.press('Tab')
  await expect(inspector(page).getByText('Mix is narrowed twice.')).toBeVisible()
  await inspector(page).getByRole('button', { name: 'Send the full range' }).click()
  await expect(inspector(page).getByText('Mix is narrowed twice.')).toHaveCount(0)
})

it('a faulty pedal is found out, a good one passed and kept with its date', async () => {
  const page = await openView('pedals')
  await tab(page, 'Calibrate')
  const sweep = async (kind: string) => {
    await choose(page, 'Which pedal is read', `Simulated: ${kind}`)
    await page.getByRole('button', { name: 'Sweep it for me' }).click()
    await page.getByRole('button', { name: 'To the end' }).click()
  }
  const verdict = page.getByRole('region', { name: 'What the sweep says' })
  await sweep('one with swapped ends')
  await expect(verdict).toContainText('Swap the polarity')
  await sweep('one that stops short')
  await expect(verdict).toContainText('Calibrate again')
  await sweep('one that stops short')
  await expect(verdict).toContainText('It stops short again: suspect the pedal or its lead.')
  await sweep('a noisy one')
  await expect(verdict).toContainText('Suspect the pedal')
  await page.getByRole('button', { name: 'Keep this' }).click()
  await expect(inspector(page).getByText('Right foot did not pass when it was swept.')).toBeVisible()
  await sweep('a good one')
  await page.getByRole('button', { name: 'Keep this' }).click()
  await expect(verdict.getByRole('status')).toHaveText('Kept.')
  await expect(inspector(page).getByText(/Calibrated \d+ \w+: heel/)).toBeVisible()
  await saved(page, 3)
})

it('a pedal is plugged in elsewhere, with its cables and what is read, and asks to be swept again', async () => {
  const page = await openView('pedals')
  await tab(page, 'Plug in')
  await expect(
    page.getByText('The sweep cannot go into Eight-switch controller, Expression 2: Fade pedal is in it.'),
  ).toBeVisible()
  const local = page.getByRole('row', {
    name: /Bass preamp, Expression Eight-switch controller, Extra footswitch/,
  })
  await local.getByRole('button', { name: 'Lay the cables' }).click()
  await expect(local).toContainText('as it is')
  await expect(inspector(page).getByText('Not calibrated yet', { exact: false })).toBeVisible()
  // In the preamp's own jack it moves the preamp; the synth it no longer reaches is told.
  await expect(inspector(page).getByText('Right foot moves nothing at Bass synth.')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(inspector(page).getByText('Right foot moves nothing at Bass synth.')).toHaveCount(0)
})

it('the first pedal of a rig is added where its sweep comes in, and given something to lead', async () => {
  const page = await openView('pedals')
  for (const name of ['Right foot', 'Left foot']) {
    await tab(page, name)
    await page.getByRole('button', { name: 'Remove this pedal' }).click()
  }
  await expect(page.getByText('What one sweep of the foot does', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Add a pedal here' }).click()
  await expect(page.getByText('This role leads nothing yet.', { exact: false })).toBeVisible()
  await choose(page, 'Lead another control', 'Hall reverb: Decay')
  await expect(inspector(page).getByRole('heading', { name: 'Hall reverb Decay' })).toBeVisible()
  await expect(page.getByRole('row', { name: /^Hall reverb Decay/ })).toContainText('sent as 102')
  await inspector(page).getByRole('textbox', { name: 'At the toe' }).fill('20 s')
  await page.keyboard.press('Enter')
  await expect(
    inspector(page).getByText('Near the top it may go on for ever', { exact: false }),
  ).toBeVisible()
  await page.getByRole('slider', { name: 'Foot on Right foot' }).focus()
  await page.keyboard.press('End')
  await expect(bytesSent(page)).toContainText('B4 10 7F')
})

it('a real pedal on a MIDI input is calibrated, leads the one on the floor, and rides it', async () => {
  const page = await openView('pedals')
  page.midi.plug('in')
  const comesIn = (bytes: readonly number[]) => page.midi.comeIn('in', bytes)
  await tab(page, 'Calibrate')
  await choose(page, 'Which pedal is read', 'A real pedal, on a MIDI input')
  await page.getByRole('button', { name: 'Begin' }).click()
  await pause(300)
  // Twice to the toe and back, as a controller sends it: CC 11 every 8 ms with the time it was sent, nothing while it stands.
  const [rest, way] = [500, 1200]
  const at = (ms: number): number => {
    const inRound = ms % (2 * (rest + way))
    if (inRound < rest) return 0
    if (inRound < rest + way) return (inRound - rest) / way
    return inRound < 2 * rest + way ? 1 : 1 - (inRound - 2 * rest - way) / way
  }
  page.clock.stand()
  const began = page.midi.now()
  let last = -1
  for (let sent = 0; sent < 4 * (rest + way) + rest; sent += 8) {
    await pause(8)
    const share = at(sent)
    const value = Math.round(2 + 123 * share * share * (3 - 2 * share))
    if (value !== last) page.midi.comeIn('in', [0xb0, 11, value], began + sent)
    last = value
  }
  page.clock.resume()
  await page.getByRole('button', { name: 'Done' }).click()
  const verdict = page.getByRole('region', { name: 'What the sweep says' })
  await expect(verdict).toContainText('A good pedal')
  await expect(verdict).toContainText('2 and 125')
  await page.getByRole('button', { name: 'Keep this' }).click()
  await tab(page, 'Off by itself')
  await page.getByRole('button', { name: 'Let it switch off by itself' }).click()
  await page.getByLabel('A real pedal on a MIDI input leads this one').check()
  comesIn([0xb0, 11, 125])
  // Calibrated, its end is the end.
  await expect(pedal(page, 'Right foot')).toHaveAttribute('aria-valuenow', '127')
  comesIn([0xb0, 74, 10])
  comesIn([0xb0, 11, 2])
  await expect(pedal(page, 'Right foot')).toHaveAttribute('aria-valuenow', '0')
})
