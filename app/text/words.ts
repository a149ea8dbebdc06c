/** A word of the trade: what it is, in a sentence, and what it is like in everyday life. */
export interface TradeWord {
  readonly key: string
  readonly word: string
  /** Other ways to call it, for looking it up. */
  readonly also: readonly string[]
  readonly is: string
  readonly like: string
}

const word = (key: string, name: string, also: readonly string[], is: string, like: string): TradeWord => ({
  key,
  word: name,
  also,
  is,
  like,
})

/** In the order of the alphabet. */
export const WORDS: readonly TradeWord[] = [
  word(
    'audio-loop',
    'Audio loop',
    ['send and return', 'effects loop', 'fx loop'],
    'A way out of a preamp and back into its power amp, for boxes that should come after its tone.',
    'Like a side road that leaves the village after the bakery and comes back before the church.',
  ),
  word(
    'bank',
    'Bank',
    ['page'],
    'One set of things the same switches do; going to another bank gives each switch another job.',
    'Like the floors of a house with the same doors on each.',
  ),
  word(
    'bank-select',
    'Bank select',
    ['CC 0', 'CC 32', 'msb', 'lsb'],
    'A message that says which set of 128 presets the next program change means.',
    'Like naming the shelf before the number of the book.',
  ),
  word(
    'bypass',
    'Bypass',
    ['off', 'true bypass'],
    'The sound goes past an effect as if it were not there.',
    'Like a road round the town.',
  ),
  word(
    'channel',
    'Channel',
    ['MIDI channel', 'omni'],
    'One of 16 addresses on a MIDI cable; a device obeys only what is sent to its own.',
    'Like house numbers in a street: the postman walks past every door, and only one letter box is yours.',
  ),
  word(
    'checksum',
    'Checksum',
    ['check byte'],
    'A byte at the end of a message, reckoned from all before it, so that a garbled one is noticed.',
    'Like the last digit of a bank account: one slip of the pen, and it no longer fits.',
  ),
  word(
    'clock',
    'Clock',
    ['MIDI clock', 'sync', '24 ppq'],
    'A beat sent 24 times a quarter note, so that delays and tremolos keep time together.',
    'Like a drummer’s foot that everybody can feel.',
  ),
  word(
    'contact',
    'Contact',
    ['relay', 'normally open', 'normally closed'],
    'Two pieces of metal that touch or do not; amps read them on their footswitch jack.',
    'Like a doorbell button, with nothing else in it.',
  ),
  word(
    'control-change',
    'Control change',
    ['CC', 'controller'],
    'A message that sets one thing to a value from 0 to 127: mix, volume, effect on or off.',
    'Like turning one knob from far away.',
  ),
  word(
    'din',
    'DIN',
    ['five pin', '5-pin'],
    'The round plug with five pins that MIDI began with.',
    'Like a door key with five teeth, of which three are used.',
  ),
  word(
    'dump',
    'Dump',
    ['bulk dump', 'syx'],
    'All that a device sends of its presets and settings, as SysEx, to be kept and sent back later.',
    'Like a photograph of a chess board: with it the game can be put up again, piece by piece.',
  ),
  word(
    'expression',
    'Expression pedal',
    ['sweep', 'wiper'],
    'A pedal that stays where the foot leaves it and says how far down it is.',
    'Like the accelerator of a car.',
  ),
  word(
    'latching',
    'Latching',
    ['toggle switch'],
    'A switch that stays down until it is stepped on again.',
    'Like a light switch on the wall.',
  ),
  word(
    'leftover',
    'Leftover',
    ['what stays on'],
    'Something one sound turned on and the next one does not turn off.',
    'Like a light left on in a room you have gone out of.',
  ),
  word(
    'momentary',
    'Momentary',
    ['unlatched'],
    'A switch that is on only as long as the foot is on it.',
    'Like a doorbell.',
  ),
  word(
    'nrpn',
    'NRPN',
    ['non-registered parameter', 'CC 98', 'CC 99'],
    'A way to reach more than 128 knobs: first two messages choose one, then one or two set it.',
    'Like dialling an extension before you speak.',
  ),
  word(
    'numbering',
    'Numbering',
    ['off by one', 'counts from 0'],
    'What a device’s display shows for the first preset; what is sent for it is always program 0.',
    'Like the ground floor: some lifts call it 0, some 1.',
  ),
  word(
    'phantom',
    'Power over MIDI',
    ['phantom power'],
    'Supply current on the two spare pins of a DIN cable; only for boxes built for it.',
    'Like a lamp that is fed by its telephone line.',
  ),
  word(
    'preset',
    'Preset',
    ['patch', 'program', 'scene'],
    'All settings of a device, stored under one number.',
    'Like a photograph of where all knobs stood.',
  ),
  word(
    'program-change',
    'Program change',
    ['PC'],
    'A message that calls a stored preset by its number, from 0 to 127.',
    'Like pressing a button on a jukebox.',
  ),
  word(
    'loop',
    'Ring',
    ['MIDI loop', 'feedback'],
    'Cables that lead messages back to where they came from, so that one step is sent for ever.',
    'Like two people who each repeat what the other says.',
  ),
  word(
    'running-status',
    'Running status',
    [],
    'Leaving out the first byte of a message when it is the same as before.',
    'Like saying "and you?" instead of the whole question again.',
  ),
  word(
    'shift',
    'Shift layer',
    ['layer'],
    'A second job for every switch, as long as the layer is on.',
    'Like capital letters on a keyboard.',
  ),
  word(
    'spillover',
    'Spillover',
    ['trails', 'tails'],
    'The last echoes of an effect go on sounding after it was switched off.',
    'Like a bell that rings on when the rope is let go.',
  ),
  word(
    'sysex',
    'System exclusive',
    ['SysEx', 'dump'],
    'A message in a maker’s own language, often a whole bank of presets.',
    'Like a sealed parcel: the postman only carries it.',
  ),
  word(
    'tap',
    'Tap tempo',
    ['tap'],
    'Stepping in time, so that a device works the tempo out.',
    'Like clapping along until the band has it.',
  ),
  word(
    'thru',
    'Thru',
    ['MIDI thru', 'daisy chain'],
    'A jack that hands on what comes in; the out beside it carries only what the box itself says.',
    'Like passing a letter on unopened, instead of writing one of your own.',
  ),
  word(
    'trs-type',
    'TRS type A and B',
    ['TRS MIDI', 'minijack'],
    'Two ways to wire MIDI to a small jack; one does not understand the other without a crossing adapter.',
    'Like two plugs of one shape with the wires swapped.',
  ),
  word(
    'host',
    'USB host',
    ['usb', 'usb device'],
    'The end of a USB cable that runs the talk; two boxes with the other kind of end say nothing to each other.',
    'Like a teacher in a class: without one nobody is called up.',
  ),
  word(
    'off-value',
    'Value',
    ['0-127', 'on value', 'off value'],
    'The number behind a control change; up to 63 most devices read as off, from 64 as on.',
    'Like the position of a slider with 128 notches.',
  ),
]

export const wordOf = (key: string): TradeWord | undefined => WORDS.find((one) => one.key === key)

/** Words that answer to what is typed: by their name, another name, or anywhere in what they are. */
export function wordsFor(query: string): readonly TradeWord[] {
  const typed = query.trim().toLowerCase()
  if (typed === '') return WORDS
  const rank = ({ word: name, also, is, like }: TradeWord): number => {
    if (name.toLowerCase().startsWith(typed)) return 0
    if ([name, ...also].some((one) => one.toLowerCase().includes(typed))) return 1
    return `${is} ${like}`.toLowerCase().includes(typed) ? 2 : 3
  }
  return WORDS.map((one) => ({ one, rank: rank(one) }))
    .filter((found) => found.rank < 3)
    .sort((a, b) => a.rank - b.rank)
    .map(({ one }) => one)
}
