import { describe, expect, it } from 'vitest'
import { seeded } from '../core/base/seeded'
import { dumpMidiFile, syxOf } from '../core/dump/dumpFiles'
import { messageBytes, readExclusives } from '../core/dump/exclusives'
import { dumpOf, makeBank, makeStandIn } from '../core/dump/testing/makeDumps'
import { wireTime } from '../core/midi/wireTime'
import { pythonWith, runPython } from './testing/makePython'

const interpreter = pythonWith('mido', 'python3-mido')

const SCRIPT = `
import io, json, os, sys, tempfile, mido
out = []
for one in json.load(sys.stdin):
    file = mido.MidiFile(file=io.BytesIO(bytes(one["mid"])))
    now, heard = 0.0, []
    for message in file:
        now += message.time
        if message.type == "sysex":
            heard.append([message.bytes(), round(now * 1000)])
    path = tempfile.mktemp(suffix=".syx")
    with open(path, "wb") as syx:
        syx.write(bytes(one["syx"]))
    messages = [message.bytes() for message in mido.read_syx_file(path)]
    os.unlink(path)
    out.append({"heard": heard, "syx": messages, "name": file.tracks[0].name})
print(json.dumps(out))
`

interface Read {
  readonly heard: readonly (readonly [bytes: readonly number[], ms: number])[]
  readonly syx: readonly (readonly number[])[]
  readonly name: string
}

/** A witness from outside: the MIDI library of another language (Debian's python3-mido). */
describe('mido reads our dumps', () => {
  if (interpreter === null)
    it.skip('python3-mido is not on this machine and could not be installed: nothing is compared with it')

  it.runIf(interpreter !== null)(
    'from MIDI files and .syx files, byte for byte and at their times',
    () => {
      const dumps = Array.from({ length: 60 }, (_, seed) => {
        const bank = makeBank(seeded(seed + 900), 1 + (seed % 40), 1 + ((seed * 37) % 300))
        const read = readExclusives(dumpOf(makeStandIn(bank)))
        return read.ok ? read.value.messages : []
      })
      const read = runPython<Read[]>(
        interpreter!,
        SCRIPT,
        dumps.map((messages) => ({
          mid: [...dumpMidiFile('Tape echo', messages)],
          syx: [...syxOf(messages)],
        })),
      )
      read.forEach(({ heard, syx, name }, n) => {
        const messages = dumps[n]!
        const bytes = messages.map((one) => [...messageBytes(one)])
        expect(syx).toEqual(bytes)
        expect(heard.map(([one]) => one)).toEqual(bytes)
        expect(name).toBe('Tape echo')
        // A file says when a message begins; it was whole when the wire had carried it.
        let whole = 0
        const begins = messages.map(({ ms }, m) => (whole += ms!) - wireMs(bytes[m]!))
        expect(heard.map(([, ms]) => ms)).toEqual(begins.map((ms) => ms - begins[0]!))
      })
    },
    240_000,
  )
})

const wireMs = (bytes: readonly number[]): number => Math.round(wireTime(bytes.length) / 1000)
