import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { chooseScreen, forScreen, ownScreen, spaceOfScreen } from './screen'

describe('what pictures are made for', () => {
  beforeEach(() => {
    const kept = new Map<string, string>()
    Object.assign(globalThis, {
      localStorage: {
        getItem: (k: string) => kept.get(k) ?? null,
        setItem: (k: string, v: string) => kept.set(k, v),
        removeItem: (k: string) => kept.delete(k),
      },
      window: Object.assign(new EventTarget(), { matchMedia: () => ({ matches: false }) }),
    })
  })
  afterEach(() => chooseScreen(undefined))

  it('is the widest space that the browser says the screen fills', () => {
    expect(spaceOfScreen(() => false)).toBe('srgb')
    expect(spaceOfScreen((q) => q === '(color-gamut: p3)')).toBe('p3')
    expect(spaceOfScreen(() => true)).toBe('rec2020')
  })

  it('needs no word in an address for sRGB', () => {
    expect(forScreen()).toEqual({})
  })

  it('is the own profile once one was chosen, and what the browser says when it is let go', () => {
    chooseScreen({ display: 'abc', tagged: false })
    expect(forScreen()).toEqual({ display: 'abc', tagged: false })
    chooseScreen(undefined)
    expect(forScreen()).toEqual({})
  })

  it('survives what else may lie in the store', () => {
    localStorage.setItem('screen-colour', '{broken')
    expect(ownScreen()).toBeUndefined()
    localStorage.setItem('screen-colour', '7')
    expect(ownScreen()).toBeUndefined()
  })
})
