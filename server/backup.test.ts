import { execFile } from 'node:child_process'
import { existsSync } from 'node:fs'
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { ask } from './testing/ask'
import { startTestServer } from './testing/testServer'

let folder: string
let env: { DATABASE_URL: string }
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'wire-step-'))
  env = { DATABASE_URL: `file:${join(folder, 'rigs.db')}` }
})
afterEach(() => rm(folder, { recursive: true }))

/** Runs `npm run NAME -- ...args`, without npm. */
const script = (name: string, ...args: string[]): Promise<{ code: number; said: string }> =>
  new Promise((resolve) =>
    execFile(
      process.execPath,
      [`scripts/${name}.mjs`, ...args],
      { env: { ...process.env, ...env } },
      (error, out, err) => resolve({ code: error ? Number(error.code) : 0, said: out + err }),
    ),
  )
/** A server's process ends; here its connections end only when what is left of them is collected. */
function collect(): void {
  setFlagsFromString('--expose-gc')
  ;(runInNewContext('gc') as () => void)()
}
const namesNow = async (): Promise<string[]> => {
  const server = await startTestServer(env)
  const { json } = await ask(`${server.url}/api/rigs`, 'GET')
  await server.stop()
  collect()
  return json.rigs.map(({ name }: { name: string }) => name)
}

describe('backup and restore', () => {
  it('a backup made beside a running server brings its rigs back, and keeps what was there', async () => {
    const server = await startTestServer(env)
    await ask(`${server.url}/api/rigs`, 'POST', { name: 'In the backup' })
    const backup = join(folder, 'kept', 'backup.db')
    expect(await script('backup', backup)).toMatchObject({
      code: 0,
      said: expect.stringContaining('1 rig, 1 edit'),
    })
    await ask(`${server.url}/api/rigs`, 'POST', { name: 'After it' })
    expect(await script('restore', backup)).toMatchObject({
      code: 1,
      said: expect.stringContaining('End it first'),
    })
    await server.stop()
    collect()
    const restored = await script('restore', backup)
    expect(restored).toMatchObject({
      code: 0,
      said: expect.stringMatching(/Replaced .*2 rigs[\s\S]*Restored .*[\s\S]*1 rig,/),
    })
    expect(await namesNow()).toEqual(['In the backup'])
    // And back again, to what was replaced.
    const old = (await readdir(folder)).find((name) => /before-restore.*Z$/.test(name))!
    expect((await script('restore', join(folder, old))).code).toBe(0)
    expect((await namesNow()).sort()).toEqual(['After it', 'In the backup'])
  })

  it('a log left beside a deleted database is not taken for the restored one’s', async () => {
    const server = await startTestServer(env)
    await ask(`${server.url}/api/rigs`, 'POST', { name: 'Only one' })
    await script('backup', join(folder, 'backup.db'))
    await server.stop()
    await rm(join(folder, 'rigs.db'))
    await writeFile(join(folder, 'rigs.db-wal'), 'what an earlier server left')
    expect((await script('restore', join(folder, 'backup.db'))).code).toBe(0)
    expect(await namesNow()).toEqual(['Only one'])
  })

  it('what is no backup changes nothing; nothing is written over', async () => {
    const server = await startTestServer(env)
    await ask(`${server.url}/api/rigs`, 'POST', { name: 'Safe' })
    await server.stop()
    const before = await readFile(join(folder, 'rigs.db'))
    await writeFile(join(folder, 'notes.txt'), 'no database'.repeat(100))
    for (const [args, words] of [
      [[join(folder, 'notes.txt')], 'no database of Wire Step'],
      [[join(folder, 'missing.db')], 'There is no file'],
      [[], 'Say which backup'],
      [[join(folder, 'rigs.db')], 'the database itself'],
    ] as const)
      expect(await script('restore', ...args)).toMatchObject({
        code: 1,
        said: expect.stringContaining(words),
      })
    expect(await script('backup', join(folder, 'notes.txt'))).toMatchObject({
      code: 1,
      said: expect.stringContaining('is there already'),
    })
    expect(Buffer.compare(before, await readFile(join(folder, 'rigs.db')))).toBe(0)
    expect(existsSync(join(folder, 'rigs.db.restoring'))).toBe(false)
  })

  it('a backup in one file is opened on an empty machine by one command; one that was cut changes nothing', async () => {
    const server = await startTestServer(env)
    await ask(`${server.url}/api/rigs`, 'POST', { name: 'In the backup' })
    const archive = Buffer.from(await (await fetch(`${server.url}/api/backup.zip`)).arrayBuffer())
    await server.stop()
    collect()
    const file = join(folder, 'backup.zip')
    await writeFile(file, archive)
    env = { DATABASE_URL: `file:${join(folder, 'empty', 'rigs.db')}` }
    await writeFile(join(folder, 'cut.zip'), archive.subarray(0, archive.length - 40))
    expect(await script('restore', join(folder, 'cut.zip'))).toMatchObject({
      code: 1,
      said: expect.stringContaining('it was cut short'),
    })
    expect(await script('restore', file)).toMatchObject({
      code: 0,
      said: expect.stringContaining('Back again: In the backup'),
    })
    // A second time nothing is done twice.
    expect(await script('restore', file)).toMatchObject({
      code: 0,
      said: expect.stringContaining('in the same state: 1'),
    })
    expect(await namesNow()).toEqual(['In the backup'])
  })
})
