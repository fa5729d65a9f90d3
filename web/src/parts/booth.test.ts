import { beforeAll, expect, test, vi } from 'vitest'

let boothPixels: (innerWidth: number, devicePixelRatio: number) => number

beforeAll(async () => {
  vi.stubGlobal('window', { innerWidth: 1280, devicePixelRatio: 1 })
  boothPixels = (await import('./booth')).boothPixels
})

test('a usual screen asks for a little more than its booth shows', () => expect(boothPixels(1280, 1)).toBe(900))
test('a fine screen asks for its device pixels, and never for more than is kept', () => {
  expect(boothPixels(1280, 2)).toBe(1800)
  expect(boothPixels(2560, 2)).toBe(2400)
})
test('a zoomed-out screen still gets a whole picture', () => expect(boothPixels(1280, 0.5)).toBe(900))
