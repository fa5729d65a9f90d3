import { Link } from 'react-router'
import type { Attempt } from '../api/types'
import { useScanFigures } from './useScans'
import { scanned } from './words'

/** What the scan of a print says that is no matter of taste; nothing where nobody would see it. */
export function FromScan({ attempt }: { attempt: Attempt }) {
  const page = scanned(attempt)
  const data = useScanFigures(attempt, page?.page, page?.placed[0])
  if (!data?.shifted) return null
  return (
    <span className="effect">
      By its scan the print is {data.shifted} than foreseen. That is no matter of taste: the paper, the ink or the profile has
      changed. Look whether the right paper lay there, and <Link to="/tones">print a wedge</Link> before you change the picture.
    </span>
  )
}
