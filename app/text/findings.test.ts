import { describe, expect, it } from 'vitest'
import type { Finding } from '#core/check'
import { findingText } from './findings'
import { findingsOfStage, STAGES } from './stages'

const LEVELS = {
  device: 'Preamp',
  loud: 'Solo',
  quiet: 'Verse',
  loudPreset: '9 Full',
  quietPreset: '3 Round',
  loudLevel: 10,
  quietLevel: 5,
  planned: 7,
}

const BY = [
  { box: 'Supply', jack: 'Outlet 1' },
  { box: 'Supply', jack: 'Outlet 2' },
]

/** Facts as the checks give them, one finding or more for every code. */
const facts: { readonly [Code in Finding['code']]: readonly Extract<Finding, { code: Code }>['facts'][] } = {
  noPath: [
    { device: 'Echo', why: 'uncabled', source: 'Hub', room: null },
    { device: 'Echo', why: 'uncabled', source: null, room: null },
    {
      device: 'Echo',
      why: 'leadsNowhere',
      source: null,
      room: { box: 'MIDI thru box', behind: 'Hub', supply: null },
    },
    {
      device: 'Echo',
      why: 'uncabled',
      source: null,
      room: { box: 'MIDI thru box', behind: 'Hub', supply: 'Supply, Outlet 1' },
    },
  ],
  outForThru: [
    { box: 'A', jack: 'MIDI out', thru: 'MIDI thru', isThruFree: true, to: 'B', silenced: ['B'] },
    { box: 'A', jack: 'MIDI out', thru: 'MIDI thru', isThruFree: false, to: 'B', silenced: ['B', 'C'] },
  ],
  brokenLoop: [
    { box: 'Preamp', through: ['Echo'], endsAt: null },
    { box: 'Preamp', through: [], endsAt: 'Amp' },
  ],
  earthLoop: [{ source: 'Bass', ends: ['Amp', 'Mixer'] }],
  stereoLost: [
    { from: 'Reverb', to: 'Amp', why: 'jack' },
    { from: 'Reverb', to: 'Looper', why: 'lead' },
  ],
  phonesBypassed: [
    { box: 'Unit', behind: ['Looper'] },
    { box: 'Unit', behind: ['Looper', 'Reverb'] },
  ],
  soundEndsIn: [{ source: 'Bass', last: 'Reverb' }],
  monoLead: [{ pedal: 'Sweep', box: 'Controller', jack: 'Expression' }],
  noMidiPower: [
    { box: 'A', jack: 'MIDI in', others: ['B'] },
    { box: 'A', jack: 'MIDI in', others: [] },
  ],
  otherController: [
    { label: 'Lead', number: 3, controller: 'Left', devices: ['Echo'], reachedBy: 'Right' },
    { label: '', number: 3, controller: 'Left', devices: ['Echo', 'Amp'], reachedBy: 'Right' },
  ],
  noBankSelect: [{ controller: 'C', device: 'Echo', banks: 3, first: '1', last: '128' }],
  wrongRole: [
    { box: 'Echo', jack: 'Jack', other: 'Hub', set: 'expressionIn', wanted: 'midiIn', silenced: ['Echo'] },
    { box: 'Echo', jack: 'Jack', other: 'Hub', set: 'powerIn', wanted: null, silenced: [] },
  ],
  wrongWiring: [
    {
      from: 'Hub',
      to: 'Echo',
      out: 'trsA',
      into: 'trsB',
      why: 'wiring',
      has: [],
      adapters: ['cross'],
      silenced: ['Echo', 'Amp'],
    },
    { from: 'Hub', to: 'Echo', out: 'trsA', into: 'trsA', why: 'trrs', has: [], adapters: [], silenced: [] },
    {
      from: 'Hub',
      to: 'Echo',
      out: 'din',
      into: 'trsA',
      why: 'wiring',
      has: [],
      adapters: ['dinTrsA'],
      silenced: [],
    },
    { from: 'Hub', to: 'Echo', out: 'trsA', into: 'trsA', why: 'mono', has: [], adapters: [], silenced: [] },
    {
      from: 'Hub',
      to: 'Echo',
      out: 'trsA',
      into: 'trsA',
      why: 'wiring',
      has: ['cross'],
      adapters: [],
      silenced: [],
    },
    {
      from: 'Hub',
      to: 'Echo',
      out: 'din',
      into: 'trsB',
      why: 'wiring',
      has: ['dinTrsA'],
      adapters: ['dinTrsB'],
      silenced: [],
    },
  ],
  thruOff: [{ box: 'Preamp', jack: 'Thru', silenced: ['Echo'] }],
  usbWithoutHost: [
    { from: 'A', to: 'B', ends: 'device', host: 'Tablet', silenced: [] },
    { from: 'A', to: 'B', ends: 'device', host: null, silenced: ['B'] },
    { from: 'A', to: 'B', ends: 'host', host: null, silenced: [] },
  ],
  crowdedJack: [
    { box: 'Echo', jack: 'In', why: 'senders', others: ['A', 'B'] },
    { box: 'Echo', jack: 'In', why: 'plugs', others: ['A', 'B'] },
  ],
  loop: [
    { boxes: ['A', 'B'], silenced: [] },
    { boxes: ['A', 'B'], silenced: ['C'] },
  ],
  sharedChannel: [
    { channel: 4 as never, device: 'Echo', holder: 'Amp', mover: 'Echo', free: 5 as never },
    { channel: 4 as never, device: 'Echo', holder: 'Amp', mover: 'Echo', free: null },
  ],
  omniDevice: [{ device: 'Echo', others: 3, free: 2 as never }],
  noChannel: [
    { device: 'Echo', free: 2 as never, isFixed: false },
    { device: 'Echo', free: null, isFixed: false },
    { device: 'Echo', free: null, isFixed: true },
  ],
  blockedChannel: [{ device: 'Echo', channel: 4, box: 'Hub', jack: 'Out' }],
  ignoresPrograms: [{ device: 'Echo', switches: 1 }],
  echoedPrograms: [
    { device: 'Echo', hurts: ['Controller'], reachesController: true },
    { device: 'Echo', hurts: ['Amp'], reachesController: false },
  ],
  wrongWiper: [{ pedal: 'Sweep', box: 'Controller', jack: 'Expression', wiper: 'tip' }],
  wrongContact: (['rest', 'action', 'order', 'poles'] as const).map((why) => ({
    from: 'Relay',
    to: 'Amp',
    jack: 'Foot',
    why,
    has: 'open',
    wants: 'momentary',
    setAt: 'from' as const,
  })),
  tooManyThrus: [{ device: 'Echo', thrus: 4, through: ['A', 'B', 'C', 'D'] }],
  longCable: [{ from: 'A', to: 'B', centimetres: 2000, most: 1500 }],
  wrongPower: (['volts', 'current', 'centre'] as const).map((why) => ({
    box: 'Echo',
    supply: 'Supply',
    outlet: 'Outlet 1',
    why,
    gives: '9',
    needs: '12',
    better: why === 'volts' ? 'Supply, Outlet 2' : null,
  })),
  weakPower: [
    { supply: 'Supply', outlet: 'Outlet 1', boxes: ['A', 'B'], drawn: 300, gives: 250, better: null },
  ],
  fedTwice: [
    { box: 'Echo', by: BY, overMidi: true },
    { box: 'Echo', by: BY, overMidi: false },
  ],
  midiPower: [
    { from: 'A', to: 'B', why: 'needsFivePins' },
    { from: 'A', to: 'B', why: 'notBuiltForIt' },
  ],
  cannotPerform: [
    {
      controller: 'C',
      need: 'usbHost',
      wanted: 1,
      has: 0,
      by: ['Synth'],
      wouldDo: ['Ten-switch controller'],
    },
    { controller: 'C', need: 'messages', wanted: 9, has: 6, by: [], wouldDo: [] },
  ],
  unsendablePreset: [
    {
      device: 'Echo',
      display: 'B4',
      program: 11,
      bank: 0,
      controller: 'C',
      why: 'listStops',
      highestProgram: 9,
    },
    {
      device: 'Echo',
      display: 'B4',
      program: 11,
      bank: 1,
      controller: 'C',
      why: 'noBankSelect',
      highestProgram: 9,
    },
  ],
  silentSwitch: [
    { label: 'Lead', presses: [1], of: 1, why: 'empty' },
    { label: 'Lead', presses: [2], of: 2, why: 'unheard' },
    { label: 'To the reel', presses: [1], of: 1, why: 'noPart' },
  ],
  controlClash: [
    { number: 21, device: 'Echo', control: 'Mix', otherDevice: 'Echo', other: 'Age', free: 22 },
    { number: 21, device: 'Echo', control: 'Mix', otherDevice: 'Amp', other: 'Age', free: null },
  ],
  reservedNumber: (['mode', 'bankSelect', 'parameterNumbers'] as const).map((what) => ({
    device: 'Echo',
    control: 'Mix',
    number: 120,
    what,
    free: 20,
  })),
  lookAlike: [
    { device: 'Echo', one: 'Tap tempo', other: 'Looper: Tap', why: 'tap' },
    { device: 'Echo', one: 'Mix', other: 'Reverb: Mix', why: 'name' },
  ],
  notEntered: [{ device: 'Synth', control: 'Sweep', presets: ['1 Sub', '2 Bell'] }],
  relearnPair: [
    { device: 'Preamp', pair: 'Verse', isLocked: true, isFirst: false },
    { device: 'Preamp', pair: 'Verse', isLocked: false, isFirst: true },
  ],
  soundCannot: (
    [
      'noBypass',
      'noRest',
      'noWay',
      'noProgram',
      'otherDevice',
      'cannotBeSet',
      'notMapped',
      'pulsed',
      'ignoresPrograms',
    ] as const
  ).map((why) => ({ sound: 'Verse', device: 'Echo', why, control: 'Freeze' })),
  soundDoubt: [{ sound: 'Verse', device: 'Echo', why: 'cannotBeSet', control: 'Freeze' }],
  soundClash: [{ sound: 'Verse', device: 'Echo', other: 'Amp', channel: 3 }],
  lostControls: (['store', 'stay', null] as const).map((fixIs) => ({
    sound: 'Verse',
    device: 'Echo',
    controls: ['Mix 35 %'],
    deafMs: 60,
    controller: 'Eight switches',
    fixIs,
    preset: 'Dotted',
  })),
  tooManyMessages: [
    { sound: 'Verse', controller: 'Eight switches', messages: 17, most: 16, same: ['Echo'] },
    { sound: 'Verse', controller: 'Eight switches', messages: 17, most: 16, same: [] },
  ],
  leftover: [
    { device: 'Echo', what: 'Mix 35 %', by: ['Solo'], left: ['Verse'], cure: 'Mix 0 %' },
    { device: 'Echo', what: 'Mix 35 %', by: ['A', 'B', 'C', 'D'], left: ['E', 'F'], cure: '' },
  ],
  forgottenDevice: (['off', 'rest', 'leave'] as const).map((cure) => ({
    device: 'Echo',
    what: 'B4 Dotted',
    by: ['Solo'],
    forgot: cure === 'off' ? ['Verse'] : ['Verse', 'Chorus'],
    cure,
  })),
  levelJump: [LEVELS],
  noHeadroom: [LEVELS],
  avoidableHole: [
    {
      device: 'Echo',
      from: 'Verse',
      to: 'Chorus',
      presets: ['B4 Dotted', 'C2 Long'],
      settings: 1,
      ms: 80,
      stay: 'Mix 50 %',
      isAlone: true,
    },
    {
      device: 'Echo',
      from: 'Verse',
      to: 'Chorus',
      presets: ['B4 Dotted', 'C2 Long'],
      settings: 2,
      ms: 80,
      stay: 'Mix 50 %, Repeats 20 %',
      isAlone: false,
    },
  ],
  againstSchool: (['presets', 'songPreset', 'absolute', 'backToRest'] as const).map((school) => ({
    school,
    cells: 2,
    sound: 'Verse',
    device: 'Echo',
  })),
  parity: [
    {
      device: 'Synth',
      control: 'Hold',
      mode: 'alternate',
      reading: 'toggle',
      after: { off: ['on', 'on', 'off'], on: ['off', 'off', 'on'] },
      pressesAChange: 2,
    },
    {
      device: 'Synth',
      control: 'Hold',
      mode: 'alternate',
      reading: 'toggle',
      after: { off: ['on', 'off', 'on'], on: ['off', 'on', 'off'] },
      pressesAChange: 1,
    },
    {
      device: 'Echo',
      control: 'On',
      mode: 'hold',
      reading: 'switch',
      after: { off: ['off', 'off', 'off'], on: ['on', 'on', 'on'] },
      pressesAChange: null,
    },
  ],
  twinGestures: [
    {
      one: { event: 'press', position: 0, positions: 1 },
      other: { event: 'longPress', position: 0, positions: 1 },
    },
    {
      one: { event: 'press', position: 0, positions: 3 },
      other: { event: 'press', position: 2, positions: 3 },
    },
  ],
  noWayBack: [
    { number: 3, name: 'Undertow', isPage: false, isShift: false, isDeadEnd: true, home: 'Net menders' },
    { number: 4, name: '', isPage: true, isShift: false, isDeadEnd: false, home: '1' },
    { number: 4, name: '', isPage: false, isShift: true, isDeadEnd: true, home: '1' },
  ],
  unreachedSound: [
    { sound: 'Solo', isStranded: false },
    { sound: 'Solo', isStranded: true },
  ],
  unsentControl: [
    { device: 'Echo', controls: ['Mix'] },
    { device: 'Echo', controls: ['Mix', 'Repeats', 'Wow', 'Tone', 'Level'] },
  ],
  strictValue: [
    { device: 'Synth', control: 'Wah', value: 64, highest: 127, event: 'press', position: 0, positions: 1 },
  ],
  undoneSet: [
    {
      device: 'Echo',
      control: 'Mix',
      preset: 'Long tape',
      isSure: true,
      event: 'press',
      position: 0,
      positions: 1,
    },
    {
      device: 'Echo',
      control: 'Mix',
      preset: '',
      isSure: false,
      event: 'release',
      position: 0,
      positions: 1,
    },
  ],
  lostOnSwitch: [
    {
      device: 'Reverb',
      messages: 1,
      deafMs: 20,
      waitMs: 20,
      canWait: true,
      controller: 'Eight-switch controller',
      event: 'press',
      position: 0,
      positions: 1,
    },
    {
      device: 'Reverb',
      messages: 3,
      deafMs: 20,
      waitMs: 18,
      canWait: false,
      controller: 'Eight-switch controller',
      event: 'longPress',
      position: 0,
      positions: 1,
    },
  ],
  overfullSwitch: [0, 8].map((macros) => ({
    messages: 20,
    most: 16,
    controller: 'Eight-switch controller',
    macros,
    event: 'doublePress' as const,
    position: 0,
    positions: 1,
  })),
  slowSwitch: [{ ms: 1240, last: 'Amp', event: 'press', position: 1, positions: 2 }],
  keptGesture: (['press', 'longPress', 'doublePress', 'together'] as const).map((how) => ({
    controller: 'Eight-switch controller',
    how,
    numbers: [4, 8],
    does: 'opens editing',
  })),
  editingOnStage: (['release', 'longPress'] as const).map((uses) => ({
    controller: 'Eight-switch controller',
    afterMs: 2000,
    uses,
    does: 'opens editing',
  })),
  beyondController: [
    ...(
      [
        'release',
        'longPress',
        'doublePress',
        'shift',
        'colours',
        'wait',
        'macros',
        'label',
        'clock',
        'jack',
        'unplugged',
      ] as const
    ).map((what) => ({
      controller: 'Eight-switch controller',
      what,
      wanted: 3,
      has: 2,
      proposal: 'Chorus',
      text: 'Chorus with the drive',
    })),
    { controller: 'Eight-switch controller', what: 'wait', wanted: 50, has: 0, proposal: '', text: '' },
    { controller: 'Eight-switch controller', what: 'macros', wanted: 1, has: 0, proposal: '', text: '' },
  ],
  lyingLamp: (['press', 'double', 'down', 'up', 'bank'] as const).map((kind) => ({
    switch: 'Freeze',
    isLit: true,
    claim: { kind: 'on' as const, controlId: 'freeze' },
    isFewest: kind !== 'bank',
    device: 'Hall reverb',
    control: 'Freeze',
    moves: [
      ...Array.from({ length: 4 }, () => ({
        kind: 'press' as const,
        number: 4,
        jack: '',
        name: 'Freeze',
        bank: '3 Storm',
      })),
      { kind, number: kind === 'bank' ? null : 2, jack: '', name: '', bank: '' },
    ],
    steps: [],
    length: 0,
  })),
  wrongMoment: [
    ...(
      ['noSound', 'noSwitch', 'noStep', 'noWay', 'device', 'lost', 'otherPart', 'late', 'tempo'] as const
    ).map((kind) => ({
      song: 'The storm',
      part: 'Chorus, drive',
      kinds: [kind, 'tempo' as const],
      devices: ['Tape echo', 'Preamp'],
    })),
    { song: 'The storm', part: '', kinds: ['device'], devices: ['Tape echo'] },
  ],
  runDiffers: [{ run: 'Verse to chorus', differences: 2 }],
  provenFault: (
    [
      { kind: 'soundMissed', sound: 'Verse', thing: 'Tape echo Mix', wanted: '40 %', is: '20 %' },
      { kind: 'soundMissed', sound: 'Verse', thing: 'Tape echo Mix', wanted: '40 %', is: '' },
      { kind: 'soundLeaves', sound: 'Chorus', thing: 'Tape echo Mix', usual: '20 %', is: '40 %', by: 'Solo' },
      { kind: 'soundLeaves', sound: 'Chorus', thing: 'Tape echo Mix', usual: '', is: '40 %', by: '' },
      { kind: 'deaf', switch: 'Verse', before: 'Solo', device: 'Hall reverb', afterMs: 150, safeMs: 230 },
      { kind: 'deaf', switch: 'Verse', before: '', device: 'Hall reverb', afterMs: 0, safeMs: 0 },
      { kind: 'notOnFoot', sound: 'Verse' },
      { kind: 'noWay', sound: 'Verse', bank: '3 Storm', layer: 'base' },
      { kind: 'noHome', bank: '3 Storm', layer: 'shift' },
      { kind: 'dead', switch: 'Verse' },
      { kind: 'twin', switch: 'Verse', other: 'Solo' },
      { kind: 'undone', switch: 'Verse', device: 'Tape echo', preset: 'B4 Dotted eighth' },
    ] as const
  ).map((fault) => ({ line: 'sounds' as const, fault, moves: [], steps: [], length: 0 })),
  pedalNoFoot: (['noJack', 'otherRole', 'nothingIn', 'noBuiltIn', 'noToe'] as const).map((why) => ({
    pedal: 'Right foot',
    box: 'Controller',
    jack: why === 'noBuiltIn' ? '' : 'Expression 1',
    why,
  })),
  pedalTwice: [{ pedal: 'Right foot', other: 'Left foot', box: 'Controller', jack: 'Expression 1' }],
  pedalAnother: [
    { pedal: 'Right foot', now: 'Sweep', on: '2026-11-20' },
    { pedal: 'Right foot', now: '', on: '2026-11-20' },
  ],
  pedalUnfit: (['again', 'swap', 'suspect'] as const).map((verdict) => ({
    pedal: 'Right foot',
    verdict,
    on: '2026-11-20',
  })),
  pedalUnheard: (['noChannel', 'noWay', 'elsewhere'] as const).map((why) => ({
    pedal: 'Right foot',
    control: 'Mix',
    device: 'Echo',
    why,
  })),
  narrowedTwice: [{ pedal: 'Right foot', control: 'Wah', controller: 51, device: 51, arrives: 26 }],
  pedalNumber: [
    { pedal: 'Right foot', control: 'Wah', number: 7, why: 'other', other: 'Volume', free: 11 },
    { pedal: 'Right foot', control: 'Wah', number: 20, why: 'own', other: '', free: null },
  ],
  pedalsFight: [{ pedal: 'Right foot', other: 'Left foot', control: 'Mix', device: 'Echo' }],
  pedalLeaps: [
    {
      pedal: 'Right foot',
      from: 'Wah',
      to: '',
      fromNumber: 1,
      toNumber: 2,
      foot: 'heel',
      control: 'Volume',
      before: '100 %',
      after: '35 %',
      isMost: true,
    },
  ],
  deadRole: [
    { pedal: 'Right foot', role: 'Wah', number: 2, why: 'behindAlways' },
    { pedal: 'Right foot', role: '', number: 2, why: 'noBank' },
    { pedal: 'Right foot', role: '', number: 1, why: 'ownJack' },
  ],
  pedalFloods: [
    { pedal: 'Right foot', role: '', number: 1, perSecond: 4096, delayMs: 733, thins: true, pauseMs: 10 },
    {
      pedal: 'Right foot',
      role: 'Wah',
      number: 1,
      perSecond: 4096,
      delayMs: 733,
      thins: false,
      pauseMs: null,
    },
    {
      pedal: 'Right foot',
      role: 'Wah',
      number: 1,
      perSecond: 4096,
      delayMs: 733,
      thins: true,
      pauseMs: null,
    },
  ],
  offOneWay: [
    { pedal: 'Right foot', label: 'Wah', number: 3 },
    { pedal: 'Right foot', label: '', number: 3 },
  ],
  pedalBehindLamp: [{ pedal: 'Right foot', control: 'Mix', device: 'Echo', label: '', number: 3 }],
  offBeat: [
    {
      sound: 'Verse',
      device: 'Echo',
      control: 'Time',
      bpm: 93.8,
      division: 'dottedEighth',
      shown: '400 ms',
      nearest: '482 ms',
      value: 88,
      offMs: -79.7,
      errorMs: 2.3,
    },
  ],
  tapOutCannot: [
    { device: 'Tremolo', of: '', bpm: null, why: { code: 'noWay' } },
    { device: 'Tremolo', of: 'Storm', bpm: 290, why: { code: 'tooFast', beatMs: 206.9, needsMs: 250 } },
    { device: 'Tremolo', of: 'Storm', bpm: 25, why: { code: 'forgets', beatMs: 2400, afterMs: 2000 } },
    { device: 'Tremolo', of: 'Storm', bpm: 310, why: { code: 'beyond', low: 30, high: 300 } },
  ],
  tapOutLate: [{ song: 'Storm', device: 'Tremolo', beats: 3, countIn: 2, ms: 1363.6 }],
  tapOutMissing: [{ song: 'Storm', device: 'Tremolo', bank: 'Storm' }],
  clockHarm: [{ device: 'Reverb', from: 'Controller', box: 'Hub', jack: 'Out 2' }],
  twoClocks: [
    { device: 'Echo', from: ['Controller', 'Looper'], ways: 2 },
    { device: 'Echo', from: ['Controller'], ways: 2 },
  ],
  tapIsLooper: [
    { device: 'Echo', control: 'Tap', tempo: 'Tap tempo', event: 'press', position: 0, positions: 1 },
    { device: 'Echo', control: 'Tap', tempo: '', event: 'longPress', position: 0, positions: 1 },
  ],
  loopClear: [
    { device: 'Looper', label: 'Stop loop', number: 2, how: 'hold', holdMs: 500, stop: 'Stop loop' },
    { device: 'Looper', label: '', number: 3, how: 'beside', holdMs: 2000, stop: 'Stop loop' },
  ],
  loopStop: [{ device: 'Looper', bank: 'Finale', from: 'Storm', stop: 'Stop loop' }],
  loopTempo: [{ device: 'Looper', label: 'Tap', number: 3, by: 'tap' }],
}

const fix = { label: 'changeDevice', changes: [] } as const
const all = Object.entries(facts).flatMap(([code, each]) =>
  each.map(
    (one) =>
      ({
        code,
        severity: 'error',
        about: { table: 'devices', id: 'x' },
        facts: one,
        fix,
      }) as unknown as Finding,
  ),
)

describe('every finding in words', () => {
  it.each(all.map((finding) => [finding.code, finding] as const))('%s', (_, finding) => {
    const { title, body, fix: button } = findingText(finding)
    // Whole sentences, with every fact in its place, and no shouting.
    expect(title).toMatch(/^[A-Z].*\.$/)
    expect(body).toMatch(/^[A-Z\d].*\.$/)
    for (const text of [title, body, button ?? '']) {
      expect(text).not.toMatch(/undefined|null|NaN|\[object|!| {2}/)
      expect(text.length).toBeLessThan(260)
    }
    if (button !== null) expect(button).toMatch(/^[A-Z].*[^.]$/)
  })

  it('one that says who hears nothing counts them right', () => {
    const said = all.filter(({ code }) => code === 'wrongWiring').map((one) => findingText(one).body)
    expect(said[0]).toContain('Echo and Amp hear nothing.')
    expect(said[1]).not.toContain('hear')
  })
})

describe('stages', () => {
  it('count every finding once', () => {
    const tables = STAGES.flatMap((stage) => stage.tables)
    expect(new Set(tables).size).toBe(tables.length)
    const [rig, charts] = STAGES
    const about = (table: 'controls' | 'cables') => ({ ...all[0]!, about: { table, id: 'x' } }) as Finding
    expect(findingsOfStage(rig!, [about('cables'), about('controls')])).toHaveLength(1)
    expect(findingsOfStage(charts!, [about('cables'), about('controls')])).toHaveLength(1)
  })
})
