/** One request to a server under test, with its answer read. */
export async function ask(
  url: string,
  method: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<{ status: number; headers: Headers; text: string; json: ReturnType<typeof JSON.parse> }> {
  const response = await fetch(url, {
    method,
    headers,
    redirect: 'manual',
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  })
  const text = await response.text()
  return {
    status: response.status,
    headers: response.headers,
    text,
    json: text.startsWith('{') ? JSON.parse(text) : null,
  }
}
