import { describe, expect, it } from 'vitest'
import { contactIdSchema } from '../table/contactId'
import { makeCable, makeController, makeDevice, makePort, makeRig, makeRole } from '../testing/makeRig'
import { contactsOf, jackOfContact } from './contacts'

const trs = makeRole('switchIn', { poles: 2, does: ['Channel', 'Boost'], action: 'latching' })
const ts = makeRole('switchIn', { poles: 1, action: 'momentary' })

describe('what a contact is called', () => {
  // Tip and ring of one TRS plug are two contacts (common practice).
  const amp = makeDevice('amp', 1, { ports: [makePort('foot', trs), makePort('foot3', ts)] })
  const rig = makeRig({
    controllers: [
      makeController({
        ports: [
          makePort('a', makeRole('switchOut', { poles: 2 })),
          makePort('b', makeRole('switchOut', { poles: 1 })),
        ],
      }),
    ],
    devices: [amp],
    cables: [
      makeCable('controller.a', 'amp.foot', { lead: 'trs' }),
      makeCable('controller.b', 'amp.foot3', { lead: 'ts' }),
    ],
  })

  it('is its jack, numbered where that has two, and leads back to just that jack', () => {
    const ids = contactsOf(rig, amp).map(({ id }) => id)
    expect(ids).toEqual(['foot1', 'foot2', 'foot3'])
    expect(ids.map((id) => jackOfContact(amp, id)?.port.id)).toEqual(['foot', 'foot', 'foot3'])
    expect(ids.map((id) => jackOfContact(amp, id)?.role.action)).toEqual([
      'latching',
      'latching',
      'momentary',
    ])
  })

  it('is of no jack where no jack has it, also if the names begin alike', () => {
    for (const id of ['foot', 'foot4', 'foot33', 'fo', '']) expect(jackOfContact(amp, id)).toBeNull()
  })

  it('is one rule wherever one is named: as long as a jack’s name with a number behind it', () => {
    expect(contactIdSchema.safeParse('a'.repeat(20) + '2').success).toBe(true)
    for (const id of ['', 'two words', 'a'.repeat(22), 'ä'])
      expect(contactIdSchema.safeParse(id).success).toBe(false)
  })
})
