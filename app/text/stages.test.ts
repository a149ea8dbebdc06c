import { describe, expect, it } from 'vitest'
import { BLANK_SOUND, emptyRig, type Rig } from '#core/rig'
import { isEmptyStage, STAGES } from './stages'

describe('a stage with nothing in it', () => {
  it('is empty in an empty rig, all of them', () => {
    expect(STAGES.filter(({ page }) => !isEmptyStage(page, emptyRig('Bare')))).toEqual([])
  })

  it('is not once there is something that may be right or wrong', () => {
    const sound = { ...BLANK_SOUND, id: 'one', order: 1, name: 'Verse' }
    const rig = { ...emptyRig('One sound'), sounds: { one: sound } } as unknown as Rig
    expect(STAGES.flatMap(({ page }) => (isEmptyStage(page, rig) ? [] : [page]))).toEqual(['sounds'])
  })
})
