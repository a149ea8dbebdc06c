import { runPython } from './makePython'

const SCRIPT = `
import json, sys, networkx
out = []
for one in json.load(sys.stdin):
    size = len(one["roots"])
    graph = networkx.DiGraph()
    for v in range(size):
        graph.add_edge(size, v, weight=one["roots"][v])
        for u in range(size):
            if u != v:
                graph.add_edge(u, v, weight=one["weights"][v * size + u])
    tree = networkx.minimum_spanning_arborescence(graph)
    out.append(sum(data["weight"] for _, _, data in tree.edges(data=True)))
print(json.dumps(out))
`

/** What networkx says the cheapest arborescence of each digraph costs. */
export const networkxCosts = (
  interpreter: string,
  digraphs: readonly { readonly weights: readonly number[]; readonly roots: readonly number[] }[],
): number[] => runPython<number[]>(interpreter, SCRIPT, digraphs)
