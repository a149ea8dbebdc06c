import { count, listText, ordinal } from '#shared/words/counts'
import { gestureText } from '../gestures'
import { secondsText } from '#shared/words/times'
import type { Finding } from '#core/check'
import type { FindingText, Sayings } from './saying'

type SwitchCode =
  | 'silentSwitch'
  | 'unsendablePreset'
  | 'parity'
  | 'twinGestures'
  | 'noWayBack'
  | 'unreachedSound'
  | 'unsentControl'
  | 'strictValue'
  | 'undoneSet'
  | 'lostOnSwitch'
  | 'overfullSwitch'
  | 'slowSwitch'
  | 'keptGesture'
  | 'editingOnStage'
  | 'beyondController'

type Of<Code extends Finding['code']> = Extract<Finding, { code: Code }>
type Beyond = Of<'beyondController'>

const BEYOND: Record<Beyond['facts']['what'], (facts: Beyond['facts']) => Omit<FindingText, 'fix'>> = {
  release: ({ controller }) => ({
    title: `${controller} does not tell when the foot comes off.`,
    body: 'What stands there is never sent. Use two positions instead: one press on, the next off.',
  }),
  longPress: ({ controller }) => ({
    title: `${controller} knows no long press.`,
    body: 'What stands there is never sent. Put it on a switch of its own, or in another bank.',
  }),
  doublePress: ({ controller }) => ({
    title: `${controller} knows no double press.`,
    body: 'What stands there is never sent. Put it on a switch of its own, or on a long press.',
  }),
  shift: ({ controller }) => ({
    title: `${controller} has no shift layer.`,
    body: 'This switch can never be stepped on. Put it in a page: a further bank that a switch leads to and back.',
  }),
  colours: ({ controller, wanted, has }) => ({
    title: `${controller} has ${count(has, 'lamp colour')}, and ${wanted} are asked for.`,
    body: 'Lamps beyond that look alike. Use fewer colours, and let flashing tell the rest.',
  }),
  wait: ({ controller, wanted, has }) => ({
    title:
      has === 0
        ? `${controller} cannot wait between messages.`
        : `${controller} waits ${has} ms at most, not ${wanted}.`,
    body: 'The messages follow one another at once. Put what must wait on the release or on a second press.',
  }),
  macros: ({ controller, wanted, has }) => ({
    title:
      has === 0
        ? `${controller} keeps no macros.`
        : `${controller} keeps ${count(has, 'macro')}, and ${wanted} are used.`,
    body: 'It works, but each of its actions is keyed in on every switch that runs it, and changed on each by hand.',
  }),
  label: ({ text, has, proposal }) => ({
    title: `The display has ${count(has, 'letter')}: too few for "${text}".`,
    body: `It would be cut. "${proposal}" fits and reads like no other in this bank.`,
  }),
  showList: ({ controller }) => ({
    title: `${controller} keeps no set list of its own.`,
    body: 'Next part and next song need a list that the controller keeps: look in its manual. Without one, let a switch of each song go through the sounds of its parts, one a press.',
  }),
  clock: ({ controller }) => ({
    title: `${controller} sends no MIDI clock.`,
    body: 'Nothing is sent here. Set the tempo by taps or by a control instead.',
  }),
  jack: ({ controller, text }) => ({
    title: `${controller} has no footswitch jack "${text}" as it is set now.`,
    body: 'Set the jack to read a footswitch in Rig, or move what stands here to another switch.',
  }),
  unplugged: ({ text }) => ({
    title: `Nothing is plugged into ${text}.`,
    body: 'No foot can reach this switch. Lay the cable of its footswitch in Rig.',
  }),
}

const PHASES = (after: readonly string[]) => after.join(', ')

export const switchSayings: Sayings<SwitchCode> = {
  parity: ({ facts: { device, control, mode, reading, after, pressesAChange }, fix }) => ({
    title:
      pressesAChange === null
        ? `${device} ${control} never changes with this switch.`
        : pressesAChange === 1
          ? `The lamp can say the contrary of ${device} ${control}.`
          : `${device} ${control} takes ${count(pressesAChange, 'press', 'presses')} a change.`,
    body: `${
      mode === 'alternate'
        ? 'The switch sends two values in turn'
        : 'The switch sends one value down and one up'
    }, and the device ${
      reading === 'toggle' ? 'changes over by itself' : 'reads them its own way'
    }. From off, three presses give ${PHASES(after.off)}; from on, ${PHASES(after.on)}.${
      reading === 'toggle' ? ' Let the switch send one value each press.' : ''
    }`,
    fix: fix ? 'Send one value each press' : null,
  }),
  twinGestures: ({ facts: { one, other }, fix }) => ({
    title: `${gestureText(other.event, other.position, other.positions)} does the same as ${lower(gestureText(one.event, one.position, one.positions))}.`,
    body: 'Two gestures that send the same: one of them is free for something else, and the plain press fires sooner without it.',
    fix: fix ? 'Take it off the second' : null,
  }),
  noWayBack: ({ facts: { number, name, isPage, isShift, isDeadEnd, home } }) => ({
    title: `${isShift ? 'The shift layer of bank' : isPage ? 'Page' : 'Bank'} ${`${number} ${name}`.trimEnd()} has no way back to ${home}.`,
    body: isDeadEnd
      ? 'Once there, the foot stays there. Put "home" or "back" on one of its switches, or on one that stands in every bank.'
      : 'Its switches lead on, but never home. Put "home" on one of them, or on one that stands in every bank.',
    fix: null,
  }),
  unreachedSound: ({ facts: { sound, isStranded } }) => ({
    title: isStranded
      ? `No switch leads to the bank where "${sound}" stands.`
      : `No switch recalls "${sound}".`,
    body: isStranded
      ? 'Put a switch that goes to that bank into one you start from.'
      : 'Put it on a switch, or keep it for later: it costs nothing.',
    fix: null,
  }),
  unsentControl: ({ facts: { device, controls } }) => ({
    title: `Nothing sends ${listText(controls.slice(0, 4))}${controls.length > 4 ? ` and ${controls.length - 4} more` : ''} of ${device}.`,
    body: 'They were entered or tried out, and neither a sound nor a switch uses them.',
    fix: null,
  }),
  strictValue: ({ facts: { device, control, value, highest }, fix }) => ({
    title: `${device} ${control} knows only 0 and ${highest}.`,
    body: `${value} does nothing there: it reads the two ends and ignores all between.`,
    fix: fix ? 'Send the nearer end' : null,
  }),
  undoneSet: ({ facts: { device, control, preset, isSure, ...gesture } }) => ({
    title: isSure
      ? `The recall of ${preset || 'the preset'} undoes ${device} ${control}.`
      : `The recall behind it may undo ${device} ${control}.`,
    body: `${gestureText(gesture.event, gesture.position, gesture.positions)} sets it first and recalls after. ${
      isSure ? 'The preset puts it elsewhere.' : 'What the preset does to it is not known here.'
    } Send it behind the recall.`,
    fix: 'Send it behind the recall',
  }),
  lostOnSwitch: ({ facts: { device, messages, deafMs, waitMs, canWait, controller }, fix }) => ({
    title: `${device} misses ${count(messages, 'message')} while it loads.`,
    body: canWait
      ? `It hears no controls for ${deafMs} ms after a recall. A wait of ${waitMs} ms before them is enough.`
      : `It hears no controls for ${deafMs} ms after a recall, and ${controller} cannot wait ${waitMs} ms. Store the values in the preset, or send them with another gesture.`,
    fix: fix ? `Wait ${waitMs} ms first` : null,
  }),
  overfullSwitch: ({ facts: { messages, most, controller, macros, ...gesture } }) => ({
    title: `${gestureText(gesture.event, gesture.position, gesture.positions)} needs ${messages} messages; ${controller} holds ${most}.`,
    body:
      macros > 0
        ? 'What is beyond cannot be keyed in. Put some of them in a macro, which counts as one.'
        : 'What is beyond cannot be keyed in. Store more in the presets, or spread it over two gestures.',
    fix: null,
  }),
  slowSwitch: ({ facts: { ms, last, ...gesture } }) => ({
    title: `${gestureText(gesture.event, gesture.position, gesture.positions)} takes ${secondsText(ms)} until all is ready.`,
    body: `${last || 'The last device'} is ready last; the foot may be down again after 350 ms. Wait less, or recall what loads longest first.`,
    fix: null,
  }),
  keptGesture: ({ facts: { controller, how, numbers, does }, fix }) => ({
    title:
      how === 'together'
        ? `${controller} keeps ${listText(numbers.map(String))} together for itself.`
        : `${controller} keeps ${how === 'press' ? 'this switch' : how === 'longPress' ? 'the long press here' : 'the double press here'} for itself.`,
    body:
      how === 'together'
        ? `Both are in use here: a boot on both at once does "${does}".`
        : `It does "${does}" instead, and what stands here is never sent.`,
    fix: fix ? 'Take it off' : null,
  }),
  editingOnStage: ({ facts: { controller, afterMs, uses, does } }) => ({
    title: `A foot that stays down ${secondsText(afterMs)} makes ${controller} do "${does}".`,
    body:
      uses === 'release'
        ? 'This switch is made to be held: on stage that would open editing in the middle of a note. Turn it off on the controller, or use two presses instead.'
        : 'A long press is safe only if the foot comes off before that.',
    fix: null,
  }),
  beyondController: ({ facts, fix }) => ({
    ...BEYOND[facts.what](facts),
    fix: fix ? `Call it "${facts.proposal}"` : null,
  }),
  silentSwitch: ({ facts, fix }) => {
    const isAll = facts.presses.length === facts.of
    const which = isAll ? 'This switch' : `The ${listText(facts.presses.map(ordinal))} press`
    return {
      title: `${which} sends nothing.`,
      body:
        facts.why === 'empty'
          ? 'Say which device should go to which preset.'
          : facts.why === 'noPart'
            ? 'The show that is on has no part it could step to. Look in Set list.'
            : 'The devices it is for listen on no channel. Give them one in Rig.',
      fix: fix ? 'Clear the switch' : null,
    }
  },
  unsendablePreset: ({ facts: { device, display, program, bank, controller, why, highestProgram } }) => ({
    title: `${controller} cannot send ${device} preset ${display}.`,
    body:
      why === 'noBankSelect'
        ? `It is program ${program} in bank ${bank}, and this controller sends no bank select.`
        : `It is program ${program}, and this controller's list ends at program ${highestProgram}.`,
    fix: `Take ${device} off this switch`,
  }),
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
