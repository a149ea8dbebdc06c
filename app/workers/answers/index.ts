import type { Answerers } from '../serveQuestions'

export const ANSWERERS: Answerers = {
  findings: async () => (await import('./quick')).allFindings,
  matrix: async () => (await import('./quick')).matrix,
  sheet: async () => (await import('./quick')).sheet,
  compare: async () => (await import('./quick')).compare,
  saveStates: async () => (await import('./quick')).boxStates,
  search: async () => (await import('./search')).search,
  walk: async () => (await import('./show')).walk,
  board: async () => (await import('./show')).board,
  chart: async () => {
    const { readPaste } = await import('../readPaste')
    return (_, { text, columns }) => readPaste(text, columns)
  },
}
