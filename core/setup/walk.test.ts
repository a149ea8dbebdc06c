import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { addController, addDevice, duplicateDevice } from '../archetype/addBox'
import { CONTROLLERS, DEVICES } from '../archetype/archetypes'
import { freeSpot, spots } from '../map/spots'
import { tidy } from '../map/tidy'
import { linesOf, routeLines } from '../map/cableWay'
import { takeChart } from '../chart/takeChart'
import { findings } from '../check/findings'
import { formatRigFile, parseRigFile } from '../rig/file/rigFile'
import { spreadChannels } from '../rig/channels'
import { applyEdit } from '../rig/applyEdit'
import { invertEdit, type Edit } from '../rig/edit'
import { layCable } from '../rig/edits/layCable'
import { plugChoices } from '../rig/edits/plugChoices'
import { removeRow } from '../rig/edits/removeRow'
import { setRole } from '../rig/edits/setJack'
import { isFree } from '../rig/edits/suggestCable'
import { boxes } from '../rig/cabling/link'
import { rigProblems } from '../rig/integrity'
import { emptyRig, type Rig } from '../rig/rig'
import { checklist } from './checklist'
import { guide } from './guide'
import { toggleTick } from './ticks'

/** What a player may do next; `n` picks among what there is. */
const STEPS: Readonly<Record<string, (rig: Rig, n: number, id: string) => Edit | null>> = {
  addController: (rig, n, id) => addController(rig, pick(CONTROLLERS, n)!, id as never, freeSpot(rig)),
  addDevice: (rig, n, id) =>
    addDevice(rig, pick(DEVICES, n)!, { device: id as never, cable: `c-${id}` as never }, freeSpot(rig)),
  duplicate: (rig, n, id) => {
    const source = pick(Object.values(rig.devices), n)
    return source ? duplicateDevice(rig, source, { device: id as never }, freeSpot(rig)) : null
  },
  removeDevice: (rig, n) => {
    const device = pick(Object.values(rig.devices), n)
    return device ? removeRow(rig, 'removeDevice', 'devices', device.id) : null
  },
  removeCable: (rig, n) => {
    const cable = pick(Object.values(rig.cables), n)
    return cable ? removeRow(rig, 'removeCable', 'cables', cable.id) : null
  },
  layCable: (rig, n, id) => {
    const jacks = boxes(rig).flatMap((box) =>
      box.ports.filter((port) => isFree(rig, box.id, port)).map((port) => ({ box, port })),
    )
    const from = pick(jacks, n)
    const choice = from && pick(plugChoices(rig, from.box.id, from.port.id), n)
    return choice ? layCable(rig, { ...choice.cable, id: `l-${id}` as never }) : null
  },
  setRole: (rig, n) => {
    const jacks = boxes(rig).flatMap((box) =>
      box.ports.filter(({ roles }) => roles.length > 1).map((port) => ({ box, port })),
    )
    const jack = pick(jacks, n)
    return jack
      ? setRole(rig, jack.box.id, jack.port.id, (jack.port.role + 1) % jack.port.roles.length)
      : null
  },
  spread: (rig) => {
    const spread = spreadChannels(rig)
    return spread.ok ? spread.value : null
  },
  tidy: (rig) => tidy(rig),
  fix: (rig, n) =>
    pick(
      findings(rig).flatMap(({ fix }) => fix ?? []),
      n,
    ) ?? null,
  chart: (rig, n, id) => {
    const device = pick(Object.values(rig.devices), n)
    const reading = { kind: 'switch', isStrict: false } as const
    const draft = {
      name: 'On',
      section: '',
      note: '',
      address: { kind: 'cc', number: (n % 128) as never },
      reading,
    } as const
    return device ? takeChart(rig, device.id, [draft], () => `k-${id}` as never) : null
  },
  tick: (rig, n, id) => {
    const line = pick(checklist(rig), n)
    return line
      ? toggleTick(rig, line, { newId: `t-${id}` as never, revision: n, at: '2026-11-24T20:00:00.000Z' })
      : null
  },
}

const pick = <Item>(items: readonly Item[], n: number): Item | undefined =>
  items[n % Math.max(1, items.length)]

const walk = fc.array(fc.tuple(fc.constantFrom(...Object.keys(STEPS)), fc.nat(1000)), {
  minLength: 1,
  maxLength: 25,
})

function done(rig: Rig, edit: Edit): Rig {
  const applied = applyEdit(rig, edit)
  if (!applied.ok) throw new Error(`${edit.label}: ${JSON.stringify(applied.refusal)}`)
  return applied.value
}

/** A rig nobody has asked anything about: no answer is kept from before. */
const unknown = (rig: Rig): Rig => structuredClone(rig)

describe('whatever a player does in the Rig view', () => {
  it('what is found after an edit is what a fresh look at the whole rig finds', () => {
    fc.assert(
      fc.property(walk, (steps) => {
        let rig = emptyRig('Walk')
        steps.forEach(([step, n], at) => {
          const edit = STEPS[step]!(rig, n, `x${at}`)
          if (edit) rig = done(rig, edit)
          expect(findings(rig)).toEqual(findings(unknown(rig)))
        })
      }),
      generated(60, 78),
    )
  })

  it('every edit is taken, leaves a sound rig, and undoes to the rig before', () => {
    fc.assert(
      fc.property(walk, (steps) => {
        let rig = emptyRig('Walk')
        steps.forEach(([step, n], at) => {
          const edit = STEPS[step]!(rig, n, `x${at}`)
          if (!edit) return
          const after = done(rig, edit)
          expect(rigProblems(after)).toEqual([])
          expect(done(after, invertEdit(edit))).toEqual(rig)
          rig = after
        })
        expect(parseRigFile(formatRigFile(rig))).toEqual({ ok: true, value: rig })
      }),
      generated(120, 75),
    )
  })

  it('checks, checklist, map and guide have an answer for every rig', () => {
    fc.assert(
      fc.property(walk, (steps) => {
        const rig = steps.reduce((now, [step, n], at) => {
          const edit = STEPS[step]!(now, n, `x${at}`)
          return edit ? done(now, edit) : now
        }, emptyRig('Walk'))
        const found = findings(rig)
        for (const { about } of found) expect(Object.hasOwn(rig[about.table], about.id)).toBe(true)
        expect(new Set(checklist(rig).map(({ key }) => key)).size).toBe(checklist(rig).length)
        const lines = linesOf(rig, () => true)
        expect(routeLines(spots(rig), lines)).toHaveLength(lines.length)
        for (const device of Object.values(rig.devices)) {
          const { ask, verdict } = guide(rig, found, device.id, {})
          expect((ask === null) !== (verdict === null)).toBe(true)
        }
      }),
      generated(80, 76),
    )
  })

  it('a fix never makes the finding it is for come back at once', () => {
    fc.assert(
      fc.property(walk, (steps) => {
        const rig = steps.reduce((now, [step, n], at) => {
          const edit = STEPS[step]!(now, n, `x${at}`)
          return edit ? done(now, edit) : now
        }, emptyRig('Walk'))
        for (const finding of findings(rig)) {
          if (!finding.fix) continue
          const after = findings(done(rig, finding.fix))
          expect(after).not.toContainEqual(finding)
        }
      }),
      generated(80, 77),
    )
  })
})
