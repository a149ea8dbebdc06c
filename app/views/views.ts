import { defineAsyncComponent, type Component } from 'vue'
import type { Stage } from '~/text/stages'
import ViewMissing from './ViewMissing.vue'

type Page = Stage['page']

const LOADERS: Readonly<Record<Page, () => Promise<Component>>> = {
  rig: () => import('./rig.vue'),
  charts: () => import('./charts.vue'),
  sounds: () => import('./sounds.vue'),
  switches: () => import('./switches.vue'),
  pedals: () => import('./pedals.vue'),
  tempo: () => import('./tempo.vue'),
  show: () => import('./show.vue'),
  proof: () => import('./proof.vue'),
  keyin: () => import('./keyin.vue'),
  logbook: () => import('./logbook.vue'),
  stage: () => import('./stage.vue'),
}

export const isView = (name: unknown): name is Page =>
  typeof name === 'string' && Object.hasOwn(LOADERS, name)

/** The views, each fetched when one goes there: at first the floor comes before it, so that a foot need not wait for it. */
export const VIEWS = Object.fromEntries(
  Object.entries(LOADERS).map(([name, loader]) => [
    name,
    defineAsyncComponent({ loader, errorComponent: ViewMissing, delay: 0 }),
  ]),
) as Readonly<Record<Page, Component>>

/** Has a view at hand before one goes there. One that does not come is told of in its place. */
export async function fetchView(name: unknown): Promise<void> {
  if (isView(name)) await LOADERS[name]().catch(() => undefined)
}
