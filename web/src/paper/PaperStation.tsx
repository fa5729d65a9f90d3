import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { Button } from 'antd'
import { answer, api } from '../api/client'
import { changeOf, intentOf, masterUrl, pairingOf, proofUrl, renditionOf } from '../api/pictures'
import type { Pairing } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Booth } from '../parts/BoothPicture'
import { BOOTH } from '../parts/booth'
import { fixed, labCss, percent } from '../parts/numbers'
import { CAUSES } from '../proof/words'
import './paper.css'
import { StationFindings } from '../parts/Findings'

export function PaperStation({ view, picture, tools, go }: StationProps) {
  const { data: pairings } = useQuery({
    queryKey: ['pairings'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings', { signal })),
  })
  const change = changeOf(renditionOf(view, picture), picture)
  const { data: comparison } = useQuery({
    queryKey: [
      'pairing-comparison',
      view.id,
      picture.renditionId,
      view.version,
      pairings?.map((p) => `${p.pairingId} ${p.number}`),
    ],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/pairing-comparison', {
          params: { path: { id: view.id, rendition: picture.renditionId } },
          signal,
        }),
      ),
    enabled: pairings !== undefined,
    placeholderData: keepPreviousData,
  })
  const place = (p: Pairing) => comparison?.findIndex((c) => c.pairingId === p.pairingId) ?? 0
  const ranked = (pairings ?? [])
    .map((pairing) => ({ pairing, found: comparison?.find((c) => c.pairingId === pairing.pairingId) }))
    .sort((a, b) => place(a.pairing) - place(b.pairing))
  const chosen = view.spec.paper.pairingId
  return (
    <div className="station">
      <Booth
        foot={
          <span>
            {chosen
              ? `As ${pairingOf(view).paper} would hold it, paper white shown.`
              : 'The master. Choose a paper to see it there.'}
          </span>
        }
      >
        <img
          src={
            chosen
              ? proofUrl(view, picture, BOOTH, 'PAPER_WHITE', intentOf(view), change)
              : masterUrl(picture.master.hash, BOOTH, change)
          }
          alt="On the chosen paper"
        />
      </Booth>
      <aside className="card" aria-label="Paper">
        <StationFindings view={view} tools={tools} stage="PAPER" />
        <section>
          <h2 className="head">Which paper suits this picture</h2>
          <p className="soft">
            The closest first, by the mean difference between master and print over the part that is printed. Choosing one sets
            printer, media type, feed, quality, profile and intent.
          </p>
          <div className="ranking">
            {ranked.map(({ pairing: p, found }) => (
              <button
                type="button"
                className="pair"
                key={p.pairingId}
                aria-pressed={p.pairingId === chosen}
                onClick={() => tools.change({ kind: 'pair', pairingId: p.pairingId })}
              >
                <span>
                  <span className="swatch" style={{ background: labCss(p.whiteLab) }} />
                  <b>{p.paper}</b> · {p.surface} · {p.printerName}
                </span>
                <span className="soft">
                  {found ? (
                    <>
                      mean ΔE {fixed(found.meanDifference, 1)} · can't hold {percent(1 - found.gamut.inside)}
                      {found.gamut.mostly && `: most of it ${CAUSES[found.gamut.mostly].short}`}
                    </>
                  ) : (
                    'measuring this picture on it …'
                  )}
                </span>
                <span className="soft">
                  white L* {fixed(p.whiteLab[0] ?? 0, 1)}, b* {fixed(p.whiteLab[2] ?? 0, 1)}
                  {found && ` (${found.tone.toLowerCase()})`} · deepest black L* {fixed(p.blackL, 1)}
                </span>
              </button>
            ))}
          </div>
        </section>
        <div className="next">
          <span />
          <Button type="primary" disabled={!chosen} onClick={() => go('size')}>
            On to the size
          </Button>
        </div>
      </aside>
    </div>
  )
}
