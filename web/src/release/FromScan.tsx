import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { answer, api } from '../api/client'
import type { Attempt } from '../api/types'
import { scanned } from './words'

/** What the scan of a print says that is no matter of taste; nothing where nobody would see it. */
export function FromScan({ attempt }: { attempt: Attempt }) {
  const page = scanned(attempt)
  const placed = page?.placed[0]
  const { data } = useQuery({
    queryKey: ['scan-figures', attempt.id, page?.page, placed],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/attempts/{id}/pages/{page}/placed/{placed}/scan/figures', {
          params: { path: { id: attempt.id, page: page?.page ?? 0, placed: placed ?? '' } },
          signal,
        }),
      ),
    enabled: placed !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  })
  if (!data?.shifted) return null
  return (
    <span className="effect">
      By its scan the print is {data.shifted} than foreseen. That is no matter of taste: the paper, the ink or the profile has
      changed. Look whether the right paper lay there, and <Link to="/tones">print a wedge</Link> before you change the picture.
    </span>
  )
}
