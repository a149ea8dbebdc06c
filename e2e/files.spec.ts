import { readFile, writeFile } from 'node:fs/promises'
import { parseMidi } from 'midi-file'
import { expect, openView, test, pickFile } from './player'

test('files are taken out from the rig menu, and the rig file goes in again', async ({ page, rigId }) => {
  await openView(page, rigId, 'switches')
  const take = async (name: string) => {
    await page.getByRole('button', { name: /rig menu/ }).click()
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name }).click(),
    ])
    return download.path()
  }
  const midi = parseMidi(await readFile(await take('Messages (switches.mid)')))
  expect(midi.tracks[0]?.filter(({ type }) => type === 'marker')).toHaveLength(63)
  const file = await take('Rig file (rig.json)')
  await page.goto('/rigs')
  await pickFile(page, 'Choose a file', file)
  await expect(page).toHaveURL(/\/rigs\/[\w-]+\/rig$/)
  await expect(page.getByRole('button', { name: 'Pit bass, The Tidewright, rig menu' })).toBeVisible()
})

const broken: [name: string, content: string | Buffer, told: string][] = [
  ['an empty file', '', 'It is not JSON, or it was cut short'],
  ['a file of another kind', '{"format": "song"}', 'format It is not a rig file of this program'],
  [
    'a newer file',
    '{"format": "wire-step-rig", "version": 14}',
    'version It is of version 14; this program reads versions up to 13.',
  ],
  [
    'a file of 50 MB',
    Buffer.alloc(50_000_000, ' '),
    'This is larger than the server takes. The most is 16 MB.',
  ],
]
for (const [name, content, told] of broken)
  test(`${name} is refused with the reason, and nothing changes`, async ({ page, request }, testInfo) => {
    const before = (await (await request.get('/api/health')).json()).rigs
    await page.goto('/rigs')
    const file = testInfo.outputPath('rig.json')
    await writeFile(file, content)
    await pickFile(page, 'Choose a file', file)
    await expect(page.getByRole('alert')).toContainText(told)
    expect((await (await request.get('/api/health')).json()).rigs).toBe(before)
  })

test('a rig file with a channel 17 is refused with the path', async ({ page, request, rigId }) => {
  const file = await (await request.get(`/api/rigs/${rigId}/files/rig.json`)).text()
  await page.goto('/rigs')
  await pickFile(page, 'Choose a file', {
    name: 'rig.json',
    mimeType: 'application/json',
    buffer: Buffer.from(file.replace('"channel":4', '"channel": 17')),
  })
  await expect(page.getByRole('alert')).toContainText(
    /tables\.devices\[\d\]\.channel It should be at most 16\./,
  )
})

test('all rigs go out in one archive and come in again, each as a new one', async ({ page, rigId }) => {
  await page.goto('/rigs')
  const link = page.getByRole('link', { name: 'Save all-rigs.zip' })
  await expect(link).toBeVisible()
  const before = await page.getByRole('link', { name: /Tidewright/ }).count()
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()])
  expect(download.suggestedFilename()).toBe('all-rigs.zip')
  const buffer = await readFile(await download.path())
  await pickFile(page, 'Choose a file', { name: 'all-rigs.zip', mimeType: 'application/zip', buffer })
  await expect(page.getByRole('status')).toContainText('came in from the archive')
  await expect(page.getByRole('link', { name: /Tidewright/ })).toHaveCount(before * 2)
  // Others rely on few rigs being here.
  const { rigs } = await (await page.request.get('/api/rigs')).json()
  for (const { id } of rigs.slice(0, rigs.length / 2))
    if (id !== rigId) await page.request.delete(`/api/rigs/${id}`)
})
