import { Problem, upload } from './client'
import type { components } from './schema'

type S = components['schemas']
/** A picture that was read in, and lies on no docket yet. */
export type Brought = S['Brought']

type Told = {
  /** Each as it was read, in the order in which they are done. */
  read?: (picture: Brought) => void
  /** What can't be read; the others go on. */
  left?: (file: File, problem: Problem) => void
  /** So many that were read, in the order in which they came; the next ones wait until these are dealt with. */
  some: (pictures: Brought[]) => Promise<unknown>
}

const AT_ONCE = 2
const BATCH = 25

/** Brings pictures, some at a time: what was brought is dealt with although the page may be closed before the last one. */
export async function bringPictures(files: File[], largest: number, told: Told) {
  for (let from = 0; from < files.length; from += BATCH) {
    const part = files.slice(from, from + BATCH)
    const done: (Brought | undefined)[] = []
    let next = 0
    const take = async () => {
      while (next < part.length) {
        const nth = next++
        const file = part[nth] as File
        try {
          const { hash, fileName } = await upload<S['BroughtPicture']>(
            '/api/masters',
            { query: { name: file.name } },
            file,
            largest,
          )
          const picture = { hash, fileName }
          done[nth] = picture
          told.read?.(picture)
        } catch (e) {
          told.left?.(file, e instanceof Problem ? e : new Problem('unforeseen', String(e), ''))
        }
      }
    }
    await Promise.all(Array.from({ length: AT_ONCE }, take))
    const pictures = done.filter((p): p is Brought => p !== undefined)
    if (pictures.length > 0) await told.some(pictures)
  }
}
