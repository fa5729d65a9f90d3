import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, configure, render } from '@testing-library/react'
import { App } from 'antd'
import type { ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, vi } from 'vitest'
import type { Attempt, DocketView, Figures, Finding, OnDocket } from '../api/types'
import type { DocketTools } from '../docket/useDocket'

// a second is not enough on a machine that does other work beside the tests
configure({ asyncUtilTimeout: 15_000 })

/** What components need around them, and made-up dockets to show; for tests alone. */

/** Answers of the server by "METHOD path"; a function is asked with the request's body. What isn't listed is answered with 404. */
type Answers = Record<string, unknown | ((body: unknown, request: Request) => unknown)>

export type Asked = { call: string; body: unknown; version: string | null }

/** Stands in for the server; gives what it was asked, in order. */
export function serverAnswers(answers: Answers): Asked[] {
  const asked: Asked[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const call = `${request.method} ${new URL(request.url).pathname}`
    const text = await request.text()
    const body = text === '' ? undefined : JSON.parse(text)
    asked.push({ call, body, version: request.headers.get('If-Match') })
    const answer = answers[call]
    if (answer === undefined) return new Response('{"code":"not-found","detail":"Not there.","next":"Look."}', { status: 404 })
    const said = typeof answer === 'function' ? answer(body, request) : answer
    return said instanceof Response ? said : new Response(JSON.stringify(said))
  })
  return asked
}

export const refused = (status: number, code: string, detail: string) =>
  new Response(JSON.stringify({ code, detail, next: 'Look again.' }), { status })

export function Stage({ children, client, at = '/' }: { children: ReactNode; client?: QueryClient; at?: string }) {
  const own = client ?? new QueryClient({ defaultOptions: { queries: { retry: false } } })
  return (
    <MemoryRouter initialEntries={[at]}>
      <QueryClientProvider client={own}>
        <App>{children}</App>
      </QueryClientProvider>
    </MemoryRouter>
  )
}

/** @param at address of the page */
export const shown = (what: ReactNode, at = '/') => render(<Stage at={at}>{what}</Stage>)

/** The browser that jsdom isn't. */
export function browserStands() {
  vi.stubGlobal('matchMedia', () => ({ matches: false, addEventListener: () => {}, removeEventListener: () => {} }))
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
  HTMLElement.prototype.setPointerCapture ??= () => {}
  afterEach(() => {
    cleanup()
    vi.useRealTimers()
  })
}

export const picture = (more: object = {}) =>
  ({
    renditionId: 'r1',
    master: { hash: 'm1', channels: 3, width: 3000, height: 2000 },
    stamps: [],
    ...more,
  }) as unknown as OnDocket

const rendition = {
  id: 'r1',
  masterHash: 'm1',
  treatment: { kind: 'colour' },
  compensation: { moves: [], on: true },
  straightened: true,
}

export const docket = (more: object = {}) =>
  ({
    id: 'd1',
    number: 12,
    version: 3,
    findings: [],
    track: [],
    readback: 'An A4 sheet.',
    pairing: {
      pairingId: 'p1',
      number: 4,
      paper: 'Skerry Baryta 310',
      printerName: 'Ardle 17',
      intent: 'RELATIVE',
      settings: { values: {} },
    },
    pictures: [picture()],
    layout: { pages: [] },
    spec: {
      copies: 1,
      heading: { title: 'Fells', notes: '', purpose: { kind: 'work' } },
      renditions: [rendition],
      items: [{ id: 'i1', renditionId: 'r1' }],
      plan: { kind: 'single', itemId: 'i1' },
      colour: { route: { kind: 'by-wistel', intent: 'RELATIVE', blackPoint: true }, settings: { values: {} } },
      output: { resolution: {}, sharpening: 'STANDARD' },
    },
    ...more,
  }) as unknown as DocketView

export const finding = (more: Partial<Finding>) =>
  ({ code: 'PIXELS_LOST', severity: 'LOOK', stage: 'SIZE', subjects: [], what: 'w', effect: 'e', fixes: [], ...more }) as Finding

export const attempt = (more: object = {}) =>
  ({
    id: 'a1',
    docketId: 'd1',
    number: 1,
    state: 'done',
    message: '',
    percent: 100,
    verdict: '',
    remark: '',
    created: '2026-11-30T10:00:00Z',
    labFile: false,
    pieces: [],
    held: false,
    reprint: 'KEPT',
    pages: [],
    ...more,
  }) as unknown as Attempt

export const figures = (more: object = {}) =>
  ({
    meanDifference: { PERCEPTUAL: 3.2, RELATIVE: 1.4, SATURATION: 2.6, ABSOLUTE: 5 },
    gamut: { inside: 1, parts: [] },
    threshold: 2,
    screen: { ofMaster: 0, ofPrint: 0 },
    paperL: 95.5,
    blackL: 7.1,
    blackAlways: [],
    ...more,
  }) as unknown as Figures

export const tools = (more: object = {}) => {
  const done = {
    view: docket(),
    attempts: [],
    joint: [],
    change: vi.fn(),
    decide: vi.fn(),
    see: vi.fn(),
    release: { mutate: vi.fn(), isPending: false },
    complain: vi.fn(),
    ...more,
  }
  return done as typeof done & DocketTools
}
