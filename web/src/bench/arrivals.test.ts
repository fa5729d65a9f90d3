import { expect, test } from 'vitest'
import { filesOf } from './arrivals'

const file = (name: string) =>
  ({ isFile: true, file: (take: (f: File) => void) => take(new File(['x'], name)) }) as unknown as FileSystemFileEntry

/** A folder as browsers give it: a reader hands out its entries in parts, and an empty part at the end. */
const folder = (...parts: FileSystemEntry[][]) =>
  ({
    isFile: false,
    createReader: () => {
      const rest = [...parts, []]
      return { readEntries: (take: (e: FileSystemEntry[]) => void) => take(rest.shift() ?? []) }
    },
  }) as unknown as FileSystemDirectoryEntry

const drop = (entries: (FileSystemEntry | null)[], files: File[] = []) =>
  ({ items: entries.map((entry) => ({ webkitGetAsEntry: () => entry })), files }) as unknown as DataTransfer

const names = async (transfer: DataTransfer) => (await filesOf(transfer)).map((f) => f.name)

test('files and folders of a drop come out in their order', async () => {
  expect(await names(drop([file('a.tif'), folder([file('b.jpg'), file('c.png')]), file('d.tif')]))).toEqual([
    'a.tif',
    'b.jpg',
    'c.png',
    'd.tif',
  ])
})

test('a folder of hundreds is read to its end, part by part, and folders in it too', async () => {
  const hundred = Array.from({ length: 100 }, (_, i) => file(`${i}.jpg`))
  expect(await names(drop([folder(hundred, hundred, [folder([file('deep.tif')])])]))).toHaveLength(201)
})

test('what a computer hides in a folder is left there', async () => {
  expect(await names(drop([folder([file('.hidden'), file('a.tif')])]))).toEqual(['a.tif'])
})

test('a drop without entries, as from another program, still brings its files', async () => {
  expect(await names(drop([null], [new File(['x'], 'pasted.png')]))).toEqual(['pasted.png'])
})
