import { own } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  changesWithout,
  rowKey,
  type Rig,
  type Sound,
  type SoundId,
} from '#core/rig'
import { spokenCells } from '../cells'

/**
 * Removes sounds. A variant of one keeps all it said and inherited, and follows what that one followed; switches
 * lose the recalls of it. One edit; null when there are none such.
 */
export function removeSounds(rig: Rig, ids: readonly SoundId[]): Edit | null {
  const gone = new Set<string>(ids.filter((id) => own(rig.sounds, id)))
  if (gone.size === 0) return null
  const removed = new Set([...gone].map((id) => rowKey('sounds', id)))
  const mentions = changesWithout(rig, removed).filter(({ table }) => table !== 'sounds')
  const sounds = Object.values(rig.sounds).flatMap((one): Change[] => {
    if (gone.has(one.id)) return [change('sounds', one.id, one, null)]
    return one.parentId !== null && gone.has(one.parentId)
      ? [change('sounds', one.id, one, onItsOwn(rig, one, gone))]
      : []
  })
  return { label: 'removeSound', changes: [...mentions, ...sounds] }
}

/** A variant without the ancestors that go: what those said is now its own. */
function onItsOwn(rig: Rig, sound: Sound, gone: ReadonlySet<string>): Sound {
  let parentId = sound.parentId
  const said = new Map(sound.cells.map((one) => [one.deviceId, one]))
  while (parentId !== null && gone.has(parentId)) {
    const parent: Sound = own(rig.sounds, parentId)!
    for (const one of parent.cells) if (!said.has(one.deviceId)) said.set(one.deviceId, one)
    parentId = parent.parentId
  }
  return { ...sound, parentId, cells: [...said.values()] }
}

/** Makes a sound stand for itself: all it inherits becomes its own. Null when it is no variant. */
export function detachSound(rig: Rig, id: SoundId): Edit | null {
  const sound = own(rig.sounds, id)
  if (!sound || sound.parentId === null) return null
  const cells = [...spokenCells(rig, sound)].map(([deviceId, { cell }]) => ({ deviceId, cell }))
  return { label: 'changeSound', changes: [change('sounds', id, sound, { ...sound, parentId: null, cells })] }
}
