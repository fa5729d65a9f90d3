import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { get } from '../api/client'
import { asked, blackPointOf, type ColourChange, intentOf } from '../api/pictures'
import type { DocketView, OnDocket, Shadows } from '../api/types'
import { fixed } from '../parts/numbers'

const WORDS = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'all ten']

/** The darkest tones of the picture as they separate on this paper. */
export function ShadowStrip({ view, picture, change }: { view: DocketView; picture: OnDocket; change: ColourChange }) {
  const { data } = useQuery({
    queryKey: [
      'shadows',
      view.id,
      picture.renditionId,
      view.pairing.pairingId,
      intentOf(view),
      blackPointOf(view),
      asked(change),
    ],
    queryFn: ({ signal }) =>
      get<Shadows>(`/api/dockets/${view.id}/renditions/${picture.renditionId}/shadows?x=1${asked(change)}`, signal),
    placeholderData: keepPreviousData,
  })
  if (!data) return null
  return (
    <div>
      <div className="strip-words">
        Ten steps of the picture’s darkest third on this paper: {WORDS[data.apart]} of them stay apart
      </div>
      <div className="shadow-strip">
        {data.steps.map((s, i) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: steps are their place in the row
            key={i}
            style={{ background: `rgb(${s.shown.join(' ')})` }}
            title={`L* ${fixed(s.from, 1)} in the master, ${fixed(s.to, 1)} on paper`}
          />
        ))}
      </div>
    </div>
  )
}
