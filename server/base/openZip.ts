import { promisify } from 'node:util'
import yauzl, { type Entry, type ZipFile } from 'yauzl'
import { accept, refuse, type Result } from '#core/base'

export type ZipRefusal =
  /** No zip archive, or cut short. */
  | 'noArchive'
  /** More comes out of it than may. */
  | 'tooBig'

/** An archive whose files are unpacked when they are asked for. */
export interface OpenZip {
  /** In the order of the archive, each once. */
  readonly names: readonly string[]
  /**
   * One of its files, of at most so many bytes. They are counted as they come out, whatever the archive says of itself, and
   * nothing more is unpacked once there are too many; zlib works beside this thread, so that others are answered meanwhile.
   */
  readonly read: (name: string, most: number) => Promise<Result<Uint8Array, ZipRefusal>>
}

/** Files listed at most: of more nothing is read. */
const FILES_MAX = 25_000

const open = promisify<Buffer, yauzl.Options, ZipFile>(yauzl.fromBuffer)

/** Opens an archive and lists its files. Nothing is unpacked yet. */
export async function openZip(archive: Uint8Array): Promise<Result<OpenZip, ZipRefusal>> {
  try {
    const zip = await open(Buffer.from(archive.buffer, archive.byteOffset, archive.byteLength), {
      lazyEntries: true,
      autoClose: false,
    })
    if (zip.entryCount > FILES_MAX) return refuse('tooBig')
    const entries = new Map<string, Entry>()
    for await (const entry of entriesOf(zip)) entries.set(entry.fileName, entry)
    return accept({
      names: [...entries.keys()],
      read: async (name, most) => {
        const entry = entries.get(name)
        return entry ? unpacked(zip, entry, most) : refuse('noArchive')
      },
    })
  } catch (error) {
    if (isOfZip(error)) return refuse('noArchive')
    throw error
  }
}

async function* entriesOf(zip: ZipFile): AsyncGenerator<Entry> {
  for (;;) {
    const entry = await new Promise<Entry | null>((resolve, reject) => {
      const end = () => zip.removeAllListeners()
      zip.once('entry', (one: Entry) => (end(), resolve(one)))
      zip.once('end', () => (end(), resolve(null)))
      zip.once('error', (error: Error) => (end(), reject(error)))
      zip.readEntry()
    })
    if (!entry) return
    yield entry
  }
}

async function unpacked(zip: ZipFile, entry: Entry, most: number): Promise<Result<Uint8Array, ZipRefusal>> {
  const pieces: Buffer[] = []
  let length = 0
  try {
    const stream = await new Promise<AsyncIterable<Buffer>>((resolve, reject) =>
      zip.openReadStream(entry, (error, one) => (error ? reject(error) : resolve(one))),
    )
    for await (const piece of stream) {
      length += piece.length
      // Leaving the loop ends the stream, and with it the unpacking.
      if (length > most) return refuse('tooBig')
      pieces.push(piece)
    }
    return accept(Buffer.concat(pieces))
  } catch (error) {
    if (isOfZip(error)) return refuse('noArchive')
    throw error
  }
}

/** The library throws plain errors for anything that is no sound archive, and zlib some with a code of its own. */
const isOfZip = (error: unknown): boolean =>
  error instanceof Error &&
  (error.constructor === Error || String(Reflect.get(error, 'code')).startsWith('Z_'))
