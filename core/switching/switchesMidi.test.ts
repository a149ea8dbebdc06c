import { parseMidi } from 'midi-file'
import { expect, it } from 'vitest'
import { smallRig } from '../rig/testing/makeRig'
import { switchesMidi } from './switchesMidi'

// Second witness: the midi-file package reads the file.
it('holds every programmed press behind a marker that names it', () => {
  const { header, tracks } = parseMidi(switchesMidi(smallRig()))
  expect(header.ticksPerBeat).toBe(480)
  expect(tracks).toHaveLength(1)
  const events = tracks[0]!.map((event) => {
    if (event.type === 'marker') return event.text
    if (event.type === 'programChange') return [event.channel + 1, event.programNumber]
    return event.type
  })
  expect(events).toEqual([
    'trackName',
    'setTempo',
    'Bank 1 One, switch 1, Drive, press 1',
    [1, 2],
    'Bank 1 One, switch 1, Drive, press 2',
    [1, 7],
    'Bank 1 One, switch 2, Chorus',
    [1, 7],
    [4, 11],
    'endOfTrack',
  ])
})

it('starts each event on a quarter note', () => {
  let at = 0
  const markers: number[] = []
  for (const event of parseMidi(switchesMidi(smallRig())).tracks[0]!) {
    at += event.deltaTime
    if (event.type === 'marker') markers.push(at)
  }
  expect(markers).toEqual([0, 480, 960])
})
