import { assertNever, type Guide, type Question } from '#core'
import { listText } from './counts'
import { findingText } from './findings'

type Facts = Guide['facts']

const stepText = ({ attempt }: Facts): string =>
  attempt ? `Step on ${attempt.label || `switch ${attempt.number}`}.` : 'Step on a switch.'

const channelText = ({ channel }: Facts): string =>
  typeof channel === 'number'
    ? `channel ${channel}`
    : channel === 'omni'
      ? 'all channels (omni)'
      : 'no channel'

/** What the player is asked. */
export function questionText(question: Question, facts: Facts): string {
  const { device, earlier, through, attempt } = facts
  switch (question) {
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
function answerText(question: Question, { device, earlier, before, channel, attempt }: Facts): string {
  switch (question) {
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
    case 'beyond':
      return `The plan and all you have checked are right. Compare ${facts.device}'s MIDI chart with its manual, try it with another cable straight from the controller, and ask its maker.`
    default:
      return assertNever(verdict)
  }
}
