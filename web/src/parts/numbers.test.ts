import { expect, test } from 'vitest'
import { fixed, mm, percent } from './numbers'

test('a negative number carries a true minus', () => expect(fixed(-3.456, 1)).toBe('−3.5'))
test('whole millimetres lose their decimal, others keep one', () => {
  expect(mm(380)).toBe('380')
  expect(mm(253.34)).toBe('253.3')
  expect(mm(24.400000000000002)).toBe('24.4')
})
test('small shares keep a decimal', () => {
  expect(percent(0.034)).toBe('3.4 %')
  expect(percent(0.5)).toBe('50 %')
})
