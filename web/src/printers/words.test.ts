import { expect, test } from 'vitest'
import { rulesWords, waitsWords, wordFor } from './words'

test('what waits and what is refused are told in words', () => {
  expect([0, 1, 3].map(waitsWords)).toEqual(['nothing', 'one print', '3 prints'])
  expect(rulesWords(1)).toBe('one combination of settings that it refuses')
})

test("a printer's own word stands for its value, else the keyword does", () => {
  const words = [{ value: 'stationery-fine', label: 'cotton, smooth' }]
  expect(wordFor(words, 'stationery-fine')).toBe('cotton, smooth')
  expect(wordFor(words, 'photographic-satin')).toBe('photographic satin')
  expect(wordFor(undefined, undefined)).toBe('')
})
