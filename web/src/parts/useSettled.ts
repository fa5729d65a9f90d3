import { useEffect, useState } from 'react'

/** A value once it has stayed the same for a while: for what is too slow to follow a slider. */
export function useSettled<T>(value: T, ms: number): T {
  const [settled, setSettled] = useState(value)
  const now = JSON.stringify(value)
  // biome-ignore lint/correctness/useExhaustiveDependencies: values count, not the objects that hold them
  useEffect(() => {
    const wait = window.setTimeout(() => setSettled(value), ms)
    return () => window.clearTimeout(wait)
  }, [now, ms])
  return settled
}
