import type { Finding, Mark } from '../api/types'

type Sign = Mark | Finding['severity'] | 'BUSY'

const NAMES: Record<Sign, string> = {
  SETTLED: 'settled',
  LOOK: 'needs a look',
  BLOCKED: 'blocked',
  OPEN: 'open',
  STOP: 'stops the print',
  NOTE: 'for information',
  BUSY: 'at work',
}

/** State by shape first: a disc is settled, half a disc wants a look, a triangle stops, a ring is open or informs. */
export function MarkSign({ mark, size = 12 }: { mark: Sign; size?: number }) {
  const stops = mark === 'BLOCKED' || mark === 'STOP'
  const half = mark === 'LOOK' || mark === 'BUSY'
  return (
    <svg className="mark" width={size} height={size} viewBox="0 0 12 12" role="img" aria-label={NAMES[mark]}>
      {stops && <path d="M6 .8 11.6 11H.4z" fill="currentColor" />}
      {mark === 'SETTLED' && <circle cx="6" cy="6" r="5" fill="currentColor" />}
      {half && (
        <>
          <circle cx="6" cy="6" r="4.8" fill="none" stroke="currentColor" strokeWidth="1.3" />
          <path d="M6 1.2a4.8 4.8 0 0 0 0 9.6z" fill="currentColor" />
        </>
      )}
      {(mark === 'OPEN' || mark === 'NOTE') && (
        <circle cx="6" cy="6" r="4.8" fill="none" stroke="currentColor" strokeWidth="1.3" />
      )}
    </svg>
  )
}
