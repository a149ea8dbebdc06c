// What the page itself spends on a rename and on a step, on the demo and on a full board: CPU time of its main thread.
import { fileURLToPath } from 'node:url'
import { bundle } from '../scripts/bundle.mjs'
import { withDemo } from '../scripts/serverForTools.mjs'

const PRESSES = 60
const RENAMES = 25
const percentile = (numbers, share) =>
  numbers.toSorted((a, b) => a - b)[Math.floor((numbers.length - 1) * share)]

/**
 * Runs inside the page. `measured` does one thing as the player would; `own` is how long the page itself worked on it,
 * in ms: scripts, and the styles and layout they made necessary. `longest` is the longest time in the quarter of
 * a second after in which the page could do nothing else, saving and painting included.
 */
function inPage() {
  const turn = () =>
    new Promise((resolve) => {
      const { port1, port2 } = new MessageChannel()
      port1.onmessage = resolve
      port2.postMessage(null)
    })
  const acts = {
    press: (value) => {
      const keys = { key: value, code: `Digit${value}`, bubbles: true }
      document.body.dispatchEvent(new KeyboardEvent('keydown', keys))
      document.body.dispatchEvent(new KeyboardEvent('keyup', keys))
    },
    rename: (value) => {
      const input = document.querySelector('aside .field input')
      input.value = value
      input.dispatchEvent(new Event('input', { bubbles: true }))
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
    },
  }
  acts.cell = (value) => {
    const input = document.querySelector('.editor input')
    input.value = value
    input.dispatchEvent(new Event('input', { bubbles: true }))
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
  }
  window.measured = async (kind, value, isWatched) => {
    const began = performance.now()
    acts[kind](value)
    // Vue draws in a microtask; asking for a height makes styles and layout be worked out now.
    for (let n = 0; n < 20; n++) await null
    void document.body.offsetHeight
    const own = performance.now() - began
    // Watching makes work of its own, for the collector too: only where it is asked for.
    if (!isWatched) {
      await new Promise((resolve) => setTimeout(resolve, 80))
      return { own }
    }
    let [last, longest] = [performance.now(), own]
    while (performance.now() - began < 250) {
      await turn()
      const now = performance.now()
      longest = Math.max(longest, now - last)
      last = now
    }
    return { own, longest }
  }
}

async function measureOn(browser, url, rigId, name) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/rigs/${rigId}/switches`)
  await page.getByRole('button', { name: /^Step on switch 2/ }).waitFor()
  await page.evaluate(inPage)
  const repeat = async (times, kind, isWatched, valueOf) => {
    const all = []
    for (let n = 0; n < times; n++)
      all.push(await page.evaluate((args) => window.measured(...args), [kind, valueOf(n), isWatched]))
    // The first ones find nothing compiled yet.
    return all.slice(5)
  }
  const presses = await repeat(PRESSES + 5, 'press', false, (n) => String((n % 3) + 1))
  await page.getByRole('tablist', { name: 'Banks' }).getByRole('tab').first().click()
  await page.getByLabel('Name', { exact: true }).waitFor()
  const renames = await repeat(RENAMES + 5, 'rename', true, (n) => `Number ${n}`)
  const shown = await page.getByRole('tablist', { name: 'Banks' }).getByRole('tab').first().textContent()
  if (!shown.includes(`Number ${RENAMES + 4}`)) throw new Error(`The rename was not drawn: ${shown}`)
  await page.close()
  return { name, press: presses.map(({ own }) => own), rename: renames.map(({ longest }) => longest) }
}

/** From Enter in a cell to the row drawn anew, with all findings on sounds. */
async function measureCells(browser, url, rigId) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/rigs/${rigId}/sounds`)
  await page.getByRole('grid').focus()
  await page.evaluate(inPage)
  await page.keyboard.press('ArrowRight')
  const all = []
  for (let n = 0; n < 25; n++) {
    await page.keyboard.press('F2')
    await page.locator('.editor input').waitFor()
    all.push(await page.evaluate((value) => window.measured('cell', value, false), n % 2 ? '4' : '5'))
    await page.locator('.editor input').waitFor({ state: 'detached' })
  }
  await page.close()
  return all.slice(5).map(({ own }) => own)
}

export async function measureBoards() {
  const { default: file, soundFile } = await import(await bundle('bench/boardFile.ts'))
  await withDemo(3844, async (browser, url, demoId) => {
    const made = await fetch(`${url}/api/rigs/file`, { method: 'POST', body: file })
    const { id: boardId } = await made.json()
    const rows = [
      await measureOn(browser, url, demoId, 'demo'),
      await measureOn(browser, url, boardId, '100 banks x 10 switches x 16 messages'),
    ]
    const sounding = await fetch(`${url}/api/rigs/file`, { method: 'POST', body: soundFile })
    const cells = await measureCells(browser, url, (await sounding.json()).id)
    const figures = (all) =>
      `${percentile(all, 0.95).toFixed(1)} ms (median ${percentile(all, 0.5).toFixed(1)})`
    const side = (kind) => rows.map((row) => `${row.name} ${figures(row[kind])}`).join(' | ')
    console.log('\nThe page at work, 95 in 100 below')
    console.log(`  own work of a step, of 16 ms allowed: ${side('press')}`)
    console.log(`  an edited cell drawn, 200 sounds x 16 boxes, of 50 ms allowed: ${figures(cells)}`)
    console.log(`  longest block after a rename, of 50 ms allowed: ${side('rename')}`)
  })
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await measureBoards()
