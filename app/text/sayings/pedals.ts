import { NO_FOOT_TEXT } from '../pedals'
import type { Sayings } from './saying'

type PedalCode =
  | 'pedalNoFoot'
  | 'pedalTwice'
  | 'pedalAnother'
  | 'pedalUnfit'
  | 'pedalUnheard'
  | 'narrowedTwice'
  | 'pedalNumber'
  | 'pedalsFight'
  | 'pedalLeaps'
  | 'deadRole'
  | 'pedalFloods'
  | 'offOneWay'
  | 'pedalBehindLamp'

const roleName = (name: string, number: number): string => (name ? `"${name}"` : `role ${number}`)

const UNFIT = {
  again: 'It is to be swept again',
  swap: 'Its ends come swapped',
  suspect: 'It is suspect',
} as const

export const pedalSayings: Sayings<PedalCode> = {
  pedalNoFoot: ({ facts: { pedal, box, jack, why } }) => ({
    title: `No foot reaches ${pedal}.`,
    body:
      why === 'noToe'
        ? 'It is to be switched off by a toe switch, and none leads anywhere. Plug one in under Plug in, or choose another way to switch it off.'
        : `${NO_FOOT_TEXT[why]} Look at ${[box, jack].filter(Boolean).join(', ')}, or plan it anew under Plug in.`,
    fix: 'Set the jack to expression',
  }),
  pedalTwice: ({ facts: { pedal, other, box, jack } }) => ({
    title: `${pedal} and ${other} are read from one place.`,
    body: `${[box, jack].filter(Boolean).join(', ')} has one sweep: whatever both lead moves together. Plug one in elsewhere under Plug in, or put their roles in one pedal.`,
    fix: null,
  }),
  pedalAnother: ({ facts: { pedal, now, on } }) => ({
    title: `${pedal} was calibrated with another pedal.`,
    body: `On ${on} something else was plugged in; now it is ${now || 'a pedal without a name'}. Two of one model differ too: sweep it again under Calibrate.`,
    fix: null,
  }),
  pedalUnfit: ({ facts: { pedal, verdict, on } }) => ({
    title: `${pedal} did not pass when it was swept.`,
    body: `${UNFIT[verdict]}, said the calibration of ${on}. Mend it or take another pedal, then sweep it again under Calibrate.`,
    fix: null,
  }),
  pedalUnheard: ({ facts: { pedal, control, device, why } }) => ({
    title: `${pedal} moves nothing at ${device}.`,
    body:
      why === 'noChannel'
        ? `${device} listens on no channel, so that nothing can be sent for ${control}. Give it one.`
        : why === 'noWay'
          ? `No cable leads messages from the controller to ${device}: ${control} stays where it is. Look at its cables in Rig.`
          : `The pedal is plugged into another device's own jack and sends no messages: ${control} cannot follow it.`,
    fix: 'Give it a free channel',
  }),
  narrowedTwice: ({ facts: { pedal, control, controller, device, arrives } }) => ({
    title: `${control} is narrowed twice.`,
    body: `${pedal} sends ${controller} % of the range and the device keeps to ${device} % of what it is sent: ${arrives} % is left. Send everything, and let the device narrow.`,
    fix: 'Send the full range',
  }),
  pedalNumber: ({ facts: { pedal, control, number, why, other, free } }) => ({
    title:
      why === 'own'
        ? `Everything sent on CC ${number} is narrowed, not only ${pedal}.`
        : `CC ${number} of ${pedal} also moves ${other}.`,
    body:
      why === 'own'
        ? `The device keeps ${control} to a range whoever sends CC ${number}: switches and sounds set it wrong. Give the pedal a number of its own.`
        : `The device reads that number for both, so ${other} moves along with ${control}. Give the pedal a number nothing else uses.`,
    fix: free === null ? null : `Take CC ${free}`,
  }),
  pedalsFight: ({ facts: { pedal, other, control, device } }) => ({
    title: `${pedal} and ${other} both lead ${device} ${control}.`,
    body: `Whichever moves last wins, and ${control} leaps from one to the other. Lead it by one of them, or let their roles never be live at once.`,
    fix: null,
  }),
  pedalLeaps: ({
    facts: { pedal, from, to, fromNumber, toNumber, foot, control, before, after, isMost },
  }) => ({
    title: `${control} leaps when ${pedal} changes its role.`,
    body: `From ${roleName(from, fromNumber)} to ${roleName(to, toNumber)} with the foot at the ${foot}, the first move takes it from ${isMost ? 'as much as ' : ''}${before} to ${after}. Try it at low volume, or let the foot pick it up where it is.`,
    fix: 'Pick up from where it is',
  }),
  deadRole: ({ facts: { pedal, role, number, why } }) => ({
    title: `${roleName(role, number).replace(/^r/, 'R').replace(/^"/, 'The role "')} of ${pedal} is never live.`,
    body:
      why === 'ownJack'
        ? "The pedal is in the device's own jack, and the device knows nothing of the controller's banks, layers and switches. Plug it into the controller, or let the role be live at any time."
        : why === 'behindAlways'
          ? 'It stands behind a role that is live at any time. The first that fits leads: put that one last.'
          : 'It is for some banks, and names none. Choose the banks, or take it off.',
    fix: 'Put the other one last',
  }),
  pedalFloods: ({ facts: { pedal, role, number, perSecond, delayMs, thins, pauseMs } }) => ({
    title: `A fast sweep of ${pedal} holds the wire up for ${delayMs} ms.`,
    body: `In ${roleName(role, number)} it sends ${perSecond} messages a second; a preset recalled in the same moment comes that much later. ${
      pauseMs !== null
        ? `A value every ${pauseMs} ms is enough, and still heard as one move.`
        : thins
          ? 'The values of one moment alone take too long: lead fewer controls at once.'
          : 'This controller leaves no values out: lead fewer controls.'
    }`,
    fix: pauseMs === null ? null : `A value every ${pauseMs} ms`,
  }),
  offOneWay: ({ facts: { pedal, label, number } }) => ({
    title: `${pedal} can switch off by itself, or on, but not both.`,
    body: `It steps on ${label || `switch ${number}`}, which does not alternate between two positions: the second step does not undo the first.`,
    fix: null,
  }),
  pedalBehindLamp: ({ facts: { pedal, control, device, label, number } }) => ({
    title: `${pedal} moves ${device} ${control} behind a lamp's back.`,
    body: `The controller does not hear of it, so that the lamp of ${label || `switch ${number}`} may be wrong after any move of the foot.`,
    fix: null,
  }),
}
