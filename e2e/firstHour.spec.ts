import type { APIRequestContext } from '@playwright/test'
import { expect, inspector, openView, test } from './player'

const rigOf = async (request: APIRequestContext, rigId: string) =>
  (await (await request.get(`/api/rigs/${rigId}`)).json()).rig

test.use({ isSearched: true })

test('in a German browser point and comma are decimal signs, and what is shown has a point as everywhere', async ({
  browser,
  request,
  rigId,
  baseURL,
}) => {
  const context = await browser.newContext({ locale: 'de-DE', serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.goto(`${baseURL}/rigs/${rigId}/tempo`)
  await page.getByRole('row', { name: /^Net menders/ }).click()
  const tempo = inspector(page).getByRole('spinbutton', { name: 'Stored tempo' })
  for (const [typed, bpm] of [
    ['97.5', 97.5],
    ['98,5', 98.5],
  ] as const) {
    await tempo.fill(typed)
    await tempo.press('Enter')
    await expect(tempo).toHaveValue(`${bpm} bpm`)
    await expect
      .poll(async () =>
        Object.values((await rigOf(request, rigId)).songs).some(
          (one) => (one as { tempo: number }).tempo === bpm,
        ),
      )
      .toBe(true)
  }
  await context.close()
})

test('an empty rig shows a dash on every stage, and nothing green', async ({ page, request }) => {
  const { id } = await (await request.post('/api/rigs', { data: { name: 'Bare boards' } })).json()
  await openView(page, id, 'rig')
  const stages = page.getByRole('navigation', { name: 'Stages' })
  await expect(stages.getByText('nothing there yet')).toHaveCount(11)
  await expect(stages.getByText('ok', { exact: true })).toHaveCount(0)
  await request.delete(`/api/rigs/${id}`)
})

test('the proof says what was asked and what was not, and an error beside a sound counts against it', async ({
  page,
  rigId,
  request,
}) => {
  await openView(page, rigId, 'proof')
  await expect(page.getByRole('main').getByText(/kinds? of things? not looked at/)).toBeVisible({
    timeout: 120_000,
  })
  await expect(
    page
      .getByRole('main')
      .getByText(/^Not looked at: .*what a pedal leads/)
      .first(),
  ).toBeVisible()
  const { devices } = await rigOf(request, rigId)
  const echo = Object.values(devices as Record<string, { id: string; name: string; channel: unknown }>).find(
    ({ name }) => name === 'Tape echo',
  )!
  const edit = {
    label: 'setChannel',
    changes: [{ table: 'devices', id: echo.id, before: echo, after: { ...echo, channel: 'none' } }],
  }
  expect((await request.post(`/api/rigs/${rigId}/edits`, { data: { id: 'mute', edit } })).status()).toBe(200)
  await page.reload()
  const line = page.getByRole('main').locator('section').filter({ hasText: 'Every sound comes out whole' })
  await expect(line.getByText(/against it$/)).toBeVisible({ timeout: 120_000 })
  await expect(line.getByRole('button', { name: /Tape echo/ }).first()).toBeVisible()
})

test('the stage says how often the foot comes down', async ({ page, rigId, request }) => {
  const rig = await rigOf(request, rigId)
  const show = Object.values(rig.shows as Record<string, { songIds: string[] }>)[0]!
  expect(show.songIds.length).toBeGreaterThan(0)
  await openView(page, rigId, 'show')
  await page.getByRole('button', { name: 'Next part', exact: true }).click()
  await page.goto(`/stage/${rigId}`)
  await expect(page.getByText('Leave the stage')).toBeVisible()
  await expect(page.getByText(/^Next/).first()).toBeVisible()
})
