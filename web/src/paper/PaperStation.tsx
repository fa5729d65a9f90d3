import { useQueries, useQuery } from '@tanstack/react-query'
import { Button } from 'antd'
import { get } from '../api/client'
import { asked, changeOf, intentOf, masterUrl, proofUrl, renditionOf } from '../api/pictures'
import type { Figures, Pairing } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Booth } from '../parts/BoothPicture'
import { BOOTH } from '../parts/booth'
import { fixed, labCss, percent } from '../parts/numbers'
import './paper.css'

export function PaperStation({ view, picture, tools, go }: StationProps) {
  const { data: pairings } = useQuery({
    queryKey: ['pairings'],
    queryFn: ({ signal }) => get<Pairing[]>('/api/pairings', signal),
  })
  const change = changeOf(renditionOf(view, picture))
  const comparison = useQueries({
    queries: (pairings ?? []).map((p) => ({
      queryKey: ['pairing-comparison', view.id, picture.renditionId, p.pairingId, p.number, asked(change)],
      queryFn: ({ signal }) =>
        get<Figures>(
          `/api/dockets/${view.id}/renditions/${picture.renditionId}/pairing-comparison?pairingId=${p.pairingId}`,
          signal,
        ),
      staleTime: Number.POSITIVE_INFINITY,
    })),
  })
  const ranked = (pairings ?? [])
    .map((pairing, i) => ({ pairing, figures: comparison[i]?.data }))
    .sort((a, b) => (a.figures?.meanDifference[a.pairing.intent] ?? 99) - (b.figures?.meanDifference[b.pairing.intent] ?? 99))
  const chosen = view.spec.pairingId
  return (
    <div className="station">
      <Booth
        foot={
          <span>
            {chosen
              ? `As ${view.pairing.paper} would hold it, paper white shown.`
              : 'The master. Choose a paper to see it there.'}
          </span>
        }
      >
        <img
          src={
            chosen
              ? proofUrl(view, picture.master.hash, BOOTH, 'PAPER_WHITE', intentOf(view), change)
              : masterUrl(picture.master.hash, BOOTH, change)
          }
          alt="On the chosen paper"
        />
      </Booth>
      <aside className="card" aria-label="Paper">
        <section>
          <h2 className="head">Which paper suits this picture</h2>
          <p className="soft">
            The closest first, by the mean difference between master and print. Choosing one sets printer, media type, feed,
            quality, profile and intent.
          </p>
          <div className="ranking">
            {ranked.map(({ pairing: p, figures }) => (
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
                  {figures ? (
                    <>
                      mean ΔE {fixed(figures.meanDifference[p.intent] ?? 0, 1)} · can't hold{' '}
                      {percent(figures.gamut.tooDark + figures.gamut.tooLight + figures.gamut.tooVivid)}
                      {figures.gamut.tooDark > figures.gamut.tooVivid
                        ? ', mostly too dark'
                        : figures.gamut.tooVivid > 0.001
                          ? ', mostly too vivid'
                          : ''}
                    </>
                  ) : (
                    'measuring this picture on it …'
                  )}
                </span>
                <span className="soft">
                  white L* {fixed(p.whiteLab[0] ?? 0, 1)}, b* {fixed(p.whiteLab[2] ?? 0, 1)} (
                  {(p.whiteLab[2] ?? 0) > 1 ? 'warm' : (p.whiteLab[2] ?? 0) < -2 ? 'cold' : 'neutral'}) · deepest black L*{' '}
                  {fixed(p.blackL, 1)}
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
