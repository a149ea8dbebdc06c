import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import type { Rig } from '../rig/rig'
import type { Controller } from '../rig/table/controller'
import { MANNERS } from '../rig/table/keying'
import { rigsWithTime } from '../simulate/testing/makeFloors'
import { boardOf, placeName, placeOfKey } from './keyPlaces'
import { USUAL_KEYINGS } from './manners/manners'
import { pressPanel, startPanel, type Panel } from './panel'
import type { Stroke } from './setting'
import { boxOfController } from './sheet'
import { toldSheet } from './told'

const controllerOf = (rig: Rig): Controller => Object.values(rig.controllers)[0]!

/** Generated rigs on boxes of every kind: with few banks or places, no display, no shift layer, kept macros. */
const rigs = fc
  .tuple(
    rigsWithTime,
    fc.record({
      keying: fc.constantFrom(...MANNERS).map((manner) => USUAL_KEYINGS[manner]),
      hasShift: fc.boolean(),
      labelLength: fc.constantFrom(null, 3, 12),
      bankCount: fc.constantFrom(1, 2, 128),
      columns: fc.constantFrom(1, 2, 4),
      rows: fc.constantFrom(1, 2),
      macros: fc.constantFrom(0, 5),
      messagesPerEvent: fc.constantFrom(1, 3, 16),
      keepsShow: fc.boolean(),
    }),
  )
  .map(([rig, fields]): Rig => {
    const controller = { ...controllerOf(rig), ...fields }
    return { ...rig, controllers: { [controller.id]: controller } }
  })

describe('the sheet of a rig', () => {
  it('played on the panel leaves what the board says, over generated rigs and boxes', () => {
    let lines = 0
    for (const rig of fc.sample(rigs, generated(250, 1127))) {
      const controller = controllerOf(rig)
      const box = boxOfController(rig, controller)
      const sheet = toldSheet(rig, controller.id)!
      let panel: Panel = startPanel()
      const play = (strokes: readonly Stroke[]) => {
        for (const { times, ...press } of strokes)
          for (let n = 0; n < times; n++) panel = pressPanel(box, panel, press)
      }
      for (const { steps } of sheet.lines) for (const { strokes } of steps) play(strokes)
      play(sheet.end)
      lines += sheet.lines.length
      expect(panel.presses).toBe(sheet.presses)
      const board = boardOf(rig, controller)
      for (const { key, content, left } of board) {
        const held = panel.stored.get(key)
        // Where nothing of a place can be keyed in there is nothing to hold, and the sheet says so.
        if (held) expect([key, held]).toEqual([key, content])
        else
          expect(
            content.lists.every(({ rows }) => rows.length === 0) &&
              (left.length > 0 || content.settings !== null),
          ).toBe(true)
      }
      for (const { key, place } of board) {
        expect(placeName(place)).toBe(key)
        expect(placeOfKey(rig, controller, key)).toEqual(place)
      }
      const told = new Set(sheet.unsaid.map(({ key }) => key))
      for (const { key, left, over } of board) expect(told.has(key)).toBe(left.length > 0 || over > 0)
    }
    expect(lines).toBeGreaterThan(runs(500))
  })
})
