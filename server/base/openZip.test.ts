import { strFromU8, strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { openZip } from './openZip'

async function opened(archive: Uint8Array) {
  const zip = await openZip(archive)
  if (!zip.ok) throw new Error(zip.refusal)
  return zip.value
}

describe('an archive', () => {
  it('is unpacked file by file', async () => {
    const zip = await opened(zipSync({ 'a.txt': strToU8('one'), 'b/c.txt': strToU8('two'.repeat(1000)) }))
    expect(zip.names).toEqual(['a.txt', 'b/c.txt'])
    const [a, b] = [await zip.read('a.txt', 3), await zip.read('b/c.txt', 3000)]
    expect([a, b].map((one) => one.ok && strFromU8(one.value).length)).toEqual([3, 3000])
    expect(await zip.read('none', 10)).toEqual({ ok: false, refusal: 'noArchive' })
  })

  it('is not unpacked beyond what is asked for, whatever it says of itself', async () => {
    const archive = zipSync({ 'a.txt': new Uint8Array(40_000_000) }, { level: 9 })
    expect(archive.length).toBeLessThan(50_000)
    expect(await (await opened(archive)).read('a.txt', 1_000_000)).toEqual({ ok: false, refusal: 'tooBig' })
    // The uncompressed size in both headers (APPNOTE.TXT 6.3.10, 4.3.7 and 4.3.12; from memory) made a lie.
    const lie = Uint8Array.from(archive)
    const view = new DataView(lie.buffer)
    for (let at = 0; at < lie.length - 4; at++) {
      const sign = view.getUint32(at, true)
      if (sign === 0x04034b50) view.setUint32(at + 22, 10, true)
      if (sign === 0x02014b50) view.setUint32(at + 24, 10, true)
    }
    expect((await (await opened(lie)).read('a.txt', 1_000_000)).ok).toBe(false)
  })

  it('that is none, or was cut, is refused', async () => {
    const archive = zipSync({ 'a.txt': strToU8('one'.repeat(100)) })
    for (const bytes of [
      new Uint8Array(),
      strToU8('no archive'),
      archive.subarray(0, 40),
      archive.subarray(0, archive.length - 5),
    ])
      expect(await openZip(bytes)).toEqual({ ok: false, refusal: 'noArchive' })
  })
})
