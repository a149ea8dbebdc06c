import axe from 'axe-core'
import { test as base, expect, type APIRequestContext, type Page } from '@playwright/test'
import type { Stage } from '~/text/stages'
import { startOwnServer, type OwnServer } from './ownServer'

export { expect }

/**
 * A server of its own for each worker, with nobody else at it; a fresh copy of the demo for every test, and no complaint of
 * the browser left unheard.
 */
export const test = base.extend<
  { rigId: string; complaints: string[]; isSearched: boolean; background: null },
  { server: OwnServer }
>({
  server: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads what is asked for from the pattern
    async ({}, use) => {
      const server = await startOwnServer()
      await use(server)
      await server.stop()
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ server }, use) => use(server.url),
  complaints: [
    async ({ page }, use) => {
      const complaints: string[] = []
      listen(page, complaints)
      await use(complaints)
      expect(complaints).toEqual([])
    },
    { auto: true },
  ],
  // What is searched for in the background takes half a processor for many seconds. Only the tests that are about it let it.
  isSearched: [false, { option: true }],
  background: [
    async ({ context, isSearched }, use) => {
      if (!isSearched) await context.addInitScript(searchForNothing)
      await use(null)
    },
    { auto: true },
  ],
  rigId: async ({ request }, use) => {
    // Made anew by the server: a copy of what is stored might be another test's, half way through.
    const made = await request.post('/api/rigs', { data: { from: 'demo' } })
    const { id } = await made.json()
    await use(id)
    await request.delete(`/api/rigs/${id}`)
  },
})

/** In the page: a worker never hears of the question what is to be searched for. */
function searchForNothing(): void {
  const { postMessage } = Worker.prototype
  Worker.prototype.postMessage = function (this: Worker, message: { name?: string }, ...more: never[]) {
    if (message.name !== 'search') postMessage.call(this, message, ...more)
  }
}

/** Content policy violations and script errors; failed requests are the tests' own doing. */
function listen(page: Page, complaints: string[]): void {
  page.on('pageerror', ({ message }) => complaints.push(message))
  page.on('console', (message) => {
    if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
      complaints.push(message.text())
  })
}

export async function openView(page: Page, rigId: string, view: Stage['page']): Promise<void> {
  await page.goto(`/rigs/${rigId}/${view}`)
  await expect(page.getByRole('region', { name: 'Floor' })).toBeVisible()
  // The view comes after the floor.
  await expect(page.getByRole('main').getByRole('heading', { level: 1 })).toBeVisible()
}

/** To another view, as by its link: without loading the page anew. */
export async function goTo(page: Page, view: string): Promise<void> {
  const link = page.getByRole('navigation', { name: 'Stages' }).locator(`a[href$="/${view}"]`)
  await link.click()
  await expect(link).toHaveAttribute('aria-current', 'page')
}

export const bytesSent = (page: Page) => page.getByRole('status', { name: 'Bytes sent' })
export const deviceNow = (page: Page, device: string) =>
  page.getByRole('list', { name: 'Each device now' }).getByRole('listitem').filter({ hasText: device })
export const tile = (page: Page, text: RegExp) => page.getByRole('main').getByRole('button', { name: text })
export const inspector = (page: Page) => page.getByRole('complementary', { name: 'What is chosen' })
export const saved = (page: Page, revision: number) =>
  expect(page.getByText(new RegExp(`^Saved .*revision ${revision}$`))).toBeVisible()

/** Chooses a file by a button that asks for one. */
export async function pickFile(
  page: Page,
  button: string,
  file: Parameters<Awaited<ReturnType<typeof chooserOf>>['setFiles']>[0],
): Promise<void> {
  const [chooser] = await Promise.all([chooserOf(page), page.getByRole('button', { name: button }).click()])
  await chooser.setFiles(file)
}
const chooserOf = (page: Page) => page.waitForEvent('filechooser')

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

/**
 * What axe finds that is serious in the view; on the `whole` page once, since the stages and the floor are the same in all,
 * or, by all its rules, `within` one part of it. In one theme: what the colours of both are read on is tested as tokens
 * (app/assets/contrast.test.ts).
 */
export async function seriousFaults(
  page: Page,
  { whole = false, within }: { whole?: boolean; within?: string } = {},
): Promise<{ readonly id: string; readonly targets: readonly string[] }[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  const context = within
    ? { include: [within] }
    : { include: ['html'], exclude: whole ? [] : ['nav[aria-label="Stages"]', 'section[aria-label="Floor"]'] }
  const options: axe.RunOptions = {
    resultTypes: ['violations'],
    ...(!within && { runOnly: { type: 'tag', values: TAGS } }),
    // What is stepped on is large enough.
    rules: within
      ? { 'target-size': { enabled: true } }
      : whole
        ? {}
        : { 'color-contrast': { enabled: false } },
  }
  const { violations } = await page.evaluate(
    ([on, how]) => (window as never as { axe: typeof axe }).axe.run(on, how),
    [context, options] as const,
  )
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => ({
      id,
      targets: nodes.map(({ target, failureSummary }) => `${target} ${failureSummary}`),
    }))
}

/** A MIDI input the browser finds, before the page is opened; `window.comesIn(bytes, at)` sends a message in by it. */
export const plugMidiIn = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    const input = Object.assign(new EventTarget(), {
      id: 'in',
      name: 'Stand-in',
      state: 'connected',
      type: 'input',
      onmidimessage: null as ((event: unknown) => void) | null,
    })
    const access = Object.assign(new EventTarget(), { inputs: new Map([['in', input]]), outputs: new Map() })
    Object.defineProperty(navigator, 'requestMIDIAccess', { value: async () => access })
    Object.assign(window, {
      comesIn: (bytes: number[], at = performance.now()) =>
        input.onmidimessage?.({ data: Uint8Array.from(bytes), timeStamp: at }),
    })
  })

/** Next part, and part back with the next song when held, in the shift layer of every bank without sounds there. */
export async function addShowSwitches(request: APIRequestContext, rigId: string): Promise<void> {
  const { rig } = await (await request.get(`/api/rigs/${rigId}`)).json()
  const to = (step: string) => ({ kind: 'showStep', to: step, songId: null })
  const row = (number: number, label: string, more: object) => ({
    ...rig.switches['menders-7-shift'],
    id: `storm-${number}-shift`,
    bankId: 'storm',
    number,
    label,
    ...more,
  })
  const rows = [
    row(1, 'Part back', { positions: [[to('previousPart')]], longPress: [to('nextSong')] }),
    row(2, 'Next part', { positions: [[to('nextPart')]] }),
  ]
  const changes = rows.map((after) => ({ table: 'switches', id: after.id, before: null, after }))
  const posted = await request.post(`/api/rigs/${rigId}/edits`, {
    data: { id: 'add-show-switches', edit: { label: 'placeShowStep', changes } },
  })
  expect(posted.ok()).toBe(true)
}
