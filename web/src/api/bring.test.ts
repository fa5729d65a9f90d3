import { afterEach, expect, test, vi } from 'vitest'
import { bringPictures } from './bring'
import { Problem, upload } from './client'

vi.mock('./client', async (real) => ({ ...(await real<typeof import('./client')>()), upload: vi.fn() }))
afterEach(() => vi.clearAllMocks())

const files = (n: number) => Array.from({ length: n }, (_, i) => ({ name: `p${i}.jpg`, size: 1 }) as File)

test('pictures are dealt with some at a time, in the order in which they came, without those that can’t be read', async () => {
  vi.mocked(upload).mockImplementation(async (_path, _parts, file) => {
    // later ones may be read sooner
    await new Promise((done) => setTimeout(done, file.name === 'p0.jpg' ? 20 : 1))
    if (file.name === 'p3.jpg') throw new Problem('unknown', 'No picture.', 'Export it again.')
    return { hash: file.name, fileName: file.name, notice: '' }
  })
  const batches: string[][] = []
  const left: string[] = []
  let read = 0
  await bringPictures(files(60), 10, {
    read: () => read++,
    left: (file) => left.push(file.name),
    some: async (pictures) => batches.push(pictures.map((p) => p.fileName)),
  })
  expect(batches.map((b) => b.length)).toEqual([24, 25, 10])
  expect(batches.flat()).toEqual(files(60).flatMap((f) => (f.name === 'p3.jpg' ? [] : [f.name])))
  expect(left).toEqual(['p3.jpg'])
  expect(read).toBe(59)
})

test('never more than two are on their way at once', async () => {
  let now = 0
  let most = 0
  vi.mocked(upload).mockImplementation(async () => {
    most = Math.max(most, ++now)
    await new Promise((done) => setTimeout(done, 1))
    now--
    return { hash: '', fileName: '', notice: '' }
  })
  await bringPictures(files(10), 10, { some: async () => {} })
  expect(most).toBe(2)
})
