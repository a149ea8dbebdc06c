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
const tab = (name) => async (page) => {
  await page.keyboard.press('3')
  await page.getByRole('tab', { name }).click()
}
const PICTURES = [
  { name: 'switches', path: 'switches', theme: 'light', work: chorus },
  { name: 'switches-stage', path: 'switches', theme: 'stage', work: chorus },
  { name: 'rig', path: 'rig', theme: 'light', work: echo },
  { name: 'rig-stage', path: 'rig', theme: 'stage', work: echo },
  { name: 'rig-checklist', path: 'rig', theme: 'light', work: tab('Before the first stomp') },
  { name: 'rig-channels', path: 'rig', theme: 'light', work: tab('Channels') },
  { name: 'rig-power', path: 'rig', theme: 'light', work: tab('Power') },
  { name: 'rig-controller', path: 'rig', theme: 'light', work: tab('Which controller') },
]

await withDemo(3843, async (browser, url, rigId) => {
  for (const { name, path, theme, work } of PICTURES) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript((value) => localStorage.setItem('wire-step/theme', value), theme)
    await page.goto(`${url}/rigs/${rigId}/${path}`)
    await page.getByRole('region', { name: 'Floor' }).waitFor()
    await work(page)
    await page.mouse.move(0, 0)
    await page.waitForTimeout(600)
    await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) })
    await page.close()
    console.log(`docs/screenshots/${name}.png`)
  }
})
