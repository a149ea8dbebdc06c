import { seeded } from '../core/base/seeded'
import { emptyAt, type Place } from '../core/keyin/keyPlaces'
import type { Content } from '../core/keyin/content'
import { USUAL_KEYINGS } from '../core/keyin/manners/manners'
import type { Job } from '../core/keyin/visitWeights'
import type { Row, RowShape } from '../core/keyin/rows'
import type { Box } from '../core/keyin/ways'
import { makeController } from '../core/rig/testing/makeRig'
import type { Keying } from '../core/rig/table/keying'

/** So many switches of 16 messages each, on 12 devices: programs, and controls with a few values, as rigs have them. */
export function makeKeyingBench(
  manner: Keying['manner'],
  count: number,
  labelLength: number | null,
): { box: Box; jobs: Job[] } {
  const random = seeded(count)
  const int = (size: number) => Math.floor(random() * size)
  const controller = makeController({
    rows: 2,
    columns: 5,
    bankCount: 999,
    labelLength,
    messagesPerEvent: 16,
  })
  const shape: RowShape = { keying: USUAL_KEYINGS[manner], controller, colours: ['usual'] }
  const places = Array.from({ length: 10 }, (_, n) => ({ jack: '', number: n + 1 }))
  const row = (device: number): Row =>
    int(3) === 0 ? ['program', device, int(16)] : ['control', device, 10 + int(6), [0, 127, 40, 64][int(4)]!]
  const jobs = Array.from({ length: count }, (_, n): Job => {
    const place: Place = {
      kind: 'switch',
      bank: Math.floor(n / 10),
      layer: 'base',
      place: n % 10,
      jack: '',
      number: (n % 10) + 1,
    }
    const empty = emptyAt(shape, place)
    const wanted: Content = {
      settings: empty.settings,
      name: empty.name && (empty.name.map((one, k) => (k === 0 ? one : int(60))) as unknown as Row),
      lists: empty.lists.map((list) =>
        list.id === 'p0' ? { ...list, rows: Array.from({ length: 16 }, () => row(int(12))) } : list,
      ),
    }
    return { place, wanted, was: empty }
  })
  return { box: { shape, places }, jobs }
}
