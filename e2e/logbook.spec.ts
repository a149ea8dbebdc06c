import { readFile } from 'node:fs/promises'
import { expect, openView, pickFile, saved, seriousFaults, test } from './player'
import type { Page } from '@playwright/test'

const side = (page: Page) => page.getByRole('complementary', { name: 'What is chosen in the logbook' })
const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true })

async function downloaded(page: Page, button: string): Promise<Buffer> {
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    side(page).getByRole('button', { name: button }).click(),
  ])
  return readFile(await file.path())
}

test('a line is written, found, mended and removed by keys; what the tool knows stands beside it', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'logbook')
  const list = page.getByRole('list', { name: 'Logbook' })
  await expect(list.getByRole('listitem').first()).toBeVisible()
  await side(page).getByText('Failed on stage').click()
  await side(page).getByLabel('What happened').fill('The echo hummed in the second act')
  await side(page).getByRole('button', { name: 'Write it down' }).press('Enter')
  await saved(page, 2)
  await page.getByLabel('Look for').fill('hummed')
  await expect(list.getByRole('listitem')).toHaveCount(1)
  await list.getByRole('button').press('Enter')
  await side(page).getByLabel('What happened').fill('The echo hummed: a plug half out')
  await side(page).getByRole('button', { name: 'Keep the change' }).press('Enter')
  await expect(list.getByRole('button', { name: /plug half out/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(list.getByRole('button', { name: /in the second act/ })).toBeVisible()
  await side(page).getByRole('button', { name: 'Remove it' }).press('Enter')
  await expect(page.getByText('No line has all of these words.')).toBeVisible()
  await page.getByLabel('Look for').fill('')
  // What is keyed in is put down by itself.
  await tab(page, 'What is saved').click()
  await page.getByRole('button', { name: 'Tape echo was saved now' }).press('Enter')
  await tab(page, 'Logbook').click()
  await expect(list.getByRole('button', { name: /^.*Saved Tape echo/ })).toBeVisible()
})

test('a revision is looked at, named, gone back to as one edit, and forth again', async ({
  page,
  rigId,
  request,
}) => {
  const rig = async () =>
    (await (await request.get(`/api/rigs/${rigId}/files/rig.json`)).text()).replaceAll(/\s/g, '')
  const before = await rig()
  await openView(page, rigId, 'logbook')
  await side(page).getByLabel('What happened').fill('Begun')
  await side(page).getByRole('button', { name: 'Write it down' }).click()
  await saved(page, 2)
  await page.goto(`/rigs/${rigId}/rig`)
  await page
    .getByRole('main')
    .getByRole('button', { name: /^Tape echo/ })
    .first()
    .click()
  const name = page.getByRole('complementary').getByLabel('Name', { exact: true })
  await name.fill('Tape echo, repaired')
  await name.press('Enter')
  await saved(page, 3)
  const after = await rig()
  await page.getByRole('link', { name: 'N Logbook' }).press('Enter')
  await tab(page, 'History').click()
  const list = page.getByRole('list', { name: 'Revisions' })
  await expect(
    list.getByRole('button', { name: /3 Change device.*name from “Tape echo” to “Tape echo, repaired”/ }),
  ).toBeVisible()
  await list.getByRole('button', { name: /1 Make the rig/ }).press('Enter')
  await side(page).getByLabel('Name of this version').fill('As it came')
  await side(page).getByLabel('Name of this version').press('Enter')
  await expect(list.getByText('As it came')).toBeVisible()
  await side(page).getByText('From it to now').click()
  await expect(side(page)).toContainText('name from “Tape echo” to “Tape echo, repaired”')
  // Everything: to the byte.
  await side(page).getByRole('button', { name: 'Go back to it' }).press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Go back' })
  await dialog.getByText('Everything', { exact: true }).click()
  await expect(dialog).toContainText('Not in it any more: 1 logbook line')
  await dialog.getByRole('button', { name: 'Go back to 1' }).press('Enter')
  await saved(page, 4)
  expect(await rig()).toBe(before)
  await expect(list.getByRole('button', { name: /4 Go back/ })).toBeVisible()
  await list.getByRole('button', { name: /3 Change device/ }).press('Enter')
  await side(page).getByRole('button', { name: 'Go back to it' }).press('Enter')
  await page
    .getByRole('dialog', { name: 'Go back' })
    .getByRole('button', { name: 'Go back to 3' })
    .press('Enter')
  await saved(page, 5)
  expect(await rig()).toBe(after)
  // And undone like any other edit.
  await page.keyboard.press('Control+z')
  await saved(page, 6)
  expect(await rig()).toBe(before)
})

test('a dump is asked for, kept, taken out and in byte for byte, sent back, and compared', async ({
  page,
  rigId,
}) => {
  await openView(page, rigId, 'logbook')
  await tab(page, 'Dumps').click()
  await page.getByRole('button', { name: 'Who is there?' }).press('Enter')
  await expect(page.getByRole('list', { name: 'Who is there' })).toContainText('maker 7D')
  await page.getByRole('button', { name: 'Ask for its dump' }).press('Enter')
  const came = page.getByRole('group', { name: 'What came' })
  await expect(came).toContainText('Number of messages: right', { timeout: 15_000 })
  await came.getByLabel('Name').fill('First bank')
  // What was asked for has come when nothing more does.
  await expect(came.getByRole('button', { name: 'Keep it' })).toBeEnabled()
  await came.getByRole('button', { name: 'Keep it' }).press('Enter')
  await expect(side(page).getByRole('heading', { name: 'First bank' })).toBeVisible()
  const syx = await downloaded(page, 'Save .syx')
  const midi = await downloaded(page, 'Save .mid')
  expect([syx[0], syx.at(-1)]).toEqual([0xf0, 0xf7])
  for (const [file, buffer] of [
    ['one.syx', syx],
    ['one.mid', midi],
  ] as const) {
    await pickFile(page, 'Open .syx or .mid', { name: file, mimeType: 'application/octet-stream', buffer })
    await expect(came).toContainText('From the file “one”')
    await came.getByLabel('Name').fill(`From ${file}`)
    await came.getByRole('button', { name: 'Keep it' }).click()
    await expect(side(page).getByRole('heading', { name: `From ${file}` })).toBeVisible()
    expect(await downloaded(page, 'Save .syx')).toEqual(syx)
  }
  // A file that was cut is refused, and says why.
  await pickFile(page, 'Open .syx or .mid', {
    name: 'cut.syx',
    mimeType: 'application/octet-stream',
    buffer: syx.subarray(0, syx.length - 9),
  })
  await expect(came).toContainText('is cut short: it has no end')
  await expect(came.getByRole('button', { name: 'Keep it' })).toHaveCount(0)
  await came.getByRole('button', { name: 'Let it go' }).click()
  // Sent back: the simulated device answers for each, and says when one was lost.
  await side(page).getByRole('button', { name: 'Send it back' }).press('Enter')
  await page.getByRole('dialog').getByRole('button', { name: 'Send it' }).press('Enter')
  await expect(side(page)).toContainText(/The device took (\d+) of \1\./, { timeout: 15_000 })
  await page.getByLabel('It loses message (0: none)').fill('2')
  await page.getByLabel('It loses message (0: none)').press('Enter')
  await side(page).getByRole('button', { name: 'Send it back' }).press('Enter')
  await page.getByRole('dialog').getByRole('button', { name: 'Send it' }).press('Enter')
  await expect(side(page)).toContainText('Something was lost: send it again.', { timeout: 15_000 })
  await page.getByRole('button', { name: 'Ask for its dump' }).press('Enter')
  await expect(came).toContainText('Not kept as it is.', { timeout: 15_000 })
  await expect(came.getByRole('button', { name: 'Keep it' })).toBeDisabled()
  await came.getByRole('button', { name: 'Let it go' }).click()
  await side(page).getByLabel('Compare with').click()
  await page.getByRole('option', { name: /^First bank/ }).click()
  await expect(side(page)).toContainText('0 differ')
  // What the simulated device took is no part of what happened.
  await tab(page, 'Logbook').click()
  await expect(page.getByRole('button', { name: /Dump .*First bank/ })).toBeVisible()
  await page.getByLabel('Look for').fill('Sent back')
  await expect(page.getByRole('list', { name: 'Logbook' }).getByRole('listitem')).toHaveCount(1)
})

test('the test plan keeps what passed and what failed, and its paper is had', async ({
  page,
  rigId,
  request,
}) => {
  await openView(page, rigId, 'logbook')
  await tab(page, 'Test plan').click()
  const list = page.getByRole('list', { name: 'To try' })
  const third = list.getByRole('listitem').nth(4)
  await third.getByRole('textbox').fill('Only the echo moved')
  await third.getByRole('button', { name: /^Fail/ }).press('Enter')
  await expect(third).toContainText('Failed')
  await third.getByRole('button', { name: /^Pass/ }).press('Enter')
  await expect(third).toContainText('Passed')
  await tab(page, 'Logbook').click()
  await expect(page.getByRole('button', { name: /Test failed.*Only the echo moved/ })).toBeVisible()
  const paper = await request.get(`/api/rigs/${rigId}/files/test-plan.pdf?paper=a4`)
  expect(paper.headers()['content-type']).toContain('pdf')
})

test('a deleted rig is brought back with its history; a backup is made, and opened again', async ({
  page,
  rigId,
  request,
}) => {
  const name = `Deleted ${rigId}`
  const { rig } = await (await request.get(`/api/rigs/${rigId}`)).json()
  const [about] = Object.values(rig.about) as { id: string }[]
  await request.post(`/api/rigs/${rigId}/edits`, {
    data: {
      id: 'name',
      edit: {
        label: 'renameRig',
        changes: [{ table: 'about', id: about!.id, before: about, after: { ...about, name } }],
      },
    },
  })
  await page.goto('/rigs')
  await page.getByRole('button', { name: `Delete ${name}` }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).press('Enter')
  await expect(page.getByRole('link', { name, exact: true })).toHaveCount(0)
  await page.getByText(/\d+ deleted rigs?/).click()
  await page.getByRole('button', { name: `Bring ${name} back` }).press('Enter')
  await expect(page.getByRole('link', { name, exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Backups' }).click()
  await page.getByRole('button', { name: 'Back up now' }).press('Enter')
  await expect(page.getByText(/was made, and read back|Nothing has changed since/)).toBeVisible({
    timeout: 30_000,
  })
  await page
    .getByRole('list', { name: 'Backups' })
    .getByRole('button', { name: /^Open/ })
    .first()
    .press('Enter')
  await expect(page.getByText(/there already in the same state/)).toBeVisible({ timeout: 30_000 })
  await pickFile(page, 'Open a backup', {
    name: 'cut.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK cut'),
  })
  await expect(page.getByRole('alert')).toContainText('This backup cannot be relied on')
  expect(await seriousFaults(page)).toEqual([])
})

test('axe finds nothing serious in the logbook', async ({ page, rigId }) => {
  await openView(page, rigId, 'logbook')
  await expect(page.getByRole('list', { name: 'Logbook' })).toBeVisible()
  expect(await seriousFaults(page)).toEqual([])
  await tab(page, 'History').click()
  await page.getByRole('list', { name: 'Revisions' }).getByRole('button').first().click()
  await expect(side(page).getByRole('button', { name: 'Save rig.json' })).toBeVisible()
  expect(await seriousFaults(page)).toEqual([])
  await tab(page, 'What is saved').click()
  await expect(page.getByRole('region', { name: 'Tape echo' })).toBeVisible()
  expect(await seriousFaults(page)).toEqual([])
  await tab(page, 'Dumps').click()
  await page.getByRole('button', { name: 'Ask for its dump' }).click()
  await expect(page.getByRole('group', { name: 'What came' })).toContainText('Number of messages: right')
  await side(page).getByText('What its dumps look like').click()
  expect(await seriousFaults(page)).toEqual([])
  await tab(page, 'Test plan').click()
  expect(await seriousFaults(page)).toEqual([])
})
