import { it } from 'vitest'
import { emptyRig, type Rig } from '#core/rig'
import { bytesSent, deviceNow, expect, openView, pause, saved, type Page } from '~/testing/player'

const openPart = async (name: string, rig?: Rig) => {
  const page = await openView('stage', rig && { rig })
  await page.getByRole('tab', { name }).click()
  return page
}
const call = (page: Page) => page.getByRole('region', { name: 'The call' })
/** A foot on a switch, long enough to be held where that is asked. */
const foot = async (page: Page, key: string, delay = 60) => {
  await page.keyboard.press(key, { delay })
  await pause(150)
}

it('a round is stepped through by keys, put to its day, and minded by the board', async () => {
  const page = await openPart('Practice')
  // The demo's own days aside.
  await page.getByRole('button', { name: 'Forget all practice' }).click()
  await expect(page.getByText('Nothing practised yet.', { exact: false })).toBeVisible()
  await page.getByRole('group', { name: 'Sounds are called' }).getByText('in the show’s order').click()
  await page.getByRole('button', { name: 'Start', exact: true }).press('Enter')
  await expect(call(page)).toContainText('Gale, all hands')
  await expect(call(page)).toContainText('Overture')
  // The shift layer, the bank of any sound, the next one of it: all on the way.
  await foot(page, '5', 700)
  await expect(call(page)).toContainText('On the way.')
  await foot(page, '4')
  await foot(page, '8')
  await expect(call(page)).not.toContainText('wrong step')
  await foot(page, '4')
  await expect(call(page)).toContainText('Lantern pad')
  // A sound that was not called.
  await foot(page, '1')
  await expect(call(page)).toContainText('Not that one: Swell. 1 wrong step.')
  await foot(page, '8')
  await expect(call(page)).toContainText('On the way.')
  await foot(page, '6')
  await expect(call(page)).toContainText('Chorus, drive')
  await page.getByRole('button', { name: 'Give this one up' }).click()
  await expect(call(page)).toContainText('It was switch 3.')
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(call(page)).toContainText('Bell buoy')
  await page.getByRole('button', { name: 'End the round' }).click()
  const round = page.getByRole('region', { name: 'The last round' }).or(page.getByLabel('The last round'))
  await expect(round.first()).toContainText('3 calls: 2 missed, 1 wrong step')
  await saved(page, 3)
  await page.reload()
  await page.getByRole('tab', { name: 'Practice' }).click()
  await expect(page.getByRole('table', { name: 'Practice by day' })).toContainText('2, 67 %')
  const fails = page.getByRole('region', { name: 'What fails' })
  await expect(fails.getByRole('row').nth(1)).toContainText(/Gale, all hands|Lantern pad/)
  // The board minds them where that is said.
  await page.getByRole('link', { name: 'Go there' }).click()
  await page.getByRole('tab', { name: 'Lay the board out' }).click()
  await page.getByLabel('Mind what failed in practice').check()
  await page.getByRole('button', { name: 'Look for a better board' }).click()
  await expect(page.getByRole('button', { name: /^Move all/ })).toBeVisible()
  await page.keyboard.press('g')
  await page.getByRole('tab', { name: 'Practice' }).click()
  await page.getByRole('button', { name: 'Forget all practice' }).click()
  await expect(page.getByText('Nothing practised yet.', { exact: false })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(fails).toBeVisible()
})

it('at random a round goes on to its end', async () => {
  const page = await openPart('Practice')
  await page.getByLabel('Calls in a round').fill('5')
  await page.getByLabel('Calls in a round').press('Enter')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  const called: string[] = []
  for (let n = 0; n < 5; n++) {
    await expect(call(page)).toContainText(`${n + 1} of 5`)
    called.push(await call(page).locator('.tape').text())
    await page.getByRole('button', { name: 'Give this one up' }).click()
    await page.getByRole('button', { name: 'Go on' }).click()
  }
  await expect(page.getByText('5 missed, 0 wrong steps, none of them found.', { exact: false })).toBeVisible()
  for (const [n, name] of called.entries()) expect(name).not.toBe(called[n - 1])
})

it('an empty rig says what practice needs', async () => {
  const page = await openPart('Practice', emptyRig('Bare'))
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeDisabled()
  await expect(page.getByText('None is there yet.', { exact: false })).toBeVisible()
  for (const name of ['At the feet', 'On paper', 'Before the show']) {
    await page.getByRole('tab', { name }).click()
    await expect(page.getByRole('main')).toContainText(/no controller yet|No switch does|Nothing to look at/)
  }
})

it('the floor follows a real controller by what it sends, and says what it cannot tell', async () => {
  const comesIn = (all: readonly number[][]) => {
    for (const one of all) page.midi.comeIn('Stand-in', one)
  }
  const page = await openView('stage')
  page.midi.plug('Stand-in')
  // What the real one would send for the two switches, read off the simulated one.
  const sent = async (key: string) => {
    await foot(page, key)
    const bytes = (await bytesSent(page).text())!.match(/\b[0-9A-F]{2}\b/g)!.map((hex) => parseInt(hex, 16))
    const messages: number[][] = []
    for (const byte of bytes) {
      if (byte >= 0x80) messages.push([byte])
      else messages.at(-1)!.push(byte)
    }
    return messages
  }
  const solo = await sent('6')
  await expect(deviceNow(page, 'Bass preamp')).toContainText('9 Shout')
  const verse = await sent('1')
  await expect(deviceNow(page, 'Bass preamp')).not.toContainText('9 Shout')
  await page.getByRole('button', { name: 'Follow the real one' }).click()
  const gear = page.getByRole('region', { name: 'A real controller' })
  await expect(gear).toContainText('Following Stand-in.')
  comesIn([[0xf8], ...solo, [0xfe]])
  await expect(deviceNow(page, 'Bass preamp')).toContainText('9 Shout')
  // Storm solo is in other banks too.
  await expect(gear).toContainText(/Taken for 1\.6.* 2\.3, 3\.1, .* would send the same/)
  // In no order in particular.
  comesIn(verse.toReversed())
  await expect(deviceNow(page, 'Bass preamp')).not.toContainText('9 Shout')
  await expect(gear).toContainText('Taken for 1.1 Verse, dry.')
  comesIn([[0xb0, 1, 2]])
  await expect(gear).toContainText('No switch of this rig sends just these messages')
  await gear.getByRole('button', { name: 'Stop following' }).click()
  comesIn(solo)
  await expect(gear.getByRole('button', { name: 'Follow the real one' })).toBeVisible()
  await expect(deviceNow(page, 'Bass preamp')).not.toContainText('9 Shout')
})
