import type { Finding } from '#core/check'
import type { School } from '#core/rig'
import { count, listText } from '#shared/words/counts'
import type { Sayings } from './saying'

type Of<Code extends Finding['code']> = Extract<Finding, { code: Code }>
type SoundCannot = Of<'soundCannot'>

/** How a player makes sounds, in two lines each: what it is, and what it costs. */
export const SCHOOL_TEXT: Record<
  School,
  { readonly name: string; readonly is: string; readonly costs: string }
> = {
  presets: {
    name: 'Presets for everything',
    is: 'Each sound is a stored preset on every device; nothing is sent behind it.',
    costs: 'Many presets to keep alike, and whatever gap a device makes at every change.',
  },
  songPreset: {
    name: 'One preset a song',
    is: 'A song stays in one preset; its sounds switch blocks, scenes and values inside it.',
    costs: 'No gap inside the song; a sound is only right when its song has begun.',
  },
  absolute: {
    name: 'Always absolute',
    is: 'Every sound says all it needs, so it is right wherever you come from.',
    costs: 'More messages a press, and a recall even where a value would do.',
  },
  backToRest: {
    name: 'Back to rest after a special',
    is: 'What a sound does not speak of goes back to its rest by itself.',
    costs: 'Every device needs a rest, and is sent it at every press.',
  },
}

const WHY: Record<SoundCannot['facts']['why'], (facts: SoundCannot['facts']) => string> = {
  noBypass: ({ device }) => `How ${device} is switched off is not known. Say it in Rig, under its sound.`,
  noRest: ({ device }) => `${device} has no rest yet. Say in Rig what it should go back to.`,
  noWay: ({ device }) =>
    `Nothing leads to ${device} for this: it has no channel, or no output that switches it.`,
  noProgram: ({ device }) =>
    `No program of ${device} closes just these contacts. Store one, and note it in Charts.`,
  otherDevice: ({ device }) => `It names something of another device than ${device}. Choose again.`,
  cannotBeSet: ({ control }) =>
    `${control} changes over or steps at each message: no sound can say where it ends up.`,
  notMapped: ({ control }) =>
    `${control} is mapped preset by preset, and is not entered in the preset it will be in. It may do nothing.`,
  ignoresPrograms: ({ device }) =>
    `${device} is set not to obey program changes. Switch that on, on the device and in Rig.`,
  pulsed: ({ device }) =>
    `The jack of ${device} wants short pulses: each changes it over, so nobody can say whether it is on.`,
}

const among = (names: readonly string[]): string =>
  names.length <= 3 ? listText(names) : `${listText(names.slice(0, 2))} and ${names.length - 2} more`

const levels = ({ facts }: Pick<Of<'levelJump' | 'noHeadroom'>, 'facts'>, room: string) => ({
  body: `${facts.loudPreset} is planned at ${facts.loudLevel} for ${facts.loud}, ${facts.quietPreset} at ${facts.quietLevel} for ${facts.quiet}. ${room} Turn it on the device as well and save it. Try it quietly first, above all in headphones or in-ears.`,
  fix: `Plan it at ${facts.planned}`,
})

const SCHOOL_AGAINST: Record<School, string> = {
  presets:
    'You use presets for everything; these send values behind one. Store them as presets of their own.',
  songPreset: 'You stay in one preset for a song; these change it.',
  absolute: 'You want every sound absolute; these only say values, and depend on the preset before.',
  backToRest: 'You want everything back at rest; these leave a device as it was.',
}

export const soundSayings: Sayings<
  | 'soundCannot'
  | 'soundDoubt'
  | 'soundClash'
  | 'lostControls'
  | 'tooManyMessages'
  | 'leftover'
  | 'forgottenDevice'
  | 'levelJump'
  | 'noHeadroom'
  | 'avoidableHole'
  | 'againstSchool'
> = {
  soundCannot: ({ facts }) => ({
    title: `${facts.sound} cannot do what it asks of ${facts.device}.`,
    body: WHY[facts.why](facts),
    fix: null,
  }),
  soundDoubt: ({ facts }) => ({
    title: `${facts.sound}: nobody can tell what ${facts.device} will do.`,
    body: WHY[facts.why](facts),
    fix: null,
  }),
  soundClash: ({ facts: { sound, device, other, channel } }) => ({
    title: `${sound} tells ${device} and ${other} different things on one channel.`,
    body: `Both hear channel ${channel}: what is sent last holds on both. Give each its own channel in Rig.`,
    fix: null,
  }),
  lostControls: ({ facts: { sound, device, controls, deafMs, controller, fixIs, preset } }) => ({
    title: `${listText(controls)} would be lost in ${sound}.`,
    body: `${device} is deaf for ${deafMs} ms while it loads, and ${controller} cannot wait that long. Store it in the preset, stay in the preset, send it with a second step, or set a wait on the device if it has one.`,
    fix:
      fixIs === 'store'
        ? `Store it in ${preset || 'the preset'}`
        : fixIs === 'stay'
          ? 'Send the values only, and stay in the preset'
          : null,
  }),
  tooManyMessages: ({ facts: { sound, controller, messages, most, same } }) => ({
    title: `${sound} takes ${messages} messages, and one step of ${controller} sends ${most}.`,
    body:
      same.length > 0
        ? `${listText(same)} ${same.length === 1 ? 'is' : 'are'} the same in all your sounds and could be left out; after switching on, or a hand on ${same.length === 1 ? 'it' : 'them'}, it would then be wrong.`
        : 'Spread it over two switches, or store values in presets.',
    fix: null,
  }),
  leftover: ({ facts: { device, what, by, left, cure }, fix }) => ({
    title: `${device} keeps ${what} after ${among(by)}.`,
    body: `${among(left)} ${left.length === 1 ? 'speaks' : 'speak'} of ${device} and ${left.length === 1 ? 'leaves' : 'leave'} that as it is. It stays until something turns it.`,
    fix: fix && cure ? `Say ${cure} in ${left.length === 1 ? left[0] : count(left.length, 'sound')}` : null,
  }),
  forgottenDevice: ({ facts: { device, what, by, forgot, cure } }) => ({
    title: `${device} stays at ${what} after ${among(by)}.`,
    body: `${among(forgot)} ${forgot.length === 1 ? 'says' : 'say'} nothing of ${device}. Say off, rest or leave there.`,
    fix: `Say ${cure === 'leave' ? 'leave alone' : cure} in ${forgot.length === 1 ? forgot[0] : count(forgot.length, 'sound')}`,
  }),
  levelJump: (finding) => ({
    title: `${finding.facts.device} jumps by ${finding.facts.loudLevel - finding.facts.quietLevel} in level.`,
    ...levels(finding, 'Rhythm at 8 leaves room for a lead at 10; more is a shock.'),
  }),
  noHeadroom: (finding) => ({
    title: `${finding.facts.quiet} is no louder than ${finding.facts.loud} on ${finding.facts.device}.`,
    ...levels(finding, 'A lead needs room above the rhythm.'),
  }),
  avoidableHole: ({ facts: { device, from, to, presets, settings, ms, stay, isAlone } }) => ({
    title: `${device} falls silent for ${ms} ms from ${from} to ${to}, for ${count(settings, 'setting')}.`,
    body: `${presets[0]} and ${presets[1]} differ in ${stay}. Stay in ${presets[0]} and send that: no preset is changed.${isAlone ? ' It is only right after a sound in that preset.' : ''}`,
    fix: `Stay in ${presets[0]} and send ${stay}`,
  }),
  againstSchool: ({ facts: { school, cells, sound, device }, fix }) => ({
    title: `Against “${SCHOOL_TEXT[school].name}”: ${count(cells, 'cell')}, first ${device} in ${sound}.`,
    body: `${SCHOOL_AGAINST[school]} You may leave it so.`,
    fix: fix ? 'Let what is not said go back to rest' : null,
  }),
}
