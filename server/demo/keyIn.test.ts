import { describe, expect, it } from 'vitest'
import { own } from '#core/base'
import {
  boardOf,
  boxOfController,
  heldIn,
  pressPanel,
  setKeying,
  startPanel,
  toldSheet,
  USUAL_KEYINGS,
  type Content,
  type Panel,
  type Stroke,
} from '#core/keyin'
import { applyEdit, type Controller, type Keying, type Rig } from '#core/rig'
import { tidewright } from './tidewright'

const demo = tidewright()
const controllerOf = (rig: Rig): Controller => own(rig.controllers, 'controller')!

function inManner(rig: Rig, manner: Keying['manner']): Rig {
  const after = applyEdit(rig, setKeying(rig, controllerOf(rig).id, USUAL_KEYINGS[manner])!)
  if (!after.ok) throw new Error(JSON.stringify(after.refusal))
  return after.value
}

/** What stands in the controller of the demo: where nobody knows, something else than was planned. */
function standing(rig: Rig): Map<string, Content> {
  const held = new Map<string, Content>()
  const some = boardOf(rig, controllerOf(rig)).find(
    ({ content }) => content.lists[0]!.rows.length > 2,
  )!.content
  for (const [key, { content }] of heldIn(rig, controllerOf(rig))) held.set(key, content ?? some)
  return held
}

describe.each(Object.keys(USUAL_KEYINGS) as Keying['manner'][])('the demo keyed in by "%s"', (manner) => {
  it.each([
    ['from nothing', { ...demo, keyIns: {} }],
    ['half of it', demo],
  ])('leaves the planned board with the promised presses, %s', (_, from) => {
    const rig = inManner(from, manner)
    const controller = controllerOf(rig)
    const box = boxOfController(rig, controller)
    const sheet = toldSheet(rig, controller.id)!
    expect(sheet.isLeast).not.toBeNull()
    let panel: Panel = { ...startPanel(standing(rig)), chosen: sheet.lines[0]!.from }
    const play = (strokes: readonly Stroke[]) => {
      for (const { times, ...press } of strokes)
        for (let n = 0; n < times; n++) panel = pressPanel(box, panel, press)
    }
    for (const line of sheet.lines) {
      const before = panel.presses
      for (const { strokes } of line.steps) play(strokes)
      expect(panel.presses - before).toBe(line.presses)
    }
    play(sheet.end)
    expect(panel.presses).toBe(sheet.presses)
    for (const { key, content } of boardOf(rig, controller))
      expect([key, panel.stored.get(key)]).toEqual([key, content])
  })
})

describe('the demo', () => {
  it('is half keyed in, its first bank verified by listening, with a place changed since and one nobody is sure of', () => {
    const sheet = toldSheet(demo, 'controller')!
    const all = boardOf(demo, controllerOf(demo)).length
    expect(sheet.lines.length + sheet.right.length).toBe(all)
    expect(sheet.right.length).toBeGreaterThan(all / 3)
    expect(sheet.lines.length).toBeGreaterThan(all / 3)
    const heard = sheet.right.filter(({ keyIn }) => keyIn.how === 'heard')
    expect(heard.length).toBeGreaterThan(5)
    expect(heard.every(({ key }) => key.startsWith('s/0/'))).toBe(true)
    expect(sheet.lines.filter(({ key }) => key.startsWith('s/1/') || key.startsWith('s/2/'))).toHaveLength(2)
  })

  it('has nothing that cannot be keyed in, by any but the digits, which say no large numbers', () => {
    for (const manner of Object.keys(USUAL_KEYINGS) as Keying['manner'][]) {
      const { unsaid } = toldSheet(inManner(demo, manner), 'controller')!
      if (manner !== 'digits') expect(unsaid).toEqual([])
    }
  })
})
