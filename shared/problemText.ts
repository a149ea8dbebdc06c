import { assertNever } from '#core/base'
import type { Problem } from '#core/rig'

type Limit = Extract<Problem, { code: 'tooSmall' | 'tooBig' }>

const UNITS: Record<Limit['counts'], string> = { value: '', letters: ' letters', entries: ' entries' }

/** Says what is wrong in one sentence; where it is wrong is said by its path. */
export function problemText(problem: Problem): string {
  switch (problem.code) {
    case 'wrongType':
      return `It should be ${typeWords[problem.expected] ?? problem.expected}.`
    case 'tooSmall':
      return `It should be at least ${problem.least}${UNITS[problem.counts]}.`
    case 'tooBig':
      return `It should be at most ${problem.most}${UNITS[problem.counts]}.`
    case 'badValue':
      return problem.allowed.length > 0
        ? `It should be one of: ${problem.allowed.join(', ')}.`
        : 'It is none of the kinds known here.'
    case 'badText':
      return 'It holds a character that cannot be kept: a null, or half of an emoji. Delete it and type it again.'
    case 'badFormat':
      return 'It holds letters that are not allowed here.'
    case 'unknownField':
      return `It has something not known here: ${problem.fields.join(', ')}.`
    case 'wrongId':
      return `Its id is ${problem.id}, but it is filed under another.`
    case 'missingRow':
      return `It names ${problem.id} in ${problem.table}, which does not exist.`
    case 'taken':
      return `Its place is already taken by ${problem.by}.`
    case 'beyond':
      return `It is ${problem.value}, but the last one there is ${problem.most}.`
    case 'unreachableCount':
      return 'The device has more presets than its messages can reach. Check bank select and programs per bank.'
    case 'brokenRule':
      return `${problem.rule.charAt(0).toUpperCase()}${problem.rule.slice(1)}.`
    case 'tooManySlots':
      return 'There are more slots than letters. Use digits, or at most 26 slots.'
    case 'noSuchRole':
      return 'The jack has no such role.'
    case 'sameEnds':
      return 'Both ends of the range are the same.'
    case 'noLogarithm':
      return 'A logarithmic range must lie above zero at both ends.'
    case 'sameJacks':
      return 'Two jacks of the box have one id.'
    case 'changedTwice':
      return 'The edit changes it twice.'
    case 'rigTooLarge':
      return `The rig would be larger than a rig file may be: ${megabytes(problem.most)} MB.`
    case 'ownMacro':
      return 'a macro cannot run itself, by way of others or not'
    case 'ownPage':
      return 'a page is of a bank of the same controller that is no page itself'
    case 'ownParent':
      return 'It is a variant of itself. Let it follow another sound, or none.'
    case 'sameDevice':
      return 'It says two things of one device. Keep one of them.'
    case 'noAbout':
      return 'It should hold exactly one row, with the id "about".'
    default:
      return assertNever(problem)
  }
}

const megabytes = (bytes: number) => Math.floor(bytes / 1e6)

const typeWords: Record<string, string> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
}
