import { useQuery } from '@tanstack/react-query'
import { address, answer, api } from '../api/client'
import { pairingOf } from '../api/pictures'
import { forScreen } from '../api/screen'
import type { DocketView, PrintPrediction } from '../api/types'
import { LAID } from './words'

/** What there is to see on the first page, asked for once for each state of the docket. */
export function useLaidDown(view: DocketView): PrintPrediction | undefined {
  const { data } = useQuery({
    queryKey: ['docket', view.id, 'laid-down', view.version],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/dockets/{id}/pages/{page}/prediction/notes', { params: { path: { id: view.id, page: 1 } }, signal })),
    enabled: view.pairing !== undefined && view.pairing !== null,
    placeholderData: (before) => before,
  })
  return view.pairing ? data : undefined
}

/** The sheet as the settings would have it come out, each mistake pointed at with the number of its finding. */
export function LaidDownSheet({
  view,
  told,
  numbers,
}: {
  view: DocketView
  told: PrintPrediction
  numbers: Record<string, number>
}) {
  const page = view.layout.pages[0]
  if (!page) return null
  const place = (mm: number, of: number) => `${(100 * mm) / of}%`
  return (
    <div className="to-come" style={{ '--shape': page.widthMm / page.heightMm } as React.CSSProperties}>
      <img
        src={address('/api/dockets/{id}/pages/{page}/prediction', {
          path: { id: view.id, page: 1 },
          query: { longest: 1000, v: `${view.version}-${pairingOf(view).number}`, ...forScreen() },
        })}
        alt="The sheet as it would come out"
      />
      {told.notes.map((n, i) => {
        const low = n.atMm.y + n.atMm.height / 2 > page.heightMm * 0.6
        return (
          <div key={`${n.code} ${n.text}`}>
            <div
              className="pointed"
              style={{
                left: place(n.atMm.x, page.widthMm),
                top: place(n.atMm.y, page.heightMm),
                width: place(n.atMm.width, page.widthMm),
                height: place(n.atMm.height, page.heightMm),
              }}
            />
            <div
              className="told-note"
              style={{
                left: place(Math.min(page.widthMm * 0.55, Math.max(8, n.atMm.x + n.atMm.width * 0.12 * (i + 1))), page.widthMm),
                ...(low
                  ? {
                      bottom: place(
                        page.heightMm - Math.min(page.heightMm * 0.94, n.atMm.y + n.atMm.height * 0.9),
                        page.heightMm,
                      ),
                    }
                  : { top: place(Math.min(page.heightMm * 0.75, n.atMm.y + n.atMm.height * (0.12 + 0.2 * i)), page.heightMm) }),
              }}
            >
              {n.code && numbers[n.code] !== undefined && <b>{numbers[n.code]} </b>}
              {n.text}
            </div>
          </div>
        )
      })}
    </div>
  )
}

export const laidFoot = (told: PrintPrediction) =>
  ['OTHER_TYPE_UNKNOWN', 'DRIVER_GRAY'].includes(told.colours) ? LAID.unknown : LAID.foot
