import { own } from '#core/base'
import { perTables, type Key, CABLING, type Rig, type Controller, type KeyIn } from '#core/rig'
import { COMPILE_KEYS } from '#core/switching'
import { amendSteps, type KeyStep } from './amending'
import {
  boardOf,
  capacityOf,
  emptyAt,
  isEmptyAt,
  placeName,
  placeOfKey,
  placesOf,
  shapeOf,
  type Place,
  type Unit,
} from './keyPlaces'
import { sameContent, switchLists, type Content } from './content'
import { heldIn } from './held'
import { canHold, rowFields, type Row, type RowShape } from './rows'
import { pressesIn, type Stroke } from './setting'
import { openStrokes, routeOf, type RouteProof, type RouteStep } from './visits'
import type { Base, Job } from './visitWeights'
import { choicesOf, NOWHERE, type Box, type Choices } from './ways'

/** One place to key in, with what it is made from. */
export interface SheetLine {
  readonly key: string
  readonly place: Place
  /** Null where the plan has nothing there, and something must go. */
  readonly unit: Unit | null
  readonly wanted: Content
  readonly base: Base
  readonly presses: number
  readonly seconds: number
  readonly steps: readonly KeyStep[]
  /** What was chosen last before it: the bank the controller is in. */
  readonly from: Choices
}

/** All that a controller must still be told. */
export interface Sheet {
  readonly box: Box
  readonly lines: readonly SheetLine[]
  /** Pressed at the very end, where everything is sent at once. */
  readonly end: readonly Stroke[]
  readonly presses: number
  readonly seconds: number
  /** Places that hold what they should already. */
  readonly right: readonly { readonly key: string; readonly place: Place; readonly keyIn: KeyIn }[]
  /** Places of which a part cannot be keyed in there, or has no room. */
  readonly unsaid: readonly Unit[]
  readonly proof: RouteProof | null
}

/** The box of a controller as its keys see it. */
export const boxOfController = (rig: Rig, controller: Controller): Box => ({
  shape: shapeOf(rig, controller),
  places: placesOf(rig, controller),
})

/** What decides a sheet. */
const SHEET_KEYS: readonly Key[] = [...COMPILE_KEYS, ...CABLING, 'switches', 'banks', 'keyIns']

/** The sheet of a controller; null where there is no such controller. */
export const sheetOf = (rig: Rig, controllerId: string): Sheet | null =>
  own(rig.controllers, controllerId) ? sheets(rig)(controllerId) : null

const sheets = perTables(SHEET_KEYS, (rig: Rig) => {
  const made = new Map<string, Sheet>()
  return (id: string): Sheet => {
    const known = made.get(id)
    if (known) return known
    const sheet = sheetFor(rig, own(rig.controllers, id)!)
    made.set(id, sheet)
    return sheet
  }
})

function sheetFor(rig: Rig, controller: Controller): Sheet {
  const box = boxOfController(rig, controller)
  const held = heldIn(rig, controller)
  const units = new Map(boardOf(rig, controller).map((unit) => [unit.key, unit]))
  const jobs: Job[] = []
  const others: [Place, Content][] = []
  const right: Sheet['right'][number][] = []
  for (const key of new Set([...units.keys(), ...held.keys()])) {
    const unit = units.get(key) ?? null
    const keyIn = held.get(key)
    const place = unit?.place ?? placeOfKey(rig, controller, key)
    if (!place) continue
    const wanted = unit?.content ?? emptyAt(box.shape, place)
    const was = keyIn ? knownContent(box.shape, place, keyIn.content) : emptyAt(box.shape, place)
    if (was && sameContent(was, wanted)) {
      if (unit && keyIn) right.push({ key, place, keyIn })
      if (!isEmptyAt(box.shape, place, was)) others.push([place, was])
    } else jobs.push({ place, wanted, was })
  }
  const start = lastTicked(rig, controller, held)
  const route = routeOf(box, jobs, others, start)
  let here = start
  const { save } = box.shape.keying
  const end = save.when === 'end' && route.steps.length > 0 ? pressed(save.keys) : []
  const lines = route.steps.map((step): SheetLine => {
    const from = here
    const steps = stepsOfLine(box, step, from)
    if (step.job.place.kind === 'switch') here = choicesOf(step.job.place)
    const { place, wanted } = step.job
    const key = placeName(place)
    return {
      key,
      place,
      unit: units.get(key) ?? null,
      wanted,
      base: step.base,
      presses: step.presses,
      seconds: secondsOf(box.shape, steps),
      steps,
      from,
    }
  })
  return {
    box,
    lines,
    end,
    presses: route.presses,
    seconds: lines.reduce((all, { seconds }) => all + seconds, 0),
    right,
    unsaid: [...units.values()].filter(({ left, over }) => left.length > 0 || over > 0),
    proof: route.proof,
  }
}

/** The bank of what was ticked last is the one the controller is in, if it was not switched off since. */
function lastTicked(rig: Rig, controller: Controller, held: ReadonlyMap<string, KeyIn>): Choices {
  let last: KeyIn | null = null
  for (const row of held.values())
    if (row.how === 'tick' && row.place.startsWith('s/') && (!last || row.at > last.at)) last = row
  const place = last && placeOfKey(rig, controller, last.place)
  return place ? choicesOf(place) : NOWHERE
}

/** What is known to stand in a controller, by place: what does not fit it any more is not known. */
export function knownIn(rig: Rig, controller: Controller): ReadonlyMap<string, Content> {
  const shape = shapeOf(rig, controller)
  const all = new Map<string, Content>()
  for (const [key, { content }] of heldIn(rig, controller)) {
    const place = placeOfKey(rig, controller, key)
    const known = place && knownContent(shape, place, content)
    if (known) all.set(key, known)
  }
  return all
}

/** What was kept of a place, as long as it still is something that could stand there; else nobody knows. */
function knownContent(shape: RowShape, place: Place, content: Content | null): Content | null {
  if (!content) return null
  const { settings, lists, name } = content
  const empty = emptyAt(shape, place)
  const isLike = (row: Row | null, like: Row | null) =>
    row === null ? like === null : like !== null && row[0] === like[0] && isRow(shape, row)
  const ids =
    place.kind === 'switch' ? settings && switchLists(shape, (settings[1] ?? 0) + 1) : (['kept'] as const)
  const fits =
    isLike(settings, empty.settings) &&
    isLike(name, empty.name) &&
    ids?.length === lists.length &&
    lists.every(
      ({ id, lamp, rows }, n) =>
        id === ids[n] &&
        (lamp === null) === !id.startsWith('p') &&
        (lamp === null || (lamp[0] === 'lamp' && isRow(shape, lamp))) &&
        rows.length <= capacityOf(place, shape.controller) &&
        rows.every((row) => row[0] !== 'end' && isRow(shape, row)),
    )
  return fits ? content : null
}

const isRow = (shape: RowShape, row: Row): boolean =>
  row.length - 1 === rowFields(shape, row[0]).length && canHold(shape, row)

const pressed = (keys: readonly { readonly key: string; readonly holdMs: number }[]): Stroke[] =>
  keys.map(({ key, holdMs }) => ({ key, times: 1, ...(holdMs > 0 && { holdMs }) }))

/** Everything that is pressed for a step of the route, in the order in which it is. */
export function stepsOfLine(box: Box, step: RouteStep, here: Choices): KeyStep[] {
  const { keying } = box.shape
  const { job, base } = step
  const { strokes, copies } = openStrokes(box, step, here)
  const from =
    base.kind === 'amend' ? job.was! : base.kind === 'clear' ? emptyAt(box.shape, job.place) : base.content
  return [
    { does: 'open', at: null, field: null, strokes, shows: null },
    ...(copies.length > 0
      ? [{ does: 'copy' as const, at: null, field: null, strokes: copies, shows: null }]
      : []),
    ...(base.kind === 'clear'
      ? [{ does: 'clear' as const, at: null, field: null, strokes: pressed(keying.clear), shows: null }]
      : []),
    ...amendSteps(box.shape, from, job.wanted, capacityOf(job.place, box.shape.controller)),
    ...(keying.save.when === 'each'
      ? [{ does: 'save' as const, at: null, field: null, strokes: pressed(keying.save.keys), shows: null }]
      : []),
  ]
}

/** A press and its look at the display, a click of a dial, and finding the line: our own reckoning, in ms. */
const PRESS_MS = 450
const CLICK_MS = 90
const RUN_MS = 180
const LINE_MS = 4000

/** About how long a line takes, in seconds. */
function secondsOf({ keying }: RowShape, steps: readonly KeyStep[]): number {
  const dials = new Set(keying.keys.filter(({ isDial }) => isDial).map(({ id }) => id))
  const ms = steps
    .flatMap(({ strokes }) => strokes)
    .reduce(
      (all, { key, times, holdMs, runs }) =>
        all + times * ((dials.has(key) ? CLICK_MS : PRESS_MS) + (holdMs ?? 0) + (runs ?? 0) * RUN_MS),
      LINE_MS,
    )
  return ms / 1000
}

export const linePresses = (steps: readonly KeyStep[]): number =>
  steps.reduce((all, { strokes }) => all + pressesIn(strokes), 0)
