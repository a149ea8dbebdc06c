import { it } from 'vitest'
import { bytesSent, deviceNow, expect, inspector, openView, tile, type Page, pause } from '~/testing/player'

/** Types as a hand does and counts the keys. */
function typing(page: Page) {
  let strokes = 0
  return {
    press: async (...keys: string[]) => {
      for (const key of keys) {
        await page.keyboard.press(key)
        strokes++
      }
    },
    type: async (text: string) => {
      await page.keyboard.type(text)
      strokes += text.length
    },
    strokes: () => strokes,
  }
}

it('a switch that sets three devices takes at most 40 keys', async () => {
  const page = await openView('switches')
  await tile(page, /^4/).click()
  const hand = typing(page)
  await hand.press('e')
  for (const words of ['round', 'dotted', 'net']) {
    await hand.type(words)
    await hand.press('Enter')
  }
  await expect(inspector(page).getByRole('region', { name: 'On every press' })).toContainText('Net loft')
  expect(hand.strokes()).toBeLessThanOrEqual(40)
  await hand.press('Escape', '4')
  await expect(bytesSent(page)).toHaveText('C0 02 C3 0B B4 00 00 B4 20 00 C4 0B')
})

it('a bank is programmed from empty by keyboard alone', async () => {
  const page = await openView('switches')
  await page.getByRole('tab', { name: /2\s+Undertow/ }).click()
  await tile(page, /Low tide/).click()
  // What was there is gone; from here on there is no mouse.
  await tile(page, /Finale/).click({ modifiers: ['Shift'] })
  await page.getByRole('tab', { name: /2\s+Undertow/ }).click()
  const bank = page.getByRole('main')
  ;(document.activeElement as HTMLElement).blur()
  const hand = typing(page)
  const WANTED: readonly (readonly [keys: readonly string[], phrases: readonly string[]])[] = [
    [[], ['upright', 'echo a1', 'net', 'relay 1']],
    [['ArrowRight'], ['upright', 'long', 'drown', 'relay 1']],
    [['ArrowRight'], ['finale']],
    [['ArrowRight'], ['next bank']],
    [['ArrowUp', 'ArrowLeft', 'ArrowLeft', 'ArrowLeft'], ['relay 2 / relay 1']],
    [['ArrowRight'], ['swell doubled']],
    [['ArrowRight'], ['shout learned']],
    [['ArrowRight'], ['alternate blend 100 60']],
  ]
  // From the first switch: cleared and typed anew, one after the other.
  await tile(page, /Low tide/).focus()
  for (const [keys, phrases] of WANTED) {
    await hand.press(...keys)
    await hand.press('Delete', 'Enter')
    for (const phrase of phrases) {
      // A hand sees that the field is there and empty before it types.
      await expect(inspector(page).locator('input:focus')).toHaveValue('')
      await hand.type(phrase)
      await hand.press('Enter')
    }
    await expect(inspector(page).locator('input:focus')).toHaveValue('')
    await hand.press('Escape')
  }
  await expect(bank.getByText('Long tape').first()).toBeVisible()
  // Two minutes at three keys a second.
  expect(hand.strokes()).toBeLessThan(360)
  // Numbers step once the hand has left the last field.
  await expect(inspector(page).locator('input:focus')).toHaveCount(0)
  await expect(inspector(page)).toContainText('Blend')
  await hand.press('5')
  await expect(bytesSent(page)).toHaveText('C5 01')
  await hand.press('5')
  await expect(bytesSent(page)).toHaveText('C5 00')
  await hand.press('8')
  await expect(bytesSent(page)).toHaveText('B0 16 7F')
})

it('long, double and held: the dock plays what a foot does', async () => {
  const page = await openView('switches')
  const floor = page.getByRole('region', { name: 'Floor' })
  // Held long: the shift layer, with the way back in view.
  await page.keyboard.down('5')
  await expect(floor.getByText('shift layer')).toBeVisible()
  await page.keyboard.up('5')
  await expect(floor.getByRole('button', { name: 'Step on switch 6, Octave, held' })).toBeVisible()
  await page.keyboard.down('6')
  await expect(deviceNow(page, 'Octaver')).toContainText('closed')
  await page.keyboard.up('6')
  await expect(deviceNow(page, 'Octaver')).toContainText('open')
  await floor.getByRole('button', { name: 'Base layer' }).click()
  await expect(floor.getByText('shift layer')).toBeHidden()
  // One press waits for a second, then goes on to the next bank.
  await page.keyboard.press('5')
  await expect(floor.getByText('2 Undertow')).toBeVisible()
  // Two presses are one double press however busy the machine is: time passes on the page as it is told to.
  page.clock.stand()
  await page.keyboard.press('4')
  await pause(100)
  await page.keyboard.press('4')
  await pause(1000)
  page.clock.resume()
  await expect(floor.getByText('1 Net menders')).toBeVisible()
})

it('copies with series, several at once, and a bank filled with sounds', async () => {
  const page = await openView('switches')
  await page.getByRole('tab', { name: /7\s+Repairs/ }).click()
  await tile(page, /^4/).click()
  await page.keyboard.press('e')
  await page.keyboard.type('echo b4')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+d')
  const dialog = page.getByRole('dialog', { name: 'Copy with series' })
  await expect(dialog).toContainText('B5 Dotted, wide')
  await dialog.getByRole('button', { name: 'Make 3 copies' }).click()
  await expect(tile(page, /B6/)).toBeVisible()
  await expect(page.getByText(/not looked at yet/)).toHaveCount(3)
  await tile(page, /B5/).click()
  await tile(page, /B6/).click({ modifiers: ['Shift'] })
  await expect(inspector(page).getByRole('heading', { name: '2 switches' })).toBeVisible()
  await inspector(page).getByRole('button', { name: 'Clear 2 switches' }).click()
  await expect(page.getByText(/not looked at yet/)).toHaveCount(1)
  await page.getByRole('tab', { name: /7\s+Repairs/ }).click()
  await inspector(page).getByRole('button', { name: 'Fill with sounds' }).click()
  const fill = page.getByRole('dialog', { name: 'Fill this bank with sounds' })
  await fill.getByLabel('Swell', { exact: true }).check()
  await fill.getByLabel('Low tide').check()
  await fill.getByRole('button', { name: 'Put 2 sounds there' }).click()
  await expect(tile(page, /Low tide/)).toBeVisible()
})

it('macros, the map of banks and what fits', async () => {
  const page = await openView('switches')
  await page.getByRole('tab', { name: /Macros/ }).click()
  await page.getByRole('button', { name: /Bows/ }).click()
  await expect(inspector(page)).toContainText('bank 6, switch 2')
  const add = inspector(page).getByLabel('Add: what it does')
  await add.fill('bows')
  await add.press('Enter')
  // A macro that would run itself is refused, and said so.
  await expect(page.getByText(/cannot run itself/)).toBeVisible()
  await page.getByRole('tab', { name: 'Map of banks' }).click()
  await page.getByRole('button', { name: /4 Storm, after/ }).click()
  await expect(page.getByRole('list', { name: 'Presses to each sound' })).toContainText('Gale, all hands')
  await page.getByRole('tab', { name: 'What fits' }).click()
  await page.getByLabel('A double press', { exact: true }).uncheck()
  await expect(page.getByText('Eight-switch controller knows no double press.').first()).toBeVisible()
  await page.getByLabel(/It keeps a list of programs/).check()
  await expect(page.getByRole('region', { name: 'Combinations' })).toContainText('Storm solo')
})
