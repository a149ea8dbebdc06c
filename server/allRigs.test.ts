import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { emptyRig, formatRigFile, parseRigFile, type Rig } from '#core/rig'
import { tidewright } from './demo/tidewright'
import { ask } from './testing/ask'
import { startTestServer, type TestServer } from './testing/testServer'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const out = async () => new Uint8Array(await (await fetch(`${server.url}/api/all-rigs.zip`)).arrayBuffer())
const bringIn = async (archive: Uint8Array) => {
  const response = await fetch(`${server.url}/api/all-rigs.zip`, {
    method: 'POST',
    body: archive as BodyInit,
  })
  return { status: response.status, json: (await response.json()) as ReturnType<typeof JSON.parse> }
}
const names = async (): Promise<string[]> =>
  (await ask(`${server.url}/api/rigs`, 'GET')).json.rigs.map(({ name }: { name: string }) => name)

describe('all rigs in one file', () => {
  // Second witness: unzip of a general-purpose library, and the reader of rig files.
  it('go out, one rig file each, and come in again', async () => {
    const rigs: Rig[] = [tidewright(), emptyRig('Łódź / "pit" 🎸'), emptyRig('../../etc')]
    for (const rig of rigs) await ask(`${server.url}/api/rigs/file`, 'POST', formatRigFile(rig))
    const archive = await out()
    const files = Object.entries(unzipSync(archive))
    expect(files.map(([name]) => name).sort()).toEqual([
      '1 etc.rig.json',
      '2 Łódź pit.rig.json',
      expect.stringMatching(/^3 Pit bass/),
    ])
    const read = files.map(([, bytes]) => parseRigFile(strFromU8(bytes)))
    for (const rig of rigs) expect(read).toContainEqual({ ok: true, value: rig })
    expect(await bringIn(archive)).toMatchObject({ status: 201, json: { rigs: [{}, {}, {}] } })
    expect((await names()).length).toBe(6)
  })

  it('none comes in when one is wrong, and it is named', async () => {
    const before = await names()
    const archive = zipSync({
      'a.rig.json': strToU8(formatRigFile(emptyRig('Right'))),
      'b.rig.json': strToU8(formatRigFile(tidewright()).replace('"channel":4', '"channel":17')),
    })
    const { status, json } = await bringIn(archive)
    expect([status, json.error.faults[0]]).toEqual([
      422,
      { path: 'b.rig.json tables.devices[3].channel', reason: 'It should be at most 16.' },
    ])
    expect(await names()).toEqual(before)
  })

  it.each<[string, Uint8Array, string, number?]>([
    ['nothing', new Uint8Array(), 'no zip archive'],
    ['something else', strToU8('{"format":"wire-step-rig"}'), 'no zip archive'],
    ['an archive cut short', zipSync({ 'a.json': strToU8('{}') }).slice(0, 60), 'no zip archive'],
    ['no rig', zipSync({ 'a.txt': strToU8('x') }), 'There is no rig file'],
    // Ones that would fill the memory: 40 MB in 40 kB, a thousand and one files.
    ['a file too large', zipSync({ 'a.json': new Uint8Array(17_000_000) }), 'larger than a rig file', 413],
    [
      'a backup that is none',
      zipSync({ 'backup.json': new Uint8Array(60_000_000) }),
      'More comes out of it',
      413,
    ],
    [
      'too many files',
      zipSync(Object.fromEntries(Array.from({ length: 1001 }, (_, n) => [`${n}.json`, strToU8('{}')]))),
      'more than 1000 rigs',
      413,
    ],
  ])('%s is refused in words', async (_, archive, words, wanted = 422) => {
    const { status, json } = await bringIn(archive)
    expect([status, json.error.faults[0].reason]).toEqual([wanted, expect.stringContaining(words)])
  })
})
