// @vitest-environment jsdom
import { QueryClient } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import { expect, test } from 'vitest'
import { type Asked, browserStands, docket, refused, Stage, serverAnswers } from '../testing/stage'
import { useDocket } from './useDocket'

browserStands()

const PATH = '/api/dockets/d1'

function used(answers: Parameters<typeof serverAnswers>[0]) {
  const asked = serverAnswers({ [`GET ${PATH}`]: docket(), [`GET ${PATH}/attempts`]: [], ...answers })
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const { result } = renderHook(() => useDocket('d1'), { wrapper: ({ children }) => <Stage client={client}>{children}</Stage> })
  return { asked, result }
}

const changes = (asked: Asked[]) => asked.filter((a) => !a.call.startsWith('GET'))

test('a decision is one PATCH on the version that is shown, and its answer is what is shown next', async () => {
  const { asked, result } = used({ [`PATCH ${PATH}`]: docket({ version: 4, readback: 'Two A4 sheets.' }) })
  await waitFor(() => expect(result.current.view?.version).toBe(3))
  act(() => result.current.decide({ kind: 'copies', copies: 2 }))
  await waitFor(() => expect(result.current.view?.readback).toBe('Two A4 sheets.'))
  expect(changes(asked)).toEqual([{ call: `PATCH ${PATH}`, body: { kind: 'copies', copies: 2 }, version: '"3"' }])
  expect(asked.filter((a) => a.call === `GET ${PATH}`)).toHaveLength(1)
})

test('decisions that come faster than answers go out one after another, each on the version before it', async () => {
  let version = 3
  const { asked, result } = used({ [`PATCH ${PATH}`]: () => docket({ version: ++version }) })
  await waitFor(() => expect(result.current.view?.version).toBe(3))
  act(() => {
    for (const copies of [2, 3, 4]) result.current.decide({ kind: 'copies', copies })
  })
  await waitFor(() => expect(result.current.view?.version).toBe(6))
  expect(changes(asked).map((a) => a.version)).toEqual(['"3"', '"4"', '"5"'])
})

test('a stale decision is told in words, and the docket is shown as it is now', async () => {
  const { asked, result } = used({ [`PATCH ${PATH}`]: () => refused(412, 'stale', 'Somebody changed it meanwhile.') })
  await waitFor(() => expect(result.current.view?.version).toBe(3))
  act(() => result.current.decide({ kind: 'copies', copies: 2 }))
  await waitFor(() => expect(document.body.textContent).toContain('Somebody changed it meanwhile.'))
  await waitFor(() => expect(asked.filter((a) => a.call === `GET ${PATH}`)).toHaveLength(2))
})

test('going over to a wrap and back asks the plan of its choice', async () => {
  const { asked, result } = used({
    [`POST ${PATH}/wrap`]: docket({ version: 4 }),
    [`PATCH ${PATH}`]: docket({ version: 5 }),
  })
  await waitFor(() => expect(result.current.view?.version).toBe(3))
  act(() => result.current.change({ kind: 'plan', plan: 'wrap' }))
  await waitFor(() => expect(result.current.view?.version).toBe(4))
  act(() => result.current.change({ kind: 'plan', plan: 'single' }))
  await waitFor(() => expect(result.current.view?.version).toBe(5))
  expect(changes(asked).map((a) => `${a.call} ${a.version}`)).toEqual([`POST ${PATH}/wrap "3"`, `PATCH ${PATH} "4"`])
})

test('a release that is refused leaves the docket and says why', async () => {
  const { result } = used({ [`POST ${PATH}/attempts`]: () => refused(409, 'printing-already', 'It is on its way already.') })
  await waitFor(() => expect(result.current.view?.version).toBe(3))
  act(() => result.current.release.mutate(false))
  await waitFor(() => expect(document.body.textContent).toContain('It is on its way already.'))
  expect(result.current.view?.version).toBe(3)
})
