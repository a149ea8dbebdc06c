import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { boardOf } from '../keyin/keyPlaces'
import type { Content } from '../keyin/content'
import { keepHeard } from '../keyin/keyInEdits'
import { pressPanel, startPanel } from '../keyin/panel'
import { boxOfController } from '../keyin/sheet'
import { toldSheet } from '../keyin/told'
import { applyEdit } from '../rig/applyEdit'
import type { Rig } from '../rig/rig'
import type { KeyInId } from '../rig/table/keyIn'
import { gesturesOf, sentBy } from './gestures'
import { heardHoldings } from './heardHoldings'
import { makeListeningRig } from './testing/makeListeningRigs'
import { slipsOf, standInOf } from './simulatedController'
import { judgeBoard, type Take } from './verdict'

const controllerOf = (rig: Rig) => Object.values(rig.controllers)[0]!
const takesOf = (plan: Rig, held: Rig): Take[] =>
  gesturesOf(plan, controllerOf(plan)).map((gesture) => ({ gesture, sent: sentBy(held, gesture) }))

function kept(rig: Rig, takes: readonly Take[]): Rig {
  const controller = controllerOf(rig)
  let made = 0
  const edit = keepHeard(
    rig,
    controller,
    heardHoldings(rig, controller, judgeBoard(rig, controller, takes)),
    {
      revision: 1,
      at: '2026-11-01T10:00:00.000Z',
      newId: () => `heard-${++made}` as KeyInId,
    },
  )
  const after = edit && applyEdit(rig, edit)
  if (!after?.ok) throw new Error(JSON.stringify(after))
  return after.value
}

describe('a controller with slips', () => {
  it('heard, then keyed in as the sheet says, plays the plan', () => {
    let mended = 0
    for (const seed of seeds(60)) {
      const plan = makeListeningRig(seed)
      const controller = controllerOf(plan)
      // What really stands in the box.
      const truth = slipsOf(boardOf(plan, controller))
      const rig = kept(plan, takesOf(plan, standInOf(plan, controller, 'slips')))
      const box = boxOfController(rig, controller)
      const sheet = toldSheet(rig, controller.id)!
      const stored = new Map<string, Content>()
      for (const [key, content] of truth) if (content) stored.set(key, content)
      let panel = { ...startPanel(stored), ...(sheet.lines[0] && { chosen: sheet.lines[0].from }) }
      for (const line of sheet.lines) {
        mended++
        for (const { strokes } of line.steps)
          for (const { times, ...press } of strokes)
            for (let n = 0; n < times; n++) panel = pressPanel(box, panel, press)
      }
      for (const { key, content } of boardOf(plan, controller))
        expect([seed, key, panel.stored.get(key)]).toEqual([seed, key, content])
    }
    expect(mended).toBeGreaterThan(runs(150))
  })

  it('is not called right where it was not heard whole', () => {
    const plan = makeListeningRig(4)
    const controller = controllerOf(plan)
    const takes = takesOf(plan, plan)
    const [first] = takes
    const others = takes.filter(({ gesture }) => gesture.switchId !== first!.gesture.switchId)
    const rig = kept(plan, others)
    expect(toldSheet(rig, controller.id)!.lines.map(({ unit }) => unit!.switchId)).toContain(
      first!.gesture.switchId,
    )
  })

  it('as it is keyed in so far, sends nothing where nothing was keyed in', () => {
    const plan = makeListeningRig(7)
    const controller = controllerOf(plan)
    const empty = standInOf(plan, controller, 'keyedIn')
    for (const gesture of gesturesOf(plan, controller)) expect(sentBy(empty, gesture)).toEqual([])
    const rig = kept(plan, takesOf(plan, plan))
    const full = standInOf(rig, controller, 'keyedIn')
    for (const gesture of gesturesOf(rig, controller))
      expect(sentBy(full, gesture).map(({ hex }) => hex)).toEqual(sentBy(rig, gesture).map(({ hex }) => hex))
  })
})
