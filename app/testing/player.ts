import { createPinia, setActivePinia } from 'pinia'
import PrimeVue from 'primevue/config'
import Tooltip from 'primevue/tooltip'
import { onTestFinished } from 'vitest'
import { createApp } from 'vue'
import { createMemoryHistory, createRouter, RouterView } from 'vue-router'
import type { Edit, Rig } from '#core/rig'
import { useDock } from '~/composables/useDock'
import { useInspectorFold } from '~/composables/useInspectorFold'
import { useSelection } from '~/composables/useSelection'
import RigPage from '~/pages/rigs/[id].vue'
import ViewPage from '~/pages/rigs/[id]/[view].vue'
import { memoryAnnouncers } from '~/platform/announcer'
import { browserClock } from '~/platform/clock'
import { memoryKeep } from '~/platform/keep'
import { memoryMidi } from '~/platform/midi'
import { memoryPage } from '~/platform/page'
import { providePlatform } from '~/platform/platform'
import { memoryRigShelf } from '~/platform/rigShelf'
import { memoryServer } from '~/platform/testing/memoryServer'
import { createWorkers } from '~/platform/workers'
import type { Stage } from '~/text/stages'
import { fetchView } from '~/views/views'
import { ANSWERERS } from '~/workers/answers'
import { serveQuestions, type Answerers } from '~/workers/serveQuestions'
import { tidewright } from '../../server/demo/tidewright'
import { expectFound } from './expectFound'
import { Found } from './found'
import { keyboard, newHand } from './hand'
import { clock, giveTimeBack, pause, takeTime } from './patience'

export { expectFound as expect, pause, tidewright }

type View = Stage['page']

/** What a player has before him: all that can be found on the page, and keys and time. */
export interface Page extends Found {
  readonly keyboard: typeof keyboard
  readonly clock: typeof clock
  readonly midi: ReturnType<typeof memoryMidi>
  readonly server: ReturnType<typeof memoryServer>
  /** Opened anew, as by the browser's own button. */
  readonly reload: () => Promise<void>
}

/** No style sheet is read here: what hides a thing is written on it. The browser stand-in's own answer takes longer than the page. */
window.getComputedStyle = (element) => {
  const { style, hidden } = element as HTMLElement
  const said: Record<string, string> = {
    display: hidden ? 'none' : (style?.display ?? ''),
    visibility: style?.visibility ?? '',
  }
  return { ...said, getPropertyValue: (name: string) => said[name] ?? '' } as never
}

// As a browser has it: a drag asks for it.
for (const type of ['mousedown', 'mousemove', 'mouseup'])
  window.addEventListener(type, (event) => Object.defineProperty(event, 'view', { value: window }), true)
Object.defineProperty(document, 'fonts', { value: { load: async () => [], ready: Promise.resolve() } })

let closeApp: (() => void) | null = null

/** What is searched for in the background takes seconds: that is tested in the browser. */
const quickOnly: Answerers = { ...ANSWERERS, search: () => new Promise(() => {}) }

/**
 * A view of a rig, the demo unless it is said, with the floor and all the stages around it: the page itself, with its
 * stores and the core, and only the world outside stood in for.
 */
export async function openView(
  view: View,
  { rig = tidewright() }: { readonly rig?: Rig } = {},
): Promise<Page> {
  takeTime()
  newHand()
  const server = memoryServer('rig', rig)
  const midi = memoryMidi(() => performance.now())
  providePlatform({
    server,
    midi,
    shelf: memoryRigShelf(),
    clock: browserClock,
    keep: memoryKeep(),
    browserKeep: memoryKeep(),
    announcer: memoryAnnouncers()(),
    page: memoryPage(),
    workers: createWorkers(
      ({ heard }) => {
        const serve = serveQuestions(quickOnly, (message) => heard(structuredClone(message)))
        return { post: (message) => serve(structuredClone(message)), close: () => {} }
      },
      browserClock.after,
      true,
    ),
    openFloorFeed: () => ({ close: () => {} }),
  })
  const page = Object.assign(new Found(() => [document.body], 'the page'), {
    keyboard,
    midi,
    server,
    clock,
    reload: async () => {
      close()
      await open(view)
    },
  })
  onTestFinished(() => {
    close()
    giveTimeBack()
  })
  await open(view)
  return page
}

/** The app itself at a view, as by its address, with whatever stands in for the world outside. */
async function open(view: View): Promise<void> {
  const { tab, isTall } = useDock()
  tab.value = 'step'
  isTall.value = false
  useInspectorFold().isFolded.value = false
  useSelection().select(null)
  await fetchView(view)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/rigs/:id', component: RigPage, children: [{ path: ':view', component: ViewPage }] },
      { path: '/:rest(.*)*', component: { render: () => null } },
    ],
  })
  await router.push(`/rigs/rig/${view}`)
  const app = createApp(RouterView)
  const pinia = createPinia()
  setActivePinia(pinia)
  app.use(pinia).use(router).use(PrimeVue, { unstyled: true, ripple: false }).directive('tooltip', Tooltip)
  const faults: unknown[] = []
  app.config.errorHandler = (error) => void faults.push(error)
  const root = document.createElement('div')
  document.body.append(root)
  app.mount(root)
  closeApp = () => {
    app.unmount()
    document.body.innerHTML = ''
    if (faults.length > 0) throw faults[0]
  }
  const heading = new Found(() => [root], 'the page').getByRole('main').getByRole('heading', { level: 1 })
  await expectFound(heading).toBeVisible()
}

function close(): void {
  const closing = closeApp
  closeApp = null
  closing?.()
}

/** An edit made elsewhere; the page hears of it when it is opened anew. */
export async function editElsewhere(page: Page, edit: (rig: Rig) => Edit | null): Promise<void> {
  const made = edit(page.server.rig())
  if (!made) throw new Error('There is nothing to edit')
  const done = await page.server.post('rig', {
    id: 'elsewhere',
    edit: made,
  })
  if (done.kind !== 'done') throw new Error(`The edit was not taken: ${JSON.stringify(done)}`)
}

export const bytesSent = (page: Page) => page.getByRole('status', { name: 'Bytes sent' })
export const deviceNow = (page: Page, device: string) =>
  page.getByRole('list', { name: 'Each device now' }).getByRole('listitem').filter({ hasText: device })
export const tile = (page: Page, text: RegExp) => page.getByRole('main').getByRole('button', { name: text })
export const inspector = (page: Page) => page.getByRole('complementary', { name: 'What is chosen' })
export const saved = (page: Page, revision: number) =>
  expectFound(page.getByText(new RegExp(`^Saved .*revision ${revision}$`))).toBeVisible()
