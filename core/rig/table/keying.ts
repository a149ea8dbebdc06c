import * as z from 'zod/mini'
import { textSchema } from './scalars'

/** Names a key within one description. `d0` to `d9` are the digits, `pick` is pointing at what is on a screen. */
const keyIdSchema = z.string().check(z.regex(/^[A-Za-z0-9]{1,20}$/))

/** Something that is pressed, or a dial, each click of which counts as a press. */
const keySchema = z.strictObject({ id: keyIdSchema, name: textSchema(24, 1), isDial: z.boolean() })

/** One press, held for so long where that is not 0. */
const pressSchema = z.strictObject({ key: keyIdSchema, holdMs: z.int().check(z.gte(0), z.lte(10_000)) })

/** How a number or a word is set. */
const setterSchema = z.discriminatedUnion('how', [
  /** One step a press; `wraps`: from the last to the first. Held for `afterMs` it runs `by` at a time, up to the ends. */
  z.strictObject({
    how: z.literal('steps'),
    down: keyIdSchema,
    up: keyIdSchema,
    wraps: z.boolean(),
    fast: z.nullable(
      z.strictObject({
        afterMs: z.int().check(z.gte(100), z.lte(5000)),
        by: z.int().check(z.gte(2), z.lte(100)),
      }),
    ),
  }),
  /** Typed with the keys `d0` to `d9`, as it is shown; then `enter`, where there is one. */
  z.strictObject({ how: z.literal('digits'), enter: z.nullable(keyIdSchema) }),
  /** A key for each decimal place, the highest first; each press raises its digit, 9 to 0. */
  z.strictObject({
    how: z.literal('places'),
    keys: z.array(keyIdSchema).check(z.minLength(1), z.maxLength(5)),
  }),
  /** A cursor under one digit, first the highest; up and down turn that digit, 9 to 0. */
  z.strictObject({
    how: z.literal('cursor'),
    left: keyIdSchema,
    right: keyIdSchema,
    down: keyIdSchema,
    up: keyIdSchema,
  }),
  /** The switch itself is stepped on; held for so long where that is not 0. */
  z.strictObject({ how: z.literal('itself'), holdMs: z.int().check(z.gte(0), z.lte(10_000)) }),
  /** Pointed at in a list. */
  z.strictObject({ how: z.literal('pick') }),
  /** Typed as a letter, after which the next field is at hand. */
  z.strictObject({ how: z.literal('type') }),
])

/** How a number or a word is set on the panel. */
export type Setter = Readonly<z.infer<typeof setterSchema>>

/** What a field holds; `core/keyin/rows.ts` says which kind of row has which. */
export const FIELDS = [
  'kind',
  'channel',
  'number',
  'value',
  'other',
  'what',
  'amount',
  'every',
  'bpm',
  'positions',
  'group',
  'light',
  'colour',
  'letter',
] as const

/** A field of a row, as the panel asks for it. */
export type Field = (typeof FIELDS)[number]

/** What a row of a list can be; `end` is where the list stops. */
export const ROW_KINDS = [
  'end',
  'program',
  'control',
  'alternate',
  'noteOn',
  'noteOff',
  'touch',
  'bend',
  'wait',
  'bank',
  'layer',
  'contact',
  'pulse',
  'step',
  'stepProgram',
  'sweep',
  'tap',
  'taps',
  'tempo',
  'clock',
  'show',
  'combo',
  'macro',
  'allOff',
  'again',
] as const

/** A kind of row a panel can be entered. */
export type RowKind = (typeof ROW_KINDS)[number]

const fieldSchema = z.strictObject({
  field: z.literal(FIELDS),
  /** What the display calls it. */
  name: textSchema(16),
  set: setterSchema,
})

const kindSchema = z.strictObject({ kind: z.literal(ROW_KINDS), name: textSchema(16, 1) })

/**
 * A move on the way to something: a press, or a choice. A choice begins where the last one ended (`here`) or at the
 * first (`start`); the next move ends it.
 */
const moveSchema = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('press'),
    key: keyIdSchema,
    holdMs: z.int().check(z.gte(0), z.lte(10_000)),
  }),
  z.strictObject({
    do: z.literal('choose'),
    what: z.literal(['bank', 'layer', 'place', 'list', 'count']),
    set: setterSchema,
    from: z.literal(['start', 'here']),
  }),
])

/** A move on the way to something: a press, or a choice. */
export type PanelMove = Readonly<z.infer<typeof moveSchema>>

const movesSchema = z.array(moveSchema).check(z.minLength(1), z.maxLength(12))

/** How one gets from field to field of what is open. */
const reachSchema = z.discriminatedUnion('how', [
  /** All fields of all rows one behind the other, and from the last to the first; `back` up to the first. */
  z.strictObject({ how: z.literal('through'), next: keyIdSchema, back: z.nullable(keyIdSchema) }),
  /** Rows one below the other; `enter` opens one, `next` goes through its fields, `back` closes it. */
  z.strictObject({
    how: z.literal('enter'),
    down: keyIdSchema,
    up: keyIdSchema,
    enter: keyIdSchema,
    next: keyIdSchema,
    back: keyIdSchema,
  }),
  /** Any field is pointed at; `next` goes on to the one behind it in its row. */
  z.strictObject({ how: z.literal('direct'), next: keyIdSchema }),
])

export const MANNERS = ['walk', 'digits', 'menu', 'slots', 'editor'] as const

/** How a controller is keyed in (docs/formats.md). Names are the player's: those on the box. */
export const keyingSchema = z
  .strictObject({
    /** The manner it began as. */
    manner: z.literal(MANNERS),
    keys: z.array(keySchema).check(z.minLength(1), z.maxLength(40)),
    /** The fields of a row in their order, `kind` first. */
    fields: z.array(fieldSchema).check(z.minLength(1), z.maxLength(FIELDS.length)),
    /** The kinds of rows it has, in the order of its list. */
    kinds: z.array(kindSchema).check(z.minLength(2), z.maxLength(ROW_KINDS.length)),
    /** The way to a switch, and to what the controller keeps beside them: combinations, macros, banks. */
    toSwitch: movesSchema,
    toKept: movesSchema,
    reach: reachSchema,
    /** Makes what is open empty. */
    clear: z.array(pressSchema).check(z.minLength(1), z.maxLength(4)),
    /** What is open becomes a copy of another (`from`), or another is opened as a copy of it (`to`). */
    copy: z.nullable(
      z.strictObject({
        way: z.literal(['from', 'to']),
        keys: z.array(pressSchema).check(z.minLength(1), z.maxLength(4)),
        choose: movesSchema,
      }),
    ),
    /** `each`: what is open is saved and closed; `end`: all at once, when all is done. */
    save: z.strictObject({
      keys: z.array(pressSchema).check(z.minLength(1), z.maxLength(4)),
      when: z.literal(['each', 'end']),
    }),
    /** Closes without saving. */
    cancel: z.array(pressSchema).check(z.minLength(1), z.maxLength(4)),
    /** What loses all that was not saved. */
    losesOn: z.array(z.literal(['leave', 'bank', 'power'])).check(z.maxLength(3)),
    /** The display shows the value alone, the field's name with it, or its whole row. */
    display: z.strictObject({
      shows: z.literal(['value', 'named', 'row']),
      width: z.int().check(z.gte(2), z.lte(80)),
    }),
  })
  .check(
    z.superRefine(({ keys, fields, kinds, ...rest }, context) => {
      const say = (path: (string | number)[], message: string) =>
        context.addIssue({ code: 'custom', path, message })
      const known = new Set(keys.map(({ id }) => id))
      if (known.size < keys.length) say(['keys'], 'a key twice')
      if (fields[0]!.field !== 'kind') say(['fields', 0], 'the kind must come first')
      fields.forEach(({ field, set }, n) => {
        if (set.how === 'type' && field !== 'letter') say(['fields', n], 'only letters are typed one by one')
      })
      if (new Set(fields.map(({ field }) => field)).size < fields.length) say(['fields'], 'a field twice')
      if (new Set(kinds.map(({ kind }) => kind)).size < kinds.length) say(['kinds'], 'a kind twice')
      if (!kinds.some(({ kind }) => kind === 'end')) say(['kinds'], 'no end of the list')
      for (const { at, key } of keysNamed({ fields, ...rest }))
        if (!known.has(key) && !DIGIT.test(key) && key !== 'pick') say([...at], `no key "${key}"`)
      if (known.has('pick')) say(['keys'], '"pick" is no key')
    }),
  )

/** How a controller is keyed in (docs/formats.md); holds in ms. */
export type Keying = Readonly<z.infer<typeof keyingSchema>>

const DIGIT = /^d\d$/

/** Every key that is named anywhere below, with where. */
function keysNamed(within: unknown, at: readonly string[] = []): { at: readonly string[]; key: string }[] {
  if (Array.isArray(within)) return within.flatMap((one, n) => keysNamed(one, [...at, String(n)]))
  if (typeof within !== 'object' || within === null) return []
  return Object.entries(within).flatMap(([name, value]) => {
    if (typeof value === 'string') return KEY_NAMES.has(name) ? [{ at, key: value }] : []
    if (name === 'keys' && Array.isArray(value) && typeof value[0] === 'string')
      return (value as string[]).map((key) => ({ at, key }))
    return keysNamed(value, [...at, name])
  })
}

const KEY_NAMES = new Set(['key', 'down', 'up', 'enter', 'left', 'right', 'next', 'back'])
