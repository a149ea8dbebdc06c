import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { seeded } from '../../core/base/seeded'
import { makeHistory } from '../../core/history/testing/makeHistory'
import { makeMessage } from '../../core/dump/testing/makeDumps'
import { checkDump, compareDumps, readSyx } from '#core/dump'
import { factsOf } from '#core/history'
import { logbookLines } from '#core/logbook'
import { UNKNOWN_DUMPING } from '#core/rig'
import { CHECK_NAME, checkText, dumpFaultText, identityText, messageDifferenceLines } from './dumps'
import { lineAboutText, lineKindText, lineText } from './logbook'

describe('the logbook in words', () => {
  it('says every line of generated histories', () => {
    for (const seed of seeds(30)) {
      const { log, rigs } = makeHistory(seeded(seed + 50), 60)
      const rig = rigs.at(-1)!
      for (const line of logbookLines(rig, log.flatMap(factsOf), (at) => at.slice(0, 10))) {
        const text = `${lineKindText(line)} ${lineAboutText(rig, line)} ${lineText(line)}`
        expect(text).not.toMatch(/undefined|\[object|null|NaN/)
        expect(lineText(line)).toMatch(/[a-z]/)
      }
    }
  })
})

describe('dumps in words', () => {
  it('say what is wrong, where, and what to do', () => {
    const said = (bytes: readonly number[]) => {
      const read = readSyx(Uint8Array.from(bytes))
      return read.ok ? [] : read.refusal.map(dumpFaultText)
    }
    expect(said([0xf0, 0x7d, 1])).toEqual([
      'Message 1 is cut short: it has no end (byte 0). Record it again.',
    ])
    expect(said([0xf0, 0x7d, 0xf0, 0x7d, 0xf7])[0]).toContain('another begins before its end')
    expect(said([0xf0, 0x7d, 0x90, 0xf7])[0]).toContain('byte 2 is 90')
    expect(said([1, 2, 0xf0, 0xf7])).toEqual([
      '2 bytes from byte 0 on belong to no SysEx message. A piece is missing before, or this is something else.',
    ])
    expect(said([])).toEqual(['There is no SysEx message in it.'])
  })

  it('never call what is not known right', () => {
    for (const check of checkDump([makeMessage([1, 2])], UNKNOWN_DUMPING)) {
      expect(CHECK_NAME[check.check]).toMatch(/^[A-Z]/)
      if (check.state === 'unknown') expect(checkText(check, 1)).toMatch(/not known/)
    }
  })

  it('name the bytes that differ', () => {
    const known = { ...UNKNOWN_DUMPING, values: [{ at: 2, name: 'Mix' }] }
    const { differing } = compareDumps([makeMessage([1, 20, 3])], [makeMessage([1, 30, 4])], known)
    expect(differing.flatMap(messageDifferenceLines)).toEqual([
      'Mix: 20 before, 30 after (14 to 1E)',
      'Byte 3: 3 before, 4 after (03 to 04)',
    ])
  })

  // M1 v4.2.1, "Identity Reply": a maker's id of one byte, or of three that begin with 00; from memory.
  it('read an identity reply', () => {
    expect(identityText('F0 7E 03 06 02 7D 00 00 03 00 01 02 00 00 F7')).toBe(
      'Unit 3 answers: maker 7D (simulated), software 1.2.0.0',
    )
    expect(identityText('F0 7E 10 06 02 00 20 33 01 00 02 00 04 00 00 01 F7')).toBe(
      'Unit 16 answers: maker 00 20 33, software 4.0.0.1',
    )
  })
})
