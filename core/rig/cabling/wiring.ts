import type { Adapter, Cable, Lead } from '../table/cable'
import type { Plug, Role, RoleKind } from '../table/port'

const PARTNER: Record<RoleKind, RoleKind> = {
  midiOut: 'midiIn',
  midiIn: 'midiOut',
  usb: 'usb',
  air: 'air',
  switchOut: 'switchIn',
  switchIn: 'switchOut',
  expressionOut: 'expressionIn',
  expressionIn: 'expressionOut',
  audioOut: 'audioIn',
  audioIn: 'audioOut',
  powerOut: 'powerIn',
  powerIn: 'powerOut',
}

/** Whether a cable between jacks in these roles could do anything at all. */
export const arePartners = (a: Role, b: Role): boolean => PARTNER[a.kind] === b.kind

/** Whether a cable may begin here: what it carries comes out of this jack, or goes both ways. */
export const isSource = ({ kind }: Role): boolean => kind.endsWith('Out') || isTwoWay(kind)

export const isTwoWay = (kind: RoleKind): boolean => kind === 'usb' || kind === 'air'

export const isMidi = ({ kind }: Role): boolean => kind === 'midiOut' || kind === 'midiIn' || isTwoWay(kind)

/** What each adapter makes of a wiring; a wiring that is missing does not go in. RP-054; TRRS: common practice. */
const TURNS: Record<Adapter, Partial<Record<Plug, Plug>>> = {
  cross: { trsA: 'trsB', trsB: 'trsA' },
  dinTrsA: { din: 'trsA', trsA: 'din' },
  dinTrsB: { din: 'trsB', trsB: 'din' },
  trrsTrs: { trrs: 'trsA', trsA: 'trrs' },
}

/** Whether a MIDI signal put out by one plug arrives at another through these adapters. */
export const doesWiringFit = (out: Plug, into: Plug, adapters: readonly Adapter[]): boolean =>
  adapters.reduce<Plug | undefined>((wiring, adapter) => wiring && TURNS[adapter][wiring], out) === into

const ADAPTERS = Object.keys(TURNS) as Adapter[]
/** Every way to put at most two adapters behind one another, the fewest first. */
const CHAINS: readonly (readonly Adapter[])[] = [
  [],
  ...ADAPTERS.map((one) => [one]),
  ...ADAPTERS.flatMap((one) => ADAPTERS.map((two) => [one, two])),
]
const PLUGS: readonly Plug[] = ['din', 'trsA', 'trsB', 'trrs']
const FEWEST = new Map(
  PLUGS.flatMap((out) =>
    PLUGS.map(
      (into) => [`${out}/${into}`, CHAINS.find((chain) => doesWiringFit(out, into, chain))!] as const,
    ),
  ),
)

/** The fewest adapters that make two plugs fit. Every pair of plugs fits with at most two. */
export const adaptersBetween = (out: Plug, into: Plug): readonly Adapter[] => FEWEST.get(`${out}/${into}`)!

/** The leads whose plugs go into a jack in this role, the usual one first. */
function leadsFor(role: Role): readonly Lead[] {
  switch (role.kind) {
    case 'midiIn':
    case 'midiOut':
      // A mono lead goes in and does not work: players have them at hand, so it can be said and is then found.
      return role.plug === 'din'
        ? ['din3', 'din5']
        : role.plug === 'trrs'
          ? ['trrs', 'trs', 'ts']
          : ['trs', 'ts']
    case 'usb':
    case 'air':
      return [role.kind]
    case 'switchIn':
    case 'switchOut':
      return role.poles === 2 ? ['trs', 'ts'] : ['ts', 'trs']
    case 'expressionIn':
    case 'expressionOut':
      return ['trs', 'ts']
    case 'audioIn':
    case 'audioOut':
      return role.sound === 'stereo' ? ['trs', 'ts'] : ['ts', 'trs']
    case 'powerIn':
    case 'powerOut':
      return ['power']
  }
}

/** Which leads make sense between two jacks, the usual one first. Where the plugs differ, an adapter sees to the rest. */
export function leadsBetween(a: Role, b: Role): readonly Lead[] {
  if (isPowering(a, b)) return ['din5', 'din3']
  // A mono plug into a stereo jack carries one side of it: that is what most players lay.
  if ('sound' in a && 'sound' in b && a.sound !== b.sound) return ['ts', 'trs']
  const both = leadsFor(a).filter((lead) => leadsFor(b).includes(lead))
  return both.length > 0 ? both : leadsFor(a).filter((lead) => lead !== 'trrs')
}

/** Whether one end puts power on the MIDI cable and the other lives on it. */
export const isPowering = (a: Role, b: Role): boolean =>
  phantomOf(a) !== 'none' && phantomOf(b) !== 'none' && phantomOf(a) !== phantomOf(b)

/** Whether a jack gives or takes power over MIDI. */
export const phantomOf = (role: Role): 'none' | 'gives' | 'takes' =>
  role.kind === 'midiIn' || role.kind === 'midiOut' ? role.phantom : 'none'

/** What to buy for two jacks: the lead with the adapters that make it work. */
export function partsBetween(a: Role, b: Role): Pick<Cable, 'lead' | 'adapters'> {
  const lead = leadsBetween(a, b)[0]!
  if ('plug' in a && 'plug' in b) return { lead, adapters: [...adaptersBetween(a.plug, b.plug)] }
  return { lead, adapters: needsCross(a, b) ? ['cross'] : [] }
}

/** Whether tip and ring must change places between two jacks that are not MIDI. */
export function needsCross(a: Role, b: Role): boolean {
  if ('wiper' in a && 'wiper' in b) return a.wiper !== b.wiper
  return 'poles' in a && 'poles' in b && a.poles === 2 && b.poles === 2 && a.first !== b.first
}
