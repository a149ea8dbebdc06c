/** Status bytes of MIDI 1.0 (M1 v4.2.1, table I to VI). Channel kinds are the high four bits. */
export const CHANNEL_STATUS = {
  noteOff: 0x80,
  noteOn: 0x90,
  polyPressure: 0xa0,
  control: 0xb0,
  program: 0xc0,
  channelPressure: 0xd0,
  pitchBend: 0xe0,
} as const

export const SYSTEM_STATUS = {
  exclusive: 0xf0,
  timeCode: 0xf1,
  songPosition: 0xf2,
  songSelect: 0xf3,
  tuneRequest: 0xf6,
  endOfExclusive: 0xf7,
} as const

export const REAL_TIME_STATUS = {
  clock: 0xf8,
  start: 0xfa,
  continue: 0xfb,
  stop: 0xfc,
  activeSensing: 0xfe,
  reset: 0xff,
} as const

/** How many data bytes follow a status byte; -1 for exclusive (open-ended) and for statuses the standard leaves undefined. */
export function dataLength(status: number): number {
  if (status < 0xf0) {
    const kind = status & 0xf0
    return kind === CHANNEL_STATUS.program || kind === CHANNEL_STATUS.channelPressure ? 1 : 2
  }
  switch (status) {
    case SYSTEM_STATUS.timeCode:
    case SYSTEM_STATUS.songSelect:
      return 1
    case SYSTEM_STATUS.songPosition:
      return 2
    case SYSTEM_STATUS.tuneRequest:
      return 0
    default:
      return -1
  }
}
