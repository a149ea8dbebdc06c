// What a drag of a curve's point costs: from the pointer's move to the drawing being done, CPU time of the page.
import { withDemo } from '../scripts/serverForTools.mjs'

const MOVES = 120
const percentile = (numbers, share) =>
  numbers.toSorted((a, b) => a - b)[Math.floor((numbers.length - 1) * share)]

await withDemo(3843, async (browser, url, rigId) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/rigs/${rigId}/pedals`)
  await page.getByRole('tab', { name: 'Left foot' }).click()
  await page.getByRole('group', { name: 'Targets of this role' }).getByRole('button').first().click()
  const point = page.getByRole('slider', { name: /^Point 2 of the curve/ })
  await point.waitFor()
  const times = await point.evaluate(async (grip, count) => {
    const box = grip.getBoundingClientRect()
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    const send = (type, clientX, clientY) =>
      grip.dispatchEvent(
        new PointerEvent(type, { clientX, clientY, buttons: 1, button: 0, pointerId: 1, bubbles: true }),
      )
    grip.setPointerCapture = () => {}
    send('pointerdown', x, y)
    const all = []
    for (let n = 0; n < count; n++) {
      const before = grip.getAttribute('aria-valuenow')
      const began = performance.now()
      send('pointermove', x + (n % 40), y - (n % 60))
      for (let turn = 0; turn < 20; turn++) await null
      void document.body.offsetHeight
      all.push(performance.now() - began)
      if (n === 30 && before === grip.getAttribute('aria-valuenow')) throw new Error('Nothing was drawn')
      await new Promise((resolve) => requestAnimationFrame(resolve))
    }
    return all.slice(10)
  }, MOVES)
  console.log(
    `\nA curve's point dragged: drawn after ${percentile(times, 0.5).toFixed(1)} ms (median), ${percentile(times, 0.95).toFixed(1)} ms (p95), of a frame of 16.7`,
  )
})
