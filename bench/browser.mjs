// What the first visit costs: JavaScript over the wire, and the time from opening to the first step drawn.
import { withDemo } from '../scripts/serverForTools.mjs'

const RUNS = 5
const median = (numbers) => numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)]

async function visit(browser, address) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  const session = await context.newCDPSession(page)
  await session.send('Network.enable')
  const scripts = new Set()
  let bytes = 0
  session.on('Network.responseReceived', ({ requestId, type, response }) => {
    if (type === 'Script' || /\.js(\?|$)/.test(response.url)) scripts.add(requestId)
  })
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength
  })
  const opened = performance.now()
  await page.goto(address)
  await page.getByRole('button', { name: /^Step on switch 2/ }).waitFor()
  const usable = performance.now() - opened
  // From the key event to the first frame drawn after it, measured inside the page.
  const press = await page.evaluate(
    () =>
      new Promise((resolve) => {
        addEventListener(
          'keydown',
          () => {
            const began = performance.now()
            requestAnimationFrame(() => requestAnimationFrame(() => resolve(performance.now() - began)))
          },
          { once: true, capture: true },
        )
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '2', code: 'Digit2', bubbles: true }))
      }),
  )
  const shown = await page.getByRole('status', { name: 'Bytes sent' }).textContent()
  if (!shown?.startsWith('C0 07')) throw new Error(`The press was not drawn: ${shown}`)
  await page.waitForLoadState('networkidle')
  await context.close()
  return { bytes, usable, press }
}

await withDemo(3842, async (browser, url, rigId) => {
  const visits = []
  for (let n = 0; n < RUNS; n++) visits.push(await visit(browser, `${url}/rigs/${rigId}/switches`))
  const kilobytes = median(visits.map(({ bytes }) => bytes)) / 1000
  console.log(`\nFirst visit, median of ${RUNS}`)
  console.log(`  JavaScript sent (as compressed on the wire): ${kilobytes.toFixed(1)} kB of 250 allowed`)
  console.log(
    `  from opening to a floor that can be stepped on: ${median(visits.map(({ usable }) => usable)).toFixed(0)} ms`,
  )
  console.log(`  from key to drawn: ${median(visits.map(({ press }) => press)).toFixed(1)} ms of 100 allowed`)
})
