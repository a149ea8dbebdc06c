import type { FaultTold } from '#core/check'
import { listText } from '#shared/words/counts'
import { CURE_TEXT, movesText } from '../lies'
import type { Sayings } from './saying'

export const proofSayings: Sayings<'provenFault'> = {
  provenFault: ({ facts, fix }) => {
    const { title, why } = faultText(facts.fault)
    return {
      title,
      body: `${why} ${movesText(facts.moves)}`,
      fix: fix ? (CURE_TEXT[fix.label] ?? 'Say it in the sound') : null,
    }
  },
}

/** What is not so, and why that matters. */
function faultText(fault: FaultTold): { readonly title: string; readonly why: string } {
  switch (fault.kind) {
    case 'soundMissed':
      return {
        title: `${fault.sound} does not always come out.`,
        why: fault.is
          ? `${fault.thing} should be ${fault.wanted} and can be ${fault.is}.`
          : `${fault.thing} should be ${fault.wanted}, and nothing that is sent sets it.`,
      }
    case 'soundLeaves':
      return {
        title: `${fault.sound} leaves ${fault.thing} where ${fault.by || 'it'} ${fault.by ? 'put it' : 'was'}.`,
        why: `It can be ${fault.is} instead of ${fault.usual || 'as it was found'}, and the sound does not say which.`,
      }
    case 'deaf':
      return fault.before
        ? {
            title: `${fault.switch} is too quick behind ${fault.before}.`,
            why: `After ${fault.afterMs} ms ${fault.device} is still loading and loses what is sent. Wait ${fault.safeMs} ms.`,
          }
        : {
            title: `${fault.switch} sends to ${fault.device} while it loads.`,
            why: 'What comes then is lost.',
          }
    case 'never':
      return {
        title: `${listText(fault.things)} can come together.`,
        why: 'You said that must never be.',
      }
    case 'notOnFoot':
      return {
        title: `${fault.sound} is in the show and on no switch.`,
        why: 'The part it is for cannot be stepped to.',
      }
    case 'noWay':
      return {
        title: `${fault.sound} cannot be reached from everywhere.`,
        why: `From bank ${fault.bank}${fault.layer === 'shift' ? ', shift layer' : ''}, no switch leads to it.`,
      }
    case 'noHome':
      return {
        title: 'The way home is missing somewhere.',
        why: `From bank ${fault.bank}${fault.layer === 'shift' ? ', shift layer' : ''}, no switch leads back.`,
      }
    case 'dead':
      return {
        title: `${fault.switch} never changes anything.`,
        why: 'Wherever it is stepped on, every device is so already.',
      }
    case 'twin':
      return {
        title: `${fault.switch} does the same as ${fault.other}.`,
        why: 'Both are under the same foot: one of them is free for something else.',
      }
    case 'undone':
      return {
        title: `${fault.switch} undoes its own recall.`,
        why: `It recalls ${fault.preset} on ${fault.device} and leaves it again in the same list.`,
      }
  }
}
