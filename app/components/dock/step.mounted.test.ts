import { it } from 'vitest'
import { bytesSent, deviceNow, expect, inspector, openView, tile } from '~/testing/player'

for (const view of ['rig', 'switches'] as const)
  it(`a number key steps from the ${view} view: states and bytes change`, async () => {
    const page = await openView(view)
    await expect(deviceNow(page, 'Tape echo')).toContainText('—')
    await page.keyboard.press('2')
    await expect(deviceNow(page, 'Bass preamp')).toContainText('8 Grit')
    await expect(deviceNow(page, 'Tape echo')).toContainText('B4 Dotted eighth')
    await expect(deviceNow(page, 'Hall reverb')).toContainText('001 Off')
    await expect(deviceNow(page, 'Amp relay box')).toContainText('2 Drive')
    // MIDI 1.0: Cn pp and Bn cc vv, n one less than the channel (M1 v4.2.1, from memory).
    await expect(bytesSent(page)).toHaveText('C0 07 C3 0B B4 00 00 B4 20 00 C4 00 C5 01')
  })

it('an alternate sends its two positions in turn', async () => {
  const page = await openView('switches')
  await page.keyboard.press(']')
  await expect(page.getByRole('tab', { name: '2 Undertow' })).toHaveAttribute('aria-selected', 'true')
  for (const bytes of ['C5 01', 'C5 00', 'C5 01']) {
    await page.keyboard.press('5')
    await expect(bytesSent(page)).toHaveText(bytes)
  }
})

it('both numbers are shown: B4 is program 11, preset 300 is bank 2, program 43', async () => {
  const page = await openView('switches')
  await tile(page, /Chorus, drive/).click()
  await expect(inspector(page).getByLabel('Tape echo preset')).toHaveValue('B4 Dotted eighth')
  await expect(inspector(page).getByRole('listitem').filter({ hasText: 'Tape echo' })).toContainText(
    'PC 11 shows 12',
  )
  await expect(inspector(page).getByRole('row', { name: 'ch 4 PC 11 C3 0B' })).toBeVisible()
  await tile(page, /Solo, hall/).click()
  await expect(inspector(page).getByLabel('Hall reverb preset')).toHaveValue('300 Drowned hall')
  await expect(inspector(page).getByRole('listitem').filter({ hasText: 'Hall reverb' })).toContainText(
    'bank 2, PC 43',
  )
})

it('typing a number in a field steps on nothing', async () => {
  const page = await openView('switches')
  await tile(page, /Chorus, drive/).click()
  await inspector(page).getByLabel('Label').press('2')
  await expect(deviceNow(page, 'Tape echo')).toContainText('—')
})
