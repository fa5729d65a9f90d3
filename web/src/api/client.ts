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

async function answer<T>(response: Response): Promise<T> {
  if (response.ok) {
    return (response.status === 204 ? undefined : await response.json()) as T
  }
  const body = (await response.json().catch(() => ({}))) as { code?: string; detail?: string; next?: string }
  throw new Problem(
    body.code ?? `http-${response.status}`,
    body.detail ?? 'The server gave no answer that can be read.',
    body.next ?? 'Try again.',
  )
}

async function send<T>(method: string, url: string, body?: unknown, version?: number, signal?: AbortSignal): Promise<T> {
  const headers: Record<string, string> = { 'Wistel-Tab': TAB }
  if (body !== undefined) headers['Content-Type'] = 'application/json'
  if (version !== undefined) headers['If-Match'] = `"${version}"`
  const init: RequestInit = { method, headers }
  if (signal) init.signal = signal
  if (body !== undefined) init.body = JSON.stringify(body)
  try {
    return await answer<T>(await fetch(url, init))
  } catch (e) {
    // an answer that nobody waits for any more is no fault of the server's
    if (e instanceof Problem || signal?.aborted) throw e
    throw new Problem(
      'server-away',
      "Wistel's server doesn't answer.",
      'What you see stays here; start the server, then try again.',
    )
  }
}

export const get = <T>(url: string, signal?: AbortSignal) => send<T>('GET', url, undefined, undefined, signal)
export const post = <T>(url: string, body?: unknown, version?: number) => send<T>('POST', url, body, version)
export const put = <T>(url: string, body: unknown, version?: number) => send<T>('PUT', url, body, version)
export const remove = (url: string) => send<void>('DELETE', url)
/** Takes a part of something away; what is left is the answer. */
export const removeOf = <T>(url: string, version: number) => send<T>('DELETE', url, undefined, version)
export const patch = <T>(url: string, body: unknown, version?: number) => send<T>('PATCH', url, body, version)

/** Sends one file as it is, unless it is larger than is taken; progress from 0 to 1. */
export function upload<T>(url: string, file: File, most: number, progress: (share: number) => void): Promise<T> {
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
    request.open('POST', url)
    request.upload.onprogress = (e) => progress(e.lengthComputable ? e.loaded / e.total : 0)
    request.onload = () => {
      answer<T>(new Response(request.responseText, { status: request.status })).then(resolve, reject)
    }
    request.onerror = () =>
      reject(new Problem('server-away', 'The connection broke off.', 'Nothing of this file was kept: drop it again.'))
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.setRequestHeader('Wistel-Tab', TAB)
    request.send(file)
  })
}
