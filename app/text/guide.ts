import { assertNever } from '#core/base'
import type { Guide, Question } from '#core/setup'
import { listText } from '#shared/words/counts'
import { findingText } from './findings'

type Facts = Guide['facts']

const GESTURE = {
  press: '',
  release: ' and let go',
  longPress: ' and hold it down',
  doublePress: ' twice, quickly',
} as const

const stepText = ({ attempt }: Facts): string => {
  if (!attempt) return 'Step on a switch.'
  const times = attempt.gesture === 'press' && attempt.press > 1 ? ` ${attempt.press} times` : ''
  const place = [attempt.bank, `switch ${attempt.number}`].filter(Boolean).join(', ')
  const what = attempt.label === '' ? place : `${attempt.label} (${place})`
  return `Step on ${what}${times}${GESTURE[attempt.gesture]}.`
}

const channelText = ({ channel }: Facts): string =>
  typeof channel === 'number'
    ? `channel ${channel}`
    : channel === 'omni'
      ? 'all channels (omni)'
      : 'no channel'

/** What the player is asked. */
export function questionText(question: Question, facts: Facts): string {
  const { device, earlier, through, attempt, controller, feeder } = facts
  switch (question) {
    case 'isControllerOn':
      return `${stepText(facts)} Does ${controller} show it, by its lamp or its display?`
    case 'isFed':
      return feeder
        ? `Does ${device} get its power from ${feeder}, with the plug home and the lamp of the supply lit?`
        : `Nothing feeds ${device} in this plan. Is it on a supply its maker allows, with the plug home?`
    case 'isOn':
      return through.length === 0
        ? `Is ${device} switched on?`
        : `Are ${listText([...through, device])} switched on?`
    case 'doesEarlierReact':
      return `${earlier} is before it on the same line. Does it react to any step?`
    case 'doesLampBlink':
      return `${stepText(facts)} Does ${device} show that MIDI comes in?`
    case 'isChannelSet':
      return `Does the MIDI menu of ${device} say ${channelText(facts)}?`
    case 'doesReceive':
      return `Is ${device} set to receive program changes?`
    case 'isSaved':
      return 'Was the switch saved on the controller after it was programmed?'
    case 'isPresetThere':
      return `Choose ${attempt?.display ?? 'the preset'} on ${device} by hand. Is it the sound you want?`
  }
}

/** What a "no" means and what to do about it. */
function answerText(question: Question, facts: Facts): string {
  const { device, earlier, before, channel, attempt, controller } = facts
  switch (question) {
    case 'isControllerOn':
      return `Start with ${controller}: is it on, is it out of its editor, and is it in the bank ${attempt?.bank || 'of this switch'}? Then see that the switch was saved.`
    case 'isFed':
      return `Look at voltage, polarity and current in the manual of ${device} before you plug anything in; ask a technician when in doubt.`
    case 'isOn':
      return 'A box that is off passes nothing on. Switch it on, and check its supply.'
    case 'doesEarlierReact':
      return `The fault is before ${device}: start with ${earlier}, its cable and its settings.`
    case 'doesLampBlink':
      return `Messages stop between ${before} and ${device}. Try another cable of the same kind; see that both plugs are home, that the jack has the right role, and that ${before} hands messages on.`
    case 'isChannelSet':
      return typeof channel === 'number'
        ? `Set it to channel ${channel} and save. If the menu counts from 0, that is ${channel - 1}.`
        : 'Set it and save.'
    case 'doesReceive':
      return 'Switch it on: it may be called PC in, receive or filter. Then save.'
    case 'isSaved':
      return 'Key it in again and save before turning the bank: what is not saved is gone.'
    case 'isPresetThere':
      return `Make the sound on ${device} and save it as ${attempt?.display ?? 'that preset'}.`
  }
}

/** Why it does nothing, and what to do. */
export function verdictText(verdict: NonNullable<Guide['verdict']>, facts: Facts): string {
  switch (verdict.kind) {
    case 'finding': {
      const { title, body } = findingText(verdict.finding)
      return `${title} ${body}`
    }
    case 'notAsked':
      return `No switch asks anything of ${facts.device} yet. Say in Switches which preset it should go to.`
    case 'noController':
      return 'There is no foot controller in this rig.'
    case 'answer':
      return answerText(verdict.question, facts)
    case 'open':
      return `Nothing is found wrong, and this is not known to be right: ${verdict.questions.map((one) => questionText(one, facts)).join(' ')} Find out one of them, then ask again.`
    case 'beyond':
      return `The plan and all you have checked are right. Compare ${facts.device}'s MIDI chart with its manual, try it with another cable straight from the controller, and ask its maker.`
    default:
      return assertNever(verdict)
  }
}
