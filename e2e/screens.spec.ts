import type { Page } from '@playwright/test'
import { expect, goTo, inspector, openView, test, tile } from './player'

const SIZES = [
  { name: 'a small laptop', width: 1024, height: 768 },
  { name: 'an upright tablet', width: 768, height: 1024 },
  { name: 'a phone', width: 390, height: 844 },
] as const

for (const { name, width, height } of SIZES)
  test(`on ${name} nothing is wider than the screen, and every stage is one press away`, async ({
    page,
    rigId,
  }) => {
    await page.setViewportSize({ width, height })
    await openView(page, rigId, 'rig')
    for (const stage of ['Charts', 'Sounds', 'Switches', 'Pedals', 'Tempo', 'Rig']) {
      const link = page
        .getByRole('navigation', { name: 'Stages' })
        .getByRole('link', { name: new RegExp(stage) })
      const box = (await link.boundingBox())!
      expect(box.x).toBeGreaterThanOrEqual(0)
      expect(box.x + box.width).toBeLessThanOrEqual(width + 1)
      await link.click()
      await expect(page.getByRole('heading', { name: stage, exact: true })).toBeVisible()
      const wide = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect(wide).toBeLessThanOrEqual(1)
    }
    await page.goto('/rigs')
    await expect(page.getByRole('heading', { name: 'Start a rig' })).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width + 1)
  })

test('on a phone every row of switches can be reached', async ({ page, rigId }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openView(page, rigId, 'switches')
  for (const label of [/On/, /Verse, dry/, /Solo, hall/]) {
    await tile(page, label).first().scrollIntoViewIfNeeded()
    await expect(tile(page, label).first()).toBeInViewport()
  }
})

test('among a hundred banks one is found by name or number', async ({ page, request, rigId }) => {
  const { rig } = await (await request.get(`/api/rigs/${rigId}`)).json()
  const used = new Set(
    Object.values(rig.banks as Record<string, { index: number }>).map(({ index }) => index),
  )
  const controller = { ...rig.controllers.controller, bankCount: 100 }
  const free = Array.from({ length: 100 }, (_, n) => n).filter((n) => !used.has(n))
  const banks = free.map((index) => ({
    table: 'banks',
    id: `more-${index}`,
    before: null,
    after: {
      id: `more-${index}`,
      controllerId: 'controller',
      index,
      name: `Number ${index + 1}`,
      colour: '',
      pageOf: null,
      enter: [],
      leave: [],
    },
  }))
  const edit = {
    label: 'addBank',
    changes: [
      { table: 'controllers', id: 'controller', before: rig.controllers.controller, after: controller },
      ...banks,
    ],
  }
  expect((await request.post(`/api/rigs/${rigId}/edits`, { data: { id: 'many', edit } })).status()).toBe(200)
  await openView(page, rigId, 'switches')
  const jump = page.getByRole('combobox', { name: 'Go to a bank' })
  await jump.click()
  await page.getByPlaceholder('Name or number').fill('number 77')
  await page.getByRole('option', { name: '77 Number 77' }).click()
  await expect(page.getByRole('tab', { name: /77 Number 77/ })).toHaveAttribute('aria-selected', 'true')
  await jump.click()
  // What is looked at in the list is forgotten a moment after the field above has lost the focus to it: no foot is that quick.
  await expect(page.locator('.jump')).not.toHaveClass(/p-focus/)
  await page.getByPlaceholder('Name or number').fill('42')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('tab', { name: /42 Number 42/ })).toHaveAttribute('aria-selected', 'true')
  await expect(inspector(page)).toContainText('Bank 42')
})

/** How many switches of the floor are not seen from edge to edge: cut off, covered or off the screen. */
const cutSwitches = (page: Page) =>
  page
    .getByRole('region', { name: 'Floor' })
    .getByRole('button', { name: /^Step on / })
    .evaluateAll(
      (all) =>
        all.filter((one) => {
          const { left, right, top, bottom } = one.getBoundingClientRect()
          return ![
            [left + 3, top + 3],
            [right - 3, top + 3],
            [left + 3, bottom - 3],
            [right - 3, bottom - 3],
          ].every(([x, y]) => one.contains(document.elementFromPoint(x!, y!)))
        }).length,
    )

for (const { width, height } of [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 768, height: 1024 },
])
  test(`at ${width}x${height} every switch of the floor is whole, raised or not, with four rows too`, async ({
    page,
    request,
    rigId,
  }) => {
    await page.setViewportSize({ width, height })
    await openView(page, rigId, 'switches')
    const switches = page
      .getByRole('region', { name: 'Floor' })
      .getByRole('button', { name: /^Step on switch/ })
    await expect(switches).toHaveCount(8)
    expect(await cutSwitches(page)).toBe(0)
    await page.keyboard.press('k')
    await expect(page.getByRole('button', { name: 'Lower the floor (K)' })).toBeVisible()
    expect(await cutSwitches(page)).toBe(0)
    await page.keyboard.press('k')

    const { rig } = await (await request.get(`/api/rigs/${rigId}`)).json()
    const { controller } = rig.controllers
    const edit = {
      label: 'changeController',
      changes: [
        { table: 'controllers', id: 'controller', before: controller, after: { ...controller, rows: 4 } },
      ],
    }
    expect((await request.post(`/api/rigs/${rigId}/edits`, { data: { id: 'rows', edit } })).status()).toBe(
      200,
    )
    await page.reload()
    await expect(switches).toHaveCount(16)
    expect(await cutSwitches(page)).toBe(0)
    await page.keyboard.press('k')
    await expect(page.getByRole('button', { name: 'Lower the floor (K)' })).toBeVisible()
    expect(await cutSwitches(page)).toBe(0)
  })

const VIEWS = [
  'rig',
  'charts',
  'sounds',
  'switches',
  'pedals',
  'tempo',
  'show',
  'proof',
  'keyin',
  'stage',
  'logbook',
] as const

for (const { name, width, height } of [
  { name: 'at 200 %', width: 640, height: 400 },
  { name: 'on a phone held sideways', width: 844, height: 390 },
  { name: 'on a small phone held sideways', width: 667, height: 375 },
])
  test(`${name} the view has most of the height, and the floor is a line that is stepped on`, async ({
    page,
    rigId,
  }) => {
    await page.setViewportSize({ width, height })
    await openView(page, rigId, VIEWS[0])
    for (const view of VIEWS) {
      await goTo(page, view)
      const floor = (await page.getByRole('region', { name: 'Floor' }).boundingBox())!
      const main = (await page.getByRole('main').first().boundingBox())!
      // What is seen of the view before anything is scrolled.
      expect(Math.min(floor.y, main.y + main.height) - main.y).toBeGreaterThanOrEqual(0.6 * height)
      expect(await cutSwitches(page)).toBe(0)
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
      ).toBeLessThanOrEqual(1)
    }
    await page.getByRole('button', { name: /^Step on switch 2/ }).click()
    await page.getByRole('button', { name: 'Raise the floor (K)' }).click()
    await expect(page.getByRole('button', { name: 'Lower the floor (K)' })).toBeInViewport()
    await page.getByRole('button', { name: 'Lower the floor (K)' }).click()
    await expect(page.getByRole('button', { name: 'Raise the floor (K)' })).toBeInViewport()
  })
