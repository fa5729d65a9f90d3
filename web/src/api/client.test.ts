import { afterEach, expect, test, vi } from 'vitest'
import { address, answer, api, Problem, since, TAB } from './client'

afterEach(() => vi.unstubAllGlobals())

const answering = (status: number, body: unknown) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response(JSON.stringify(body), { status })),
  )
const bench = () => answer(api.GET('/api/bench'))

test('a change names the version it was decided on, and the tab that it comes from', async () => {
  answering(200, { version: 8 })
  await answer(
    api.PATCH('/api/dockets/{id}', {
      params: { path: { id: '1 2' }, header: since(7) },
      body: { kind: 'copies', copies: 2 },
    }),
  )
  const request = vi.mocked(fetch).mock.calls[0]?.[0] as Request
  expect(new URL(request.url).pathname).toBe('/api/dockets/1%202')
  expect(request.method).toBe('PATCH')
  expect(request.headers.get('If-Match')).toBe('"7"')
  expect(request.headers.get('Wistel-Tab')).toBe(TAB)
  expect(await request.json()).toEqual({ kind: 'copies', copies: 2 })
})

test("a refusal keeps the server's code, words and way out", async () => {
  answering(412, { code: 'stale', detail: 'Changed meanwhile.', next: 'Look again.' })
  const problem = await bench().catch((e: Problem) => e)
  expect(problem).toBeInstanceOf(Problem)
  expect(problem).toMatchObject({ code: 'stale', message: 'Changed meanwhile.', next: 'Look again.' })
})

test('a server that is gone is told in words', async () => {
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => {
      throw new TypeError('failed to fetch')
    }),
  )
  await expect(bench()).rejects.toMatchObject({ code: 'server-away' })
})

test('who stops waiting for an answer is told nothing of a fault', async () => {
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => {
      throw new DOMException('stopped', 'AbortError')
    }),
  )
  const stop = new AbortController()
  stop.abort()
  await expect(answer(api.GET('/api/bench', { signal: stop.signal }))).rejects.not.toBeInstanceOf(Problem)
})

test('an answer that is no problem document still becomes one', async () => {
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response('<html>proxy</html>', { status: 502 })),
  )
  await expect(bench()).rejects.toMatchObject({ code: 'http-502' })
})

test('the address of a picture names all it depends on, and nothing that is not said', () => {
  expect(address('/api/masters/{hash}/picture', { path: { hash: 'a/b' }, query: { longest: 300, v: '7-2' } })).toBe(
    '/api/masters/a%2Fb/picture?longest=300&v=7-2',
  )
  expect(address('/api/dockets/{id}/wrap/instructions', { path: { id: 'd' } })).toBe('/api/dockets/d/wrap/instructions')
})
