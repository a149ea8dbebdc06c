import { describe, expect, it } from 'vitest'
import { arborescence } from '../core/keyin/arborescence'
import { runs } from '#testing/runs'
import { makeDigraph } from '../core/keyin/testing/makeDigraphs'
import { networkxCosts } from './testing/makeNetworkx'
import { pythonWith } from './testing/makePython'

const interpreter = pythonWith('networkx', 'python3-networkx')

/** A witness from outside: the graph library of another language (Debian's python3-networkx). */
describe('networkx finds no cheaper arborescence', () => {
  if (interpreter === null)
    it.skip('python3-networkx is not on this machine and could not be installed: nothing is compared with it')

  it.runIf(interpreter !== null)(
    'of digraphs of up to 40 vertices',
    () => {
      const all = Array.from({ length: runs(400) }, (_, seed) => makeDigraph(seed + 5000, 2 + (seed % 39)))
      expect(all.map(({ weights, roots }) => arborescence(weights, roots).cost)).toEqual(
        networkxCosts(interpreter!, all),
      )
    },
    240_000,
  )
})
