/** What `midi` hands out: nothing outside passes this door (tests do). */
export { bankHalf, CONTROLLER, reservedFor } from './controllers'
export { encodeMessage, encodeMessages } from './encode'
export { bytesOfHex, hexOf, messageOfHex, readBytes, type HexRefusal } from './hexBytes'
export { controlChange, programChange, type ChannelMessage, type MidiMessage } from './message'
export { decodeMidiFile, encodeMidiFile, type MidiFileEvent } from './midiFile'
export { parseMessages } from './parse'
export { MICROSECONDS_PER_BYTE, wireTime } from './wireTime'
