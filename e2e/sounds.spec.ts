import type { Page } from '@playwright/test'
import { bytesSent, deviceNow, expect, inspector, openView, test } from './player'

const grid = (page: Page) => page.getByRole('grid', { name: 'Sounds by device' })
const row = (page: Page, name: string) =>
  grid(page)
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader', { name, exact: true }) })
const cell = (page: Page, name: string | RegExp, column: number) =>
  grid(page)
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader', { name }) })
    .getByRole('gridcell')
    .nth(column - 1)

/** Presses keys one by one and counts them; "⇥" is Tab, "⏎" Enter. */
async function typeKeys(page: Page, keys: string): Promise<number> {
  let count = 0
  for (const key of keys) {
    await page.keyboard.press({ '⇥': 'Tab', '⏎': 'Enter', ' ': 'Space' }[key] ?? key)
    count++
  }
  return count
}

test('six sounds over five devices are typed in at most 60 keys each, and are the demo’s own', async ({
  page,
  rigId,
  request,
}) => {
  const demo = await (await request.get(`/api/rigs/${rigId}/files/rig.json`)).json()
  const wanted = demo.tables.sounds
    .toSorted((a: { order: number }, b: { order: number }) => a.order - b.order)
    .filter(({ parentId }: { parentId: string | null }) => parentId === null)
    .slice(0, 6)
  // Another name: the demo is looked up by its own.
  const about = [{ ...demo.tables.about[0], name: 'Typed in' }]
  const empty = {
    ...demo,
    tables: {
      ...demo.tables,
      about,
      sounds: [],
      macros: [],
      switches: [],
      parts: [],
      practices: [],
      notes: [],
    },
  }
  const { id } = await (await request.post('/api/rigs/file', { data: empty })).json()
  await openView(page, id, 'sounds')
  await expect(page.getByText('A sound says once what the whole rig should be')).toBeVisible()
  await grid(page).focus()
  // Preamp, echo, reverb, relay box and synth; the names as in the demo.
  const typed = [
    'Verse, dry⇥3⇥off⇥off⇥1⇥off⏎',
    'Chorus, drive⇥8⇥b4⇥off⇥2⇥off⏎',
    'Storm solo⇥9⇥b5⇥300⇥3⇥1⏎',
    'Lantern pad⇥12⇥c2⇥300⇥1⇥2 reson 60⏎',
    'Shout, learned⇥pair b⇥off⇥off⇥2⇥leave⏎',
    'Low tide⇥12⇥off⇥12⇥1⇥1 scene 2⏎',
  ]
  const counts: number[] = []
  for (const [n, keys] of typed.entries()) {
    // To the line for a new one, where the name is typed.
    if (n > 0) await page.keyboard.press('Control+End')
    counts.push((await typeKeys(page, keys)) + (n > 0 ? 1 : 0))
  }
  test.info().annotations.push({ type: 'keys a sound', description: counts.join(', ') })
  for (const count of counts) expect(count).toBeLessThanOrEqual(60)
  await expect(page.getByText('6 sounds, 9 devices')).toBeVisible()
  const five = ['preamp', 'echo', 'reverb', 'relay', 'synth']
  await expect(async () => {
    const made = await (await request.get(`/api/rigs/${id}/files/rig.json`)).json()
    const told = (sounds: { name: string; cells: { deviceId: string; cell: unknown }[] }[]) =>
      Object.fromEntries(
        sounds.map(({ name, cells }) => [
          name,
          Object.fromEntries(
            cells
              .filter(({ deviceId }) => five.includes(deviceId))
              .map(({ deviceId, cell: one }) => [deviceId, one]),
          ),
        ]),
      )
    expect(told(made.tables.sounds)).toEqual(told(wanted))
  }).toPass()
  await request.delete(`/api/rigs/${id}`)
})

test('a cell is typed over, refused with what it can be, cleared, and undone', async ({ page, rigId }) => {
  await openView(page, rigId, 'sounds')
  await cell(page, /^Chorus, drive/, 2).click()
  await page.keyboard.type('dot')
  const box = page.getByRole('combobox', { name: 'Chorus, drive, Tape echo' })
  await expect(box).toBeFocused()
  await expect(
    page.getByText('“dot” can be B4 Dotted eighth or B5 Dotted, wide. Write more of it.'),
  ).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(cell(page, /^Chorus, drive/, 2)).toContainText('B5 Dotted, wide')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Delete')
  await expect(cell(page, /^Chorus, drive/, 2)).toContainText('not said')
  await page.keyboard.press('Control+z')
  await expect(cell(page, /^Chorus, drive/, 2)).toContainText('B5 Dotted, wide')
  await page.keyboard.press('F2')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('mix 140')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Mix takes 0 to 100 %, not “140”.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(grid(page)).toBeFocused()
  // A number typed over the table is written, not stepped on.
  await expect(bytesSent(page)).toBeHidden()
})

test('cells are copied, filled down and pasted as a spreadsheet’s are', async ({ page, rigId, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openView(page, rigId, 'sounds')
  await cell(page, /^Verse, dry/, 1).click()
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('Control+c')
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('3 Round\toff')
  await cell(page, /^Finale/, 1).click()
  await page.keyboard.press('Control+v')
  await expect(cell(page, /^Finale/, 1)).toContainText('3 Round')
  await expect(cell(page, /^Finale/, 2)).toContainText('off')
  await page.evaluate(() =>
    navigator.clipboard.writeText('Encore\t8 Grit\tb4 mix 30\tnonsense\r\nBows\trest\toff\toff\r\n'),
  )
  await grid(page).focus()
  await page.keyboard.press('Control+End')
  await page.keyboard.press('Control+v')
  await expect(page.getByText('18 sounds, 9 devices')).toBeVisible()
  await expect(page.getByRole('alert').filter({ hasText: 'Left out' })).toContainText(
    'Line 1, column 4 (Encore, Hall reverb): Hall reverb has no “nonsense”.',
  )
  await expect(page.getByText('7 cells taken, 1 left out.')).toBeVisible()
  await cell(page, /^Encore/, 2).click()
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('Control+d')
  await expect(cell(page, /^Bows/, 2)).toContainText('+ Mix 29.9 %')
})

test('one key sends a sound, another takes the floor as it is', async ({ page, rigId }) => {
  await openView(page, rigId, 'sounds')
  await row(page, 'Storm solo').getByRole('rowheader').click()
  await page.keyboard.press('F8')
  await expect(bytesSent(page)).toHaveText('C3 0C B4 00 00 B4 20 02 C4 2B C0 08 C6 00 C5 02 B0 14 7F')
  await expect(deviceNow(page, 'Tape echo')).toContainText('B5 Dotted, wide')
  await expect(deviceNow(page, 'Octaver')).toContainText('closed')
  await expect(deviceNow(page, 'Old fuzz')).toContainText('by foot')
  await page.keyboard.press('Control+End')
  await page.keyboard.press('F9')
  await expect(page.getByText('17 sounds, 9 devices')).toBeVisible()
  await expect(inspector(page).getByRole('heading', { name: 'Floor, 17' })).toBeVisible()
  await expect(cell(page, /^Floor, 17/, 3)).toContainText('300 Drowned hall')
  await expect(cell(page, /^Floor, 17/, 6)).toContainText('closed')
  await expect(cell(page, /^Floor, 17/, 7)).toContainText('not said')
})

test('200 sounds are scrolled through with a few rows in the page; an edit is drawn at once', async ({
  page,
  rigId,
  request,
}) => {
  const demo = await (await request.get(`/api/rigs/${rigId}/files/rig.json`)).json()
  const base = demo.tables.sounds[0]
  const sounds = Array.from({ length: 200 }, (_, n) => ({
    ...base,
    id: `many-${n}`,
    name:
      n === 7
        ? 'A name as long as names may be, to see what becomes of it here'.slice(0, 60)
        : `Sound ${n + 1}`,
    order: n,
  }))
  const about = [{ ...demo.tables.about[0], name: 'Two hundred' }]
  const many = {
    ...demo,
    tables: { ...demo.tables, about, sounds, macros: [], switches: [], parts: [], practices: [], notes: [] },
  }
  const { id } = await (await request.post('/api/rigs/file', { data: many })).json()
  await openView(page, id, 'sounds')
  await expect(page.getByText('200 sounds, 9 devices')).toBeVisible()
  expect(await grid(page).getByRole('row').count()).toBeLessThan(40)
  await grid(page).focus()
  await page.keyboard.press('Control+End')
  await page.keyboard.press('ArrowUp')
  await expect(grid(page).getByRole('rowheader', { name: 'Sound 200' })).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.type('8')
  await page.keyboard.press('Enter')
  await expect(cell(page, /^Sound 200/, 1)).toContainText('8 Grit')
  await page.getByRole('tab', { name: 'From one to another' }).click()
  await expect(page.getByRole('button', { name: /^Matrix of changes/ })).toBeVisible()
  await request.delete(`/api/rigs/${id}`)
})
