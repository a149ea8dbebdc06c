import { count, listText } from '#shared/words/counts'
import type { Sayings } from './saying'

export const deviceSayings: Sayings<
  | 'noBankSelect'
  | 'sharedChannel'
  | 'omniDevice'
  | 'noChannel'
  | 'blockedChannel'
  | 'ignoresPrograms'
  | 'echoedPrograms'
> = {
  sharedChannel: ({ facts: { channel, device, holder, mover, free }, fix }) => ({
    title: `${device} and ${holder} both listen on channel ${channel}.`,
    body:
      free === null
        ? 'Every message for one reaches the other, and all 16 channels are taken. Share one on purpose between two that change together, or put some devices on a second output.'
        : 'Every message for one reaches the other. Give each its own channel, here and on the device, or share it on purpose.',
    fix: fix && free !== null ? `Move ${mover} to channel ${free}` : null,
  }),
  omniDevice: ({ facts: { device, others, free } }) => ({
    title: `${device} answers on every channel.`,
    body: `It reacts to what is meant for the other ${count(others, 'device')}.`,
    fix: free === null ? null : `Set it to channel ${free}`,
  }),
  noBankSelect: ({ facts: { controller, device, banks, first, last } }) => ({
    title: `${controller} cannot turn the banks of ${device}.`,
    body: `${device} has ${banks} banks of presets, and ${controller} sends no bank select: it reaches ${first} to ${last} of whichever bank ${device} was left in. Keep what you need in the first, and leave it there.`,
    fix: null,
  }),
  noChannel: ({ facts: { device, free, isFixed } }) => ({
    title: `${device} listens on no channel.`,
    body: isFixed
      ? 'Its channel is fixed by the maker. See its manual for how it takes MIDI.'
      : free === null
        ? 'All 16 channels are taken. Share one on purpose between two that change together, or put some devices on a second output.'
        : 'It hears nothing until it has one, here and on the device.',
    fix: free === null ? null : `Set it to channel ${free}`,
  }),
  blockedChannel: ({ facts: { device, channel, box, jack } }) => ({
    title: `Channel ${channel} does not come through to ${device}.`,
    body: `${jack} on ${box} keeps it back.`,
    fix: `Let channel ${channel} through`,
  }),
  ignoresPrograms: ({ facts: { device, switches } }) => ({
    title: `${device} does not obey program changes.`,
    body: `${count(switches, 'switch', 'switches')} would change its preset. Switch it on here and on the device.`,
    fix: 'Obey program changes',
  }),
  echoedPrograms: ({ facts: { device, hurts, reachesController } }) => ({
    title: `${device} sends its program changes back.`,
    body: `They reach ${listText(hurts)}${
      reachesController ? ', which may change with it or send them on' : ', which would change preset too'
    }.`,
    fix: 'Stop it sending them',
  }),
}
