import createClient, { createFinalURL, createQuerySerializer, defaultPathSerializer, type Middleware } from 'openapi-fetch'
import type { PathsWithMethod } from 'openapi-typescript-helpers'
import type { paths } from './schema'

/** This tab, among all that the server tells of changes: it has the answers to its own. */
export const TAB = Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, '0')).join('')

/** A refusal by the server, in its words (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly code: string,
    what: string,
    readonly next: string,
  ) {
    super(what)
  }
}

async function refusal(response: Response): Promise<Problem> {
  const body = (await response.json().catch(() => ({}))) as { code?: string; detail?: string; next?: string }
  return new Problem(
    body.code ?? `http-${response.status}`,
    body.detail ?? 'The server gave no answer that can be read.',
    body.next ?? 'Try again.',
  )
}

/** Refusals and silence become problems in words. */
const inWords: Middleware = {
  async onResponse({ response }) {
    if (!response.ok) throw await refusal(response)
  },
  onError({ error, request }) {
    // an answer that nobody waits for any more is no fault of the server's
    if (error instanceof Problem || request.signal.aborted) return
    return new Problem(
      'server-away',
      "Wistel's server doesn't answer.",
      'What you see stays here; start the server, then try again.',
    )
  },
}

const ORIGIN = typeof location === 'undefined' ? 'http://localhost' : location.origin

/** The server's operations, with the paths, parameters and answers of its OpenAPI description. */
export const api = createClient<paths>({
  baseUrl: ORIGIN,
  headers: { 'Wistel-Tab': TAB },
  fetch: (request) => fetch(request),
})
api.use(inWords)

/** What was answered; a refusal is thrown as a {@link Problem}. */
export const answer = async <T>(call: Promise<{ data?: T }>): Promise<T> => (await call).data as T

/** The version that a change was decided on. */
export const since = (version: number) => ({ 'If-Match': `"${version}"` })

type Values<P, M extends string, K extends string> = P extends { [m in M]: { parameters: { [k in K]?: infer V } } } ? V : never
type Parts<P, M extends string> = {
  path?: Values<P, M, 'path'>
  query?: Values<P, M, 'query'> | (Values<P, M, 'query'> & { v?: string | number })
}

const querySerializer = createQuerySerializer()

function written(path: string, parts: { path?: unknown; query?: unknown }) {
  return createFinalURL(path as never, {
    baseUrl: '',
    params: parts as never,
    querySerializer,
    pathSerializer: defaultPathSerializer,
  })
}

/** The address of what the browser fetches by itself: pictures, files. `v` tells states of the same thing apart. */
export const address = <P extends PathsWithMethod<paths, 'get'>>(path: P, parts: Parts<paths[P], 'get'> = {}) =>
  written(path, parts)

/** Sends one file as it is, unless it is larger than is taken; progress from 0 to 1. */
export function upload<T, P extends PathsWithMethod<paths, 'post'> = PathsWithMethod<paths, 'post'>>(
  path: P,
  parts: Parts<paths[P], 'post'>,
  file: File,
  most: number,
  progress: (share: number) => void = () => {},
): Promise<T> {
  return new Promise((resolve, reject) => {
    if (file.size > most) {
      reject(
        new Problem(
          'file-too-large',
          `This file is larger than ${Math.round(most / 1048576)} MB.`,
          'Export it smaller or with compression.',
        ),
      )
      return
    }
    const request = new XMLHttpRequest()
    request.open('POST', written(path, parts))
    request.upload.onprogress = (e) => progress(e.lengthComputable ? e.loaded / e.total : 0)
    request.onload = () => {
      const response = new Response(request.responseText, { status: request.status })
      if (response.ok) response.json().then(resolve, reject)
      else refusal(response).then(reject)
    }
    request.onerror = () =>
      reject(new Problem('server-away', 'The connection broke off.', 'Nothing of this file was kept: drop it again.'))
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.setRequestHeader('Wistel-Tab', TAB)
    request.send(file)
  })
}
