import { afterEach, expect, test, vi } from 'vitest'
import { get, Problem, put } from './client'

afterEach(() => vi.unstubAllGlobals())

const answering = (status: number, body: unknown) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response(JSON.stringify(body), { status })),
  )

test('a change names the version it was decided on', async () => {
  answering(200, { version: 8 })
  await put('/api/dockets/1/decisions', { copies: 2 }, 7)
  expect(vi.mocked(fetch)).toHaveBeenCalledWith(
    '/api/dockets/1/decisions',
    expect.objectContaining({ headers: expect.objectContaining({ 'If-Match': '"7"' }) }),
  )
})

test("a refusal keeps the server's code, words and way out", async () => {
  answering(412, { code: 'stale', detail: 'Changed meanwhile.', next: 'Look again.' })
  const problem = await get('/api/x').catch((e: Problem) => e)
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
  await expect(get('/api/x')).rejects.toMatchObject({ code: 'server-away' })
})

test('an answer that is no problem document still becomes one', async () => {
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response('<html>proxy</html>', { status: 502 })),
  )
  await expect(get('/api/x')).rejects.toMatchObject({ code: 'http-502' })
})
