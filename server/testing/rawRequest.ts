import { connect } from 'node:net'

/** Sends bytes as they are and gives back what comes until the connection ends: `fetch` writes its own Host. */
export function rawRequest(url: string, text: string, patience = 3000): Promise<string> {
  const { hostname, port } = new URL(url)
  return new Promise((resolve, reject) => {
    let answer = ''
    const socket = connect(Number(port), hostname, () => socket.write(text))
    socket.setTimeout(patience, () => socket.destroy())
    socket.on('data', (piece) => (answer += piece.toString()))
    socket.on('close', () => resolve(answer))
    socket.on('error', reject)
  })
}

/** A GET asked by a name of the caller's choice; resolves to the status. */
export async function statusAskedAs(
  url: string,
  host: string | null,
  method = 'GET',
  path = '/api/rigs',
): Promise<number> {
  const hostLine = host === null ? '' : `Host: ${host}\r\n`
  const answer = await rawRequest(
    url,
    `${method} ${path} HTTP/1.1\r\n${hostLine}Connection: close\r\nContent-Length: 0\r\n\r\n`,
  )
  return Number(/^HTTP\/1\.1 (\d+)/.exec(answer)?.[1])
}
