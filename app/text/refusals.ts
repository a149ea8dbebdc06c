import { assertNever } from '#core/base'
import type { HexRefusal } from '#core/midi'
import { formatPath, type DisplayRefusal, type EditRefusal } from '#core/rig'
import { problemText } from '#shared/problemText'
import type { Setback } from '~/platform/setback'
import { EDIT_TEXT } from './edits'

/** Why an edit was not done. */
function refusalText(refusal: EditRefusal): string {
  switch (refusal.code) {
    case 'stale':
      return 'What it was about has changed since.'
    case 'invalid': {
      const [problem] = refusal.problems
      return `${formatPath(problem.path)}: ${problemText(problem)}`
    }
    case 'tooLarge':
      return `It is larger than ${refusal.most / 1e6} MB, the most that can be done at once. Do it in parts.`
    default:
      return assertNever(refusal)
  }
}

const DOING: Record<Setback['doing'], string> = {
  edit: 'Not done',
  undo: 'Not undone',
  redo: 'Not done again',
  take: 'Does not fit the new state',
}

/** "Not undone: change channel. What it was about has changed since." */
export const setbackText = ({ label, doing, refusal }: Setback): string =>
  `${DOING[doing]}: ${EDIT_TEXT[label]}. ${refusalText(refusal)}`

/** Why a preset number cannot be read, and what one looks like. */
export function displayRefusalText({ code, text, first, last }: DisplayRefusal, device: string): string {
  const range = `${device} has ${first} to ${last}.`
  return code === 'unreadable'
    ? `"${text}" is no preset number here. ${range}`
    : `There is no ${text}. ${range}`
}

const GARBAGE: Record<Extract<HexRefusal, { code: 'garbage' }>['reason'], string> = {
  strayData: 'is a value with no message before it',
  truncated: 'comes before the message is whole',
  undefinedStatus: 'is no message the standard knows',
  strayEnd: 'ends a SysEx message that was not begun',
  tooLong: 'makes the SysEx message too long',
}

/** Why typed bytes are no messages. */
export function hexRefusalText(refusal: HexRefusal): string {
  switch (refusal.code) {
    case 'noHex':
      return `"${refusal.text}" is not a byte. Write two digits each, 0-9 and A-F: B3 14 7F.`
    case 'noMessage':
      return 'No message yet. A control change on channel 4 is B3 14 7F.'
    case 'garbage':
      return refusal.reason === 'truncated'
        ? `Byte ${refusal.at + 1} ${GARBAGE.truncated}, or the last one is cut short.`
        : `Byte ${refusal.at + 1} ${GARBAGE[refusal.reason]}.`
  }
}
