import type * as z from 'zod/mini'
import { cutText } from '#core/base'

/** Where in a rig something is wrong: table, row id, field, and so on inwards. */
export type Path = readonly (string | number)[]

/** Why a rig, a row or an edit is not valid. Data only: `shared/problemText.ts` makes the sentence. */
export type Problem = { readonly path: Path } & (
  | { readonly code: 'wrongType'; readonly expected: string }
  | { readonly code: 'tooSmall'; readonly least: number; readonly counts: Counts }
  | { readonly code: 'tooBig'; readonly most: number; readonly counts: Counts }
  | { readonly code: 'badValue'; readonly allowed: readonly string[] }
  | { readonly code: 'badFormat' }
  /** It holds a NUL or half of a surrogate pair. */
  | { readonly code: 'badText' }
  | { readonly code: 'unknownField'; readonly fields: readonly string[] }
  | { readonly code: 'wrongId'; readonly id: string }
  | { readonly code: 'missingRow'; readonly table: string; readonly id: string }
  | { readonly code: 'taken'; readonly by: string }
  | { readonly code: 'beyond'; readonly value: number; readonly most: number }
  | { readonly code: 'unreachableCount' }
  /** A rule of a row, said by its schema: "the lowest tempo is above the highest". */
  | { readonly code: 'brokenRule'; readonly rule: string }
  | { readonly code: 'tooManySlots' }
  | { readonly code: 'noSuchRole' }
  | { readonly code: 'sameJacks' }
  | { readonly code: 'sameEnds' }
  | { readonly code: 'noLogarithm' }
  /** A sound is a variant of itself, by way of others or not. */
  | { readonly code: 'ownParent' }
  /** A macro runs itself, by way of others or not. */
  | { readonly code: 'ownMacro' }
  /** A bank is a page of itself, of a page, or of another controller's bank. */
  | { readonly code: 'ownPage' }
  | { readonly code: 'sameDevice' }
  | { readonly code: 'noAbout' }
  /** An edit names one row twice. */
  | { readonly code: 'changedTwice' }
  /** The whole rig would be more than a rig file may hold, in bytes. */
  | { readonly code: 'rigTooLarge'; readonly most: number }
)

/** What a limit counts: the value itself, letters of a text, entries of a list. */
export type Counts = 'value' | 'letters' | 'entries'

/** The most unknown fields a problem names: what a stranger sends may hold thousands. */
const NAMED_MAX = 10

/** "sounds.intro.cells[2].cell". */
export const formatPath = (path: Path): string =>
  path.map((part, n) => (typeof part === 'number' ? `[${part}]` : n === 0 ? part : `.${part}`)).join('')

/** Turns what Zod found into problems of ours; `prefix` is where the checked value stands. */
export const problemsOf = (error: z.core.$ZodError, prefix: Path): Problem[] =>
  error.issues.flatMap((issue) => problemOf(issue, prefix))

function problemOf(issue: z.core.$ZodIssue, prefix: Path): Problem | Problem[] {
  const path = [...prefix, ...(issue.path as (string | number)[])]
  switch (issue.code) {
    case 'invalid_type':
      return { path, code: 'wrongType', expected: issue.expected }
    case 'too_small':
      return { path, code: 'tooSmall', least: Number(issue.minimum), counts: countsOf(issue.origin) }
    case 'too_big':
      return { path, code: 'tooBig', most: Number(issue.maximum), counts: countsOf(issue.origin) }
    case 'invalid_value':
      return { path, code: 'badValue', allowed: issue.values.map(String) }
    case 'unrecognized_keys':
      return {
        path,
        code: 'unknownField',
        fields: issue.keys.slice(0, NAMED_MAX).map((key) => cutText(key, 40)),
      }
    case 'invalid_union':
      return unionProblem(issue, path)
    case 'custom': {
      const code = CUSTOM[ruleOf(issue)]
      return code ? { path, code } : { path, code: 'brokenRule', rule: issue.message }
    }
    default:
      return { path, code: 'badFormat' }
  }
}

/** A discriminated union names its key; of a plain one the branch of the value's own type says most. */
function unionProblem(issue: z.core.$ZodIssueInvalidUnion, path: Path): Problem | Problem[] {
  const closest = issue.errors.find((branch) =>
    branch.every(({ code }) => code !== 'invalid_type' && code !== 'invalid_value'),
  )
  if (closest) return closest.flatMap((inner) => problemOf(inner, path))
  const allowed = issue.errors
    .flat()
    .flatMap((inner) => (inner.code === 'invalid_value' ? inner.values.map(String) : []))
  return { path, code: 'badValue', allowed }
}

/** A rule names itself, or is named by the field it is about. */
const ruleOf = ({ params, path }: z.core.$ZodIssueCustom): string => String(params?.rule ?? path.at(-1))

/** Our own rules by name. */
const CUSTOM: Record<
  string,
  | 'badText'
  | 'unreachableCount'
  | 'tooManySlots'
  | 'noSuchRole'
  | 'sameJacks'
  | 'sameEnds'
  | 'noLogarithm'
  | 'sameDevice'
> = {
  text: 'badText',
  count: 'unreachableCount',
  slots: 'tooManySlots',
  role: 'noSuchRole',
  jacks: 'sameJacks',
  ends: 'sameEnds',
  scale: 'noLogarithm',
  cells: 'sameDevice',
}

const countsOf = (origin: string): Counts =>
  origin === 'string' ? 'letters' : origin === 'array' ? 'entries' : 'value'
