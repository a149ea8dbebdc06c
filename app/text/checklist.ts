import type { Phase, Task } from '#core/setup'
import { listText } from '#shared/words/counts'
import { lengthText, partsText } from '#shared/cableText'
import { ROLE_TEXT } from './jacks'

export const PHASE_TEXT: Record<Phase, string> = {
  cables: 'Cables, with everything off',
  power: 'Power on',
  jacks: 'Jacks and their roles, muted',
  settings: 'Settings on each device',
  saving: 'Save',
  trying: 'Try each device',
}

export interface TaskText {
  /** What to do. */
  readonly does: string
  /** Parts to use, or what a setting costs. */
  readonly note: string
  /** What to look for afterwards. */
  readonly look: string
  /** What to try when it is not seen. */
  readonly otherwise: string
}

const channelText = (channel: number | 'omni' | 'none') =>
  channel === 'omni' ? 'all channels (omni)' : channel === 'none' ? 'no channel' : `channel ${channel}`

/** Says one line of the checklist. */
export function taskText(task: Task): TaskText {
  switch (task.kind) {
    case 'cable':
      return {
        does: `${task.from}, ${task.fromJack} to ${task.to}, ${task.toJack}`,
        note: [partsText(task), lengthText(task.centimetres), task.colour.toLowerCase()]
          .filter(Boolean)
          .join(', '),
        look: task.carries === 'powerOut' ? 'Its lamp lights once the supply is on.' : 'Both plugs are home.',
        otherwise: 'Try another of the same kind.',
      }
    case 'role':
      return {
        does: `Set ${task.jack} on ${task.box} to ${ROLE_TEXT[task.role]}`,
        note: `${task.role === task.factory ? 'As it leaves the factory' : `Factory: ${ROLE_TEXT[task.factory]}`}. No ${listText(task.lost.map((role) => ROLE_TEXT[role]))} then.`,
        look: 'The menu shows it after the device was off and on.',
        otherwise: 'Save the setting, or hold the switches its manual names while powering on.',
      }
    case 'contact':
      return {
        does: `Tell ${task.box} that ${task.jack} is normally ${task.rest}, ${task.action === 'either' ? 'latching or momentary' : task.action}`,
        note: '',
        look: 'One press does one thing.',
        otherwise: 'Choose the other setting: it was on where it should be off.',
      }
    case 'calibrate':
      return {
        does: `Calibrate ${task.pedal}: ${[task.box, task.jack].filter(Boolean).join(', ')}`,
        note: [
          task.plugged && `With ${task.plugged}`,
          task.ends && `heel at ${task.ends.from}, toe at ${task.ends.to}`,
        ]
          .filter(Boolean)
          .join('; '),
        look: 'Heel to toe and back, twice: both ends of the bar are reached, and it stands still at rest.',
        otherwise: 'Sweep it again, then suspect the pedal. Ends that come swapped want the other polarity.',
      }
    case 'thru':
      return {
        does: `Switch ${task.jack} on ${task.box} on`,
        note: `${task.next} is behind it.`,
        look: `${task.next} shows that messages come in.`,
        otherwise: 'Look for soft thru, echo or merge in the MIDI menu.',
      }
    case 'switchOn':
      return {
        does: 'Turn the loudness down and switch on, in this order',
        note: task.boxes.join(', then '),
        look: 'Every box lights and none gets hot.',
        otherwise: 'Switch off at once and check voltage, polarity and current against the manual.',
      }
    case 'channel':
      return {
        does: `Set ${task.device} to ${channelText(task.channel)}`,
        note:
          task.factory === task.channel
            ? 'As it leaves the factory.'
            : `Factory: ${channelText(task.factory)}.`,
        look: 'Its MIDI menu shows the number.',
        otherwise: 'Some count channels from 0: then it is one less.',
      }
    case 'receivePrograms':
      return {
        does: `Let ${task.device} receive program changes`,
        note: '',
        look: 'Its preset changes with a step.',
        otherwise: 'Look for PC in, receive or filter in the MIDI menu.',
      }
    case 'sendNoPrograms':
      return {
        does: `Stop ${task.device} sending program changes`,
        note: '',
        look: 'Turning its preset by hand changes nothing else.',
        otherwise: 'Look for PC out, send or transmit in the MIDI menu.',
      }
    case 'clock':
      return {
        does: `Let ${task.device} ${task.follows ? 'follow' : 'ignore'} MIDI clock`,
        note: '',
        look: task.follows ? 'Its tempo lamp follows the controller.' : 'Its own tempo stays.',
        otherwise: 'Look for sync or clock in the MIDI menu.',
      }
    case 'save':
      return {
        does: `Save on ${task.box}`,
        note: [
          task.how === 'powerOff'
            ? 'It saves when it is switched off in the right way.'
            : 'It saves only when told to.',
          task.losesEdits ? 'Calling another preset loses what is not saved.' : '',
        ]
          .filter(Boolean)
          .join(' '),
        look: 'Off and on again: all is still there.',
        otherwise: 'Enter it again, and save before leaving the preset.',
      }
    case 'allCables':
      return {
        does: `All ${task.count} cables are in, ${task.power} of them for power`,
        note: 'By the tags on both ends, or the list under Rig.',
        look: 'Every plug is home, and none hangs under a foot.',
        otherwise: 'Print the cable tags and go along them, one after the other.',
      }
    case 'startBank':
      return {
        does: `${task.box} is in bank ${`${task.shown} ${task.bank}`.trim()}`,
        note: '',
        look: `Its display shows ${task.shown}.`,
        otherwise: 'Switch it off and on: that is the bank it wakes up in.',
      }
    case 'tunerOff':
      return {
        does: 'The tuner is off',
        note: `${listText(task.devices)}: as long as it is on, nothing is heard.`,
        look: 'A softly plucked string is heard.',
        otherwise: 'Step on the tuner’s switch once more.',
      }
    case 'volumes':
      return {
        does: 'Volumes: the amp low, then as marked at rehearsal',
        note:
          task.pedals.length === 0
            ? 'No pedal of this rig leads a volume.'
            : `${listText(task.pedals)} at the toe.`,
        look: 'The loudest sound of the show is no louder than it was.',
        otherwise: 'Look at output and level on every device, and at the foot of the volume pedal.',
      }
    case 'saved':
      return {
        does: `What changed on ${task.box} since the last rehearsal is saved`,
        note:
          task.how === 'powerOff'
            ? 'It saves when it is switched off in the right way.'
            : 'It saves only when told to.',
        look: 'Off and on again: the change is still there.',
        otherwise: 'Enter it again, and save before leaving the preset.',
      }
    case 'copy':
      return {
        does: 'A copy of this rig lies somewhere else',
        note: 'Rigs, Save rig file; with the stand-in’s sheet and the set sheet on paper.',
        look: 'The file is on another machine or a stick.',
        otherwise: 'Save it now: the tick goes as soon as the rig changes again.',
      }
    case 'firstPart':
      return {
        does: `Step on the first part, softly: ${[task.song, task.sound].filter(Boolean).join(', ')}`,
        note: `Bank ${task.shown}, switch ${task.number}${task.isShift ? ' of the shift layer' : ''}.`,
        look: 'It sounds as it should.',
        otherwise: 'Go back to the bank it wakes up in, and step on it once more.',
      }
    case 'learn':
      return {
        does: `Let ${task.device} learn ${task.control}`,
        note: 'Choose it there, switch learning on, and send the message while it waits.',
        look: 'The device shows the number, or stops blinking.',
        otherwise: 'Look for MIDI learn or assign in its menu, and send it again.',
      }
    case 'prepare':
      return {
        does: `Set preset ${[task.display, task.preset].filter(Boolean).join(' ')} on ${task.device}, and save it`,
        note: task.values.join(', '),
        look: 'Another preset and back: it sounds the same.',
        otherwise: 'It was not saved: set it again, and save before calling another.',
      }
    case 'mapIn':
      return {
        does: `Enter the map in preset ${[task.display, task.preset].filter(Boolean).join(' ')} of ${task.device}, and save it`,
        note: task.controls.join(', '),
        look: 'Each moves when its number is sent while this preset is on.',
        otherwise: 'Other presets keep maps of their own: this one has to be the one that is on.',
      }
    case 'example':
      return {
        does: `Store both states of ${task.pair} on ${task.device}${task.by ? `, by ${task.by}` : ''}`,
        note: `First: ${task.a.join(', ') || 'as it is'}. Hold until it blinks. Second: ${task.b.join(', ') || 'as it is'}. Hold again.`,
        look: 'The switch goes from one to the other.',
        otherwise: 'Calling a preset in between can lose both: set the first again.',
      }
    case 'try':
      return {
        does: `Step on ${task.label === '' ? `switch ${task.number}` : task.label} (${[task.bank, `switch ${task.number}`].filter(Boolean).join(', ')})`,
        note: `${task.device} gets program ${task.program}.`,
        look: `${task.device} shows ${task.display}.`,
        otherwise: `Open "Why is nothing happening?" for ${task.device}.`,
      }
  }
}
