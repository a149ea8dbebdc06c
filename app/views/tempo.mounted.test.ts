import { it } from 'vitest'
import { emptyRig } from '#core/rig'
import { bytesSent, deviceNow, expect, inspector, openView, pause, saved, type Page } from '~/testing/player'

const tab = (page: Page, name: string) =>
  page.getByRole('tablist', { name: 'Parts of the tempo' }).getByRole('tab', { name }).click()
const now = (page: Page) => page.getByRole('region', { name: 'The tempo now' })
const dockTempo = (page: Page) =>
  page.getByRole('region', { name: 'Floor' }).getByRole('button', { name: /Tap (it|the tempo)$/ })

async function tap(page: Page, times: number, everyMs: number): Promise<void> {
  page.clock.stand()
  for (let n = 0; n < times; n++) {
    await page.keyboard.press('b', { delay: 60 })
    await pause(everyMs - 60)
  }
  page.clock.resume()
}

it('one tempo holds: stored, tapped by foot, kept for tonight or for the song, given back', async () => {
  const page = await openView('tempo')
  await expect(now(page)).toContainText('96')
  await expect(now(page)).toContainText('Stored with Net menders')
  await expect(dockTempo(page)).toHaveText('96 song')
  await tap(page, 5, 640)
  await expect(now(page)).toContainText('93.8 bpm')
  await expect(now(page)).toContainText('Tapped by foot')
  await expect(now(page)).toContainText('Instead of 96, stored with Net menders.')
  await expect(dockTempo(page)).toHaveText('93.8 tapped')
  await now(page).getByRole('button', { name: 'Give it back' }).click()
  await expect(dockTempo(page)).toHaveText('96 song')
  await pause(3000)
  await tap(page, 4, 640)
  await now(page).getByRole('button', { name: 'Only for tonight' }).click()
  const song = page.getByRole('row', { name: /^Net menders/ })
  await expect(song).toContainText('93.8')
  await expect(inspector(page)).toContainText('it is played at 93.8 bpm; what is stored')
  await inspector(page).getByRole('button', { name: 'Drop it' }).click()
  await expect(dockTempo(page)).toHaveText('96 song')
  await pause(3000)
  await tap(page, 4, 640)
  await now(page).getByRole('button', { name: 'Keep for Net menders' }).click()
  await expect(inspector(page).getByRole('spinbutton', { name: 'Stored tempo' })).toHaveValue('93.8 bpm')
  // Undone by the keys, as any edit.
  await page.keyboard.press('Control+z')
  await expect(inspector(page).getByRole('spinbutton', { name: 'Stored tempo' })).toHaveValue('96 bpm')
})

it('another song takes the tapped tempo away, and its pages do not', async () => {
  const page = await openView('tempo')
  await page.keyboard.press(']')
  await page.keyboard.press(']')
  await expect(dockTempo(page)).toHaveText('132 song')
  await tap(page, 4, 500)
  await expect(dockTempo(page)).toHaveText('120 tapped')
  await page.keyboard.press(']')
  await expect(page.getByRole('region', { name: 'Floor' }).getByText('4 Storm, after')).toBeVisible()
  await expect(dockTempo(page)).toHaveText('120 tapped')
  await page.keyboard.press(']')
  await expect(dockTempo(page)).toHaveText('118 song')
})

it('times of the rig at any tempo, with the nearest value that can be sent', async () => {
  const page = await openView('tempo')
  await tab(page, 'Times')
  await page.getByRole('combobox', { name: 'At the tempo of' }).click()
  await page.getByRole('option', { name: /^The storm/ }).click()
  // 60 000 / 132 = 454.5 ms, dotted eighth 340.9 (midi-facts, "Arithmetic").
  await expect(page.getByRole('row', { name: /^quarter 454.5/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /^dotted eighth 340.9/ })).toBeVisible()
  // 20-1200 ms on a logarithmic scale: value 97 is 20 x 60^(97/127) = 456.2 ms.
  const time = page.getByRole('row', { name: /^Tape echo: Time/ })
  await expect(time).toContainText('97')
  await expect(time).toContainText('456.2 ms')
  await time.getByRole('button', { name: /^Send/ }).click()
  await expect(bytesSent(page)).toContainText('B3 67 61')
  await page
    .getByRole('row', { name: /^Hall reverb: Pre-delay/ })
    .getByRole('button', { name: /^Keep it/ })
    .click()
  await expect(page.getByRole('row', { name: /^Hall reverb: Pre-delay/ })).toContainText(
    'is beyond 0 ms to 200 ms',
  )
  await saved(page, 2)
})

it('a tremolo without MIDI is tapped the tempo, and hears what was meant', async () => {
  const page = await openView('tempo')
  await tab(page, 'Tap out')
  await expect(page.getByText('right after 1875 ms')).toBeVisible()
  await expect(page.getByText('It has heard no tempo yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Tap it out now' }).click()
  await expect(page.getByText('It hears 96 bpm.')).toBeVisible()
  await expect(deviceNow(page, 'Tremolo')).toContainText('96 bpm')
  // Coming to the storm taps it anew.
  await page.keyboard.press(']')
  await page.keyboard.press(']')
  await expect(deviceNow(page, 'Tremolo')).toContainText('132 bpm')
  await expect(page.getByRole('row', { name: /^The storm/ })).toContainText('in time')
  await tab(page, 'Beat')
  await page.getByRole('button', { name: 'The storm', exact: true }).click()
  const beats = inspector(page).getByRole('spinbutton', { name: 'Beats before its first note' })
  await beats.fill('2')
  await beats.blur()
  await expect(inspector(page).getByText('Tremolo is not in time when The storm begins.')).toBeVisible()
})

it('the clock goes to what follows it, and not to what must not get it', async () => {
  const page = await openView('tempo')
  await tab(page, 'Clock')
  await expect(page.getByRole('row', { name: /^Hall reverb/ })).toContainText(
    'kept off the clock, as it must be',
  )
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(bytesSent(page)).toContainText('FA F8')
  await expect(page.getByRole('row', { name: /^Tape echo/ })).toContainText('96.0 bpm, beat')
  await page.getByRole('button', { name: 'Stop the clock' }).click()
  await expect(page.getByRole('row', { name: /^Tape echo/ })).toContainText('stands')
  // A device that must not get one and does is told, and mended at the jack before it.
  await page.getByRole('button', { name: 'Bass synth', exact: true }).click()
  await inspector(page).getByRole('checkbox', { name: 'Clock must not reach it' }).check()
  await expect(inspector(page).getByText('A clock reaches Bass synth, and must not.')).toBeVisible()
})

it('a clock from outside leads for as long as it comes: made up, and from real gear', async () => {
  const page = await openView('tempo')
  page.midi.plug('in')
  await tab(page, 'Clock')
  await inspector(page).getByRole('checkbox', { name: 'Goes by a clock that comes in' }).check()
  await page.getByRole('button', { name: 'It comes in' }).click()
  await expect(dockTempo(page)).toHaveText('118 clock in')
  await page.getByRole('button', { name: 'It stops' }).click()
  await expect(dockTempo(page)).toHaveText('96 song')
  await page.getByRole('checkbox', { name: 'A real clock on a MIDI input leads' }).check()
  // 24 a quarter at 100 bpm, 25 ms apart (M1 v4.2.1, from memory); then nothing more.
  const began = page.midi.now()
  for (let n = 0; n < 80; n++) page.midi.comeIn('in', [0xf8], began + n * 25)
  await expect(dockTempo(page)).toHaveText('100 clock in')
  await expect(dockTempo(page)).toHaveText('96 song')
})

it('a looper on two switches is worked by the foot, and a hold shows what it recorded on the way', async () => {
  const page = await openView('tempo')
  await tab(page, 'Loops')
  for (let n = 0; n < 3; n++) await page.keyboard.press(']')
  const state = page.getByRole('status').filter({
    hasText: /^(Empty|Recording|Playing|Overdubbing|Stopped|empty|recording|playing|overdubbing|stopped)/,
  })
  page.clock.stand()
  await page.keyboard.press('3')
  await pause(100)
  await expect(state).toHaveText('recording')
  await pause(4000)
  await page.keyboard.press('3')
  await pause(100)
  await expect(state).toContainText('playing, a loop of 4')
  await page.keyboard.down('3')
  await pause(2200)
  await page.keyboard.up('3')
  await pause(100)
  await expect(page.getByText('On the way it overdubbed 2 s')).toBeVisible()
  await expect(deviceNow(page, 'Loop pedal')).toContainText('playing')
  await page.keyboard.press('4')
  await pause(100)
  await expect(state).toContainText('stopped')
  await expect(page.getByRole('row', { name: /^Stop loop held/ })).toContainText('empty')
  // One switch more for it, in another bank.
  page.clock.resume()
  for (let n = 0; n < 3; n++) await page.keyboard.press(']')
  await page.getByRole('radio', { name: '1', exact: true }).check()
  await page.getByRole('button', { name: 'Put on these switches' }).click()
  await expect(page.getByRole('row', { name: /^Loop step/ })).toContainText('recording')
})

it('an empty rig says in every part what it is for', async () => {
  const page = await openView('tempo', { rig: emptyRig('Nothing yet') })
  await expect(page.getByText('No songs yet.', { exact: false })).toBeVisible()
  await tab(page, 'Times')
  await expect(page.getByText('No chart of the rig has a time yet', { exact: false })).toBeVisible()
  await tab(page, 'Tap out')
  await expect(page.getByText('Nothing can take taps yet', { exact: false })).toBeVisible()
  await tab(page, 'Clock')
  await expect(page.getByText('24 clocks a beat.', { exact: false })).toBeVisible()
  await tab(page, 'Loops')
  await expect(page.getByText('No looper yet.', { exact: false })).toBeVisible()
})
