import { describe, expect, it } from 'vitest'
import { rests } from './rests'

describe('rests between pieces of work', () => {
  it('let what waits be done once so much work was counted, and not before', async () => {
    const rest = rests(100)
    let isDone = false
    setImmediate(() => (isDone = true))
    await rest(60)
    expect(isDone).toBe(false)
    await rest(40)
    expect(isDone).toBe(true)
  })
})
