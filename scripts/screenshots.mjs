// One picture of every main view, from the demo, for docs/screenshots.
import { join } from 'node:path'
import { ensureBuilt, ensureChromium, ensureInstalled, root } from './prepare.mjs'

ensureInstalled()
ensureChromium()
ensureBuilt()
const { withDemo } = await import('./serverForTools.mjs')

const chorus = async (page) => {
  await page.keyboard.press('2')
  await page
    .getByRole('main')
    .getByRole('button', { name: /Chorus, drive/ })
    .click()
}
const echo = async (page) => {
  await page.keyboard.press('3')
  await page
    .getByRole('list', { name: 'On the floor' })
    .getByRole('button', { name: /^Tape echo/ })
    .click()
}
const mix = async (page) => {
  await page.keyboard.press('3')
  await page.getByRole('tab', { name: /^Hall reverb/ }).click()
  await page.keyboard.press('/')
  await page.keyboard.insertText('reverb mix 35 %')
  await page.getByRole('option').first().waitFor()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Send it and see' }).click()
}
const cell = async (page) => {
  await page.getByRole('rowheader', { name: /^Storm solo/ }).click()
  await page.keyboard.press('F8')
  await page.getByRole('gridcell').filter({ hasText: 'B4 Dotted eighth' }).first().click()
}
/** A lamp that can lie, with the steps that show it and what mends it. */
const proven = async (page) => {
  await page.getByRole('button', { name: /The lamp of Freeze/ }).click({ timeout: 120_000 })
  await page.getByRole('button', { name: 'Keep this lamp dark' }).waitFor({ timeout: 120_000 })
}
/** A line that is a copy, played on the front panel to where it is amended. */
const keyed = async (page) => {
  await page
    .getByRole('button', { name: /^Switch 3.*Copy of bank 5, switch/ })
    .first()
    .click({ timeout: 60_000 })
  await page.getByRole('button', { name: /^Play / }).click()
  await page.waitForTimeout(5000)
}
/** A line of the logbook chosen among three weeks of them. */
const log = async (page) => {
  await page
    .getByRole('list', { name: 'Logbook' })
    .getByRole('button', { name: /Sent back/ })
    .click()
}
/** What has changed since a version. */
const history = async (page) => {
  await page.getByRole('tab', { name: 'History' }).click()
  await page.getByRole('list', { name: 'Revisions' }).hover()
  await page.mouse.wheel(0, 900)
  await page.getByRole('button', { name: /18 Change preset/ }).click()
  await page.getByText('From it to now').click()
  await page.getByText('Nothing to key in for it.').or(page.getByText('Keys to press:')).waitFor()
}
/** A lamp made to lie, the clock slowed, the last seconds on their axis. */
const lie = async (page) => {
  await page.keyboard.press('k')
  for (const key of ['5', '4', '1', '4']) {
    await page.keyboard.press(key, { delay: 60 })
    await page.waitForTimeout(300)
  }
  await page.getByRole('combobox', { name: 'Speed of the floor' }).click()
  await page.getByRole('option', { name: '1/50' }).click()
  await page.evaluate(() => document.activeElement.blur())
  await page.getByRole('tab', { name: 'Minute' }).click()
  await page.evaluate(() => document.activeElement.blur())
  await page.keyboard.press('4', { delay: 60 })
  await page.waitForTimeout(800)
  for (let n = 0; n < 3; n++) await page.getByRole('button', { name: 'Show more time' }).click()
}
/** A new floor, three boxes picked. */
const first = async (page) => {
  await page.getByLabel('Name of the new rig').fill('Sea shanty trio')
  await page.getByRole('button', { name: 'Build it', exact: true }).click()
  await page.getByText('Eight-switch controller', { exact: true }).click()
  for (const name of ['Preamp', 'Delay', 'Reverb'])
    await page.getByRole('button', { name, exact: true }).first().click()
}
/** The cross-fade of the left foot half way, one of its targets chosen. */
const fade = async (page) => {
  await page.getByRole('tab', { name: 'Left foot' }).click()
  await page.getByRole('button', { name: 'Storm', exact: true }).click()
  await page.getByRole('group', { name: 'Targets of this role' }).getByRole('button').first().click()
  await page.getByRole('slider', { name: 'Foot on Left foot' }).focus()
  for (let n = 0; n < 4; n++) await page.keyboard.press('PageUp')
  await page.evaluate(() => document.activeElement.blur())
}
/** Six taps a little slower than the song, and the clock running. */
const taps = async (page) => {
  await page.getByRole('tab', { name: 'Clock' }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await page.getByRole('tab', { name: 'Beat' }).click()
  for (let n = 0; n < 6; n++) {
    await page.keyboard.press('b')
    await page.waitForTimeout(636)
  }
  await page.evaluate(() => document.activeElement.blur())
}
/** A loop recorded, then held by mistake: what that overdubbed is shown. */
const parts = async (page) => {
  await page
    .getByRole('button', { name: /^Storm solo/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Step on it' }).click()
  await page.evaluate(() => document.activeElement.blur())
  await page.waitForTimeout(1500)
}
const board = async (page) => {
  await page.getByRole('tab', { name: 'Lay the board out' }).click()
  await page.getByRole('button', { name: 'Look for a better board' }).click()
  await page.getByRole('button', { name: /^Move all/ }).waitFor({ timeout: 120_000 })
}
/** A desk that goes through the show, and a screen that follows it. */
const follow = async (page) => {
  const desk = await page.context().browser().newPage()
  await desk.goto(page.url().replace(/\/stage\/(.*)$/, '/rigs/$1/show'))
  await desk.getByRole('button', { name: 'Next part', exact: true }).click()
  await desk.waitForTimeout(1500)
  await desk.getByRole('button', { name: 'Next part', exact: true }).click()
  await desk.waitForTimeout(1500)
  await desk.close()
}
/** A round under way, after a step on another sound than the one called. */
const practise = async (page) => {
  await page.getByRole('tab', { name: 'Practice' }).click()
  await page.getByRole('group', { name: 'Sounds are called' }).getByText('in the show’s order').click()
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await page.keyboard.press('6', { delay: 60 })
}
const none = async () => {}
const PICTURES = [
  {
    name: 'rigs',
    at: '/rigs',
    theme: 'light',
    work: none,
    ready: (page) => page.getByText('Save all-rigs.zip'),
  },
  { name: 'switches', path: 'switches', theme: 'light', work: chorus },
  { name: 'floor', path: 'switches', theme: 'light', work: lie },
  { name: 'rig', path: 'rig', theme: 'light', work: echo },
  { name: 'charts', path: 'charts', theme: 'light', work: mix },
  { name: 'phone', path: 'switches', theme: 'stage', work: none, size: { width: 390, height: 844 } },
  // A window at 200 %: the floor is a line of keys.
  { name: 'low', path: 'proof', theme: 'light', work: none, size: { width: 640, height: 400 } },
  { name: 'sounds', path: 'sounds', theme: 'light', work: cell },
  { name: 'pedals', path: 'pedals', theme: 'light', work: fade },
  { name: 'tempo', path: 'tempo', theme: 'light', work: taps },
  { name: 'proof', path: 'proof', theme: 'light', work: proven },
  { name: 'keyin', path: 'keyin', theme: 'light', work: keyed },
  { name: 'logbook', path: 'logbook', theme: 'light', work: log },
  { name: 'history', path: 'logbook', theme: 'light', work: history },
  { name: 'setlist', path: 'show', theme: 'light', work: parts },
  { name: 'setlist-board', path: 'show', theme: 'light', work: board },
  {
    name: 'stage',
    at: (rigId) => `/stage/${rigId}`,
    theme: 'stage',
    work: follow,
    ready: (page) => page.getByText('Leave the stage'),
    size: { width: 1180, height: 820 },
  },
  { name: 'stage-practice', path: 'stage', theme: 'light', work: practise },
  // Last: it makes a rig of its own.
  {
    name: 'rig-first',
    at: '/rigs',
    theme: 'light',
    work: first,
    ready: (page) => page.getByText('Save all-rigs.zip'),
  },
]

/** All, or those named: npm run screenshots -- stage phone. */
const only = process.argv.slice(2)
await withDemo(3843, async (browser, url, rigId) => {
  const wanted = PICTURES.filter(({ name }) => only.length === 0 || only.includes(name))
  for (const { name, path, at, theme, work, ready, size } of wanted) {
    const page = await browser.newPage({ viewport: size ?? { width: 1280, height: 800 } })
    await page.addInitScript((value) => localStorage.setItem('wire-step/theme', value), theme)
    await page.goto(url + (typeof at === 'function' ? at(rigId) : (at ?? `/rigs/${rigId}/${path}`)))
    await (ready?.(page) ?? page.getByRole('region', { name: 'Floor' })).waitFor()
    await work(page)
    await page.mouse.move(0, 0)
    await page.waitForTimeout(600)
    await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) })
    await page.close()
    console.log(`docs/screenshots/${name}.png`)
  }
})
