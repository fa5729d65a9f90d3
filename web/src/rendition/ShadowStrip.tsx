import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import { asked, blackPointOf, type ColourChange, intentOf, pairingOf } from '../api/pictures'
import type { DocketView, OnDocket } from '../api/types'
import { fixed } from '../parts/numbers'

const WORDS = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'all ten']

/** The darkest tones of the picture as they separate on this paper. */
export function ShadowStrip({ view, picture, change }: { view: DocketView; picture: OnDocket; change: ColourChange }) {
  const { data } = useQuery({
    queryKey: [
      'shadows',
      view.id,
      picture.renditionId,
      pairingOf(view).pairingId,
      intentOf(view),
      blackPointOf(view),
      asked(change),
    ],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/shadows', {
          params: { path: { id: view.id, rendition: picture.renditionId }, query: asked(change) },
          signal,
        }),
      ),
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
