import { shallowRef, triggerRef } from 'vue'

/** Texts of cells that were typed, left and not understood, by rig, sound and device: they stay until they are mended or given up. */
const drafts = shallowRef(new Map<string, string>())

export function useCellDrafts(rigId: () => string) {
  const keyOf = (soundId: string, deviceId: string) => `${rigId()}/${soundId}/${deviceId}`
  return {
    /** Null where there is none. */
    draftAt: (soundId: string, deviceId: string): string | null =>
      drafts.value.get(keyOf(soundId, deviceId)) ?? null,
    /** Null gives it up; true where that changed anything. */
    setDraft: (soundId: string, deviceId: string, text: string | null): boolean => {
      const key = keyOf(soundId, deviceId)
      const isOther = (drafts.value.get(key) ?? null) !== text
      if (text === null) drafts.value.delete(key)
      else drafts.value.set(key, text)
      if (isOther) triggerRef(drafts)
      return isOther
    },
  }
}
