import { Ajv2020 } from 'ajv/dist/2020.js'
import { describe, expect, it } from 'vitest'
import * as z from 'zod/mini'
import { smallRig } from '../testing/makeRig'
import { formatRigFile, parseRigFile, rigFileSchema } from './rigFile'

const rig = smallRig()
const text = formatRigFile(rig)
/** The file with one change made to its parsed form. */
const altered = (change: (file: ReturnType<typeof JSON.parse>) => void): string => {
  const file = JSON.parse(text)
  change(file)
  return JSON.stringify(file)
}

describe('rig file', () => {
  it('comes back as it went, and is the same text again', () => {
    const parsed = parseRigFile(text)
    expect(parsed).toEqual({ ok: true, value: rig })
    expect(parsed.ok && formatRigFile(parsed.value)).toBe(text)
  })

  // Second witness: a general-purpose JSON Schema validator against the generated schema.
  it('is valid by its own JSON Schema, and a file with a channel 17 is not', () => {
    const validate = new Ajv2020({ formats: { 'date-time': true, date: true } }).compile(
      z.toJSONSchema(rigFileSchema, { target: 'draft-2020-12', io: 'input' }),
    )
    expect(validate(JSON.parse(text))).toBe(true)
    expect(validate(JSON.parse(altered((file) => (file.tables.devices[0].channel = 17))))).toBe(false)
  })

  it.each<[string, string, unknown]>([
    ['an empty file', '', { code: 'notJson' }],
    ['a truncated file', text.slice(0, -20), { code: 'notJson' }],
    ['other JSON', '[1, 2]', { code: 'notARigFile' }],
    [
      'another version',
      altered((file) => (file.version = 14)),
      { code: 'wrongVersion', found: '14', known: 13 },
    ],
    ['no version', altered((file) => delete file.version), { code: 'wrongVersion' }],
    [
      'a channel 17',
      altered((file) => (file.tables.devices[0].channel = 17)),
      { problems: [{ path: ['tables', 'devices', 0, 'channel'], code: 'tooBig', most: 16 }] },
    ],
    [
      'a preset that does not exist',
      altered((file) => (file.tables.switches[1].positions[0][1].presetId = 'ghost')),
      {
        problems: [
          {
            path: ['tables', 'switches', 1, 'positions', 0, 1, 'presetId'],
            code: 'missingRow',
            table: 'presets',
            id: 'ghost',
          },
        ],
      },
    ],
    [
      'a preset beyond its device',
      altered((file) => (file.tables.presets[0].index = 128)),
      { problems: [{ path: ['tables', 'presets', 0, 'index'], code: 'beyond', value: 128, most: 127 }] },
    ],
    [
      'two rows with one id',
      altered((file) => file.tables.banks.push(file.tables.banks[0])),
      { problems: [{ path: ['tables', 'banks', 2, 'id'], code: 'taken' }] },
    ],
    [
      'a field not known here',
      altered((file) => (file.tables.devices[0].colour = 'red')),
      { problems: [{ path: ['tables', 'devices', 0], code: 'unknownField', fields: ['colour'] }] },
    ],
    [
      'a missing table',
      altered((file) => delete file.tables.banks),
      { problems: [{ path: ['tables', 'banks'], code: 'wrongType', expected: 'array' }] },
    ],
    [
      'a name that is no text',
      altered((file) => (file.tables.devices[0].name = 4)),
      { problems: [{ path: ['tables', 'devices', 0, 'name'], code: 'wrongType', expected: 'string' }] },
    ],
  ])('refuses %s, with path and reason', (_, file, refusal) => {
    expect(parseRigFile(file)).toMatchObject({ ok: false, refusal })
  })

  // A list in a list, ten thousand deep: what goes through it step by step runs out of room.
  const deep = `${'['.repeat(10_000)}${']'.repeat(10_000)}`
  it.each([
    ['a version', `{"format":"wire-step-rig","version":${deep}}`, { code: 'wrongVersion', found: 'object' }],
    ['a format', `{"format":${deep}}`, { code: 'notARigFile' }],
    ['tables', `{"format":"wire-step-rig","version":1,"tables":${deep}}`, { code: 'invalid' }],
    ['a row', text.replace('"rows":2', `"rows":${deep}`), { code: 'invalid' }],
  ])('refuses %s nested without end, and does not fall over', (_, file, refusal) => {
    expect(file).toContain('[[[[')
    expect(parseRigFile(file)).toMatchObject({ ok: false, refusal })
  })

  it.each(['constructor', 'toString', '__proto__'])('refuses references to "%s"', (id) => {
    const file = altered((one) => {
      one.tables.switches[1].positions[0][1].presetId = id
      one.tables.banks[0].controllerId = id
      one.tables.cables[0].from.id = id
    })
    expect(parseRigFile(file)).toMatchObject({ ok: false, refusal: { code: 'invalid' } })
  })

  it('refuses text that would not come back, and names where it stands', () => {
    expect(parseRigFile(altered((file) => (file.tables.banks[0].name = 'a\0b')))).toMatchObject({
      refusal: { problems: [{ path: ['tables', 'banks', 0, 'name'], code: 'badText' }] },
    })
  })

  it('is not fooled by rows named like parts of an object', () => {
    const file = altered((one) => (one.tables.devices[0].id = '__proto__'))
    expect(parseRigFile(file).ok).toBe(false)
    expect(({} as { name?: string }).name).toBeUndefined()
  })
})
