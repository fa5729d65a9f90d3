import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Input, InputNumber, Progress, Segmented, Select } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { answer, api } from '../api/client'
import { masterUrl, renditionOf, scanUrl, treated } from '../api/pictures'
import type { Attempt, DocketView } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Booth } from '../parts/BoothPicture'
import { Findings, numbered } from '../parts/Findings'
import { MarkSign } from '../parts/MarkSign'
import { fixed, moment } from '../parts/numbers'
import { JoinedSheets } from '../tiles/JoinedSheets'
import { Again } from './Again'
import { AlongWith } from './AlongWith'
import { FromScan } from './FromScan'
import { LabFile, Written } from './LabFile'
import { LaidDownSheet, laidFoot, useLaidDown } from './LaidDownSheet'
import { OtherPrinter } from './OtherPrinter'
import { Takes } from './Takes'
import './release.css'
import { useTryVariations } from '../strip/useTryVariations'
import { TwoPrints } from './TwoPrints'
import { useAttemptLayout, useScanFigures } from './useScans'
import {
  attemptWords,
  HOLD,
  LAID,
  looksDifferent,
  markOf,
  mayBeHeld,
  OVER,
  pageWords,
  placeWords,
  scanned,
  VERDICTS,
  WORDS,
} from './words'

export function ReleaseStation({ view, picture, tools }: StationProps) {
  const client = useQueryClient()
  const last = tools.attempts[0]
  const others = (a: Attempt) => tools.attempts.filter((o) => o !== a && o.state === 'done' && !o.labFile)
  const running = last !== undefined && !OVER.includes(last.state)
  const stops = view.findings.some((f) => f.severity === 'STOP')
  const refresh = () => client.invalidateQueries({ queryKey: ['attempts'] })
  const numbers = numbered(view.findings)
  return (
    <div className="station">
      <Beside view={view} picture={picture} attempt={tools.attempts.find((a) => scanned(a))} numbers={numbers} />
      <aside className="card" aria-label="Release">
        <section>
          <h2 className="head">{view.findings.length === 0 ? WORDS.clear : WORDS.before}</h2>
          <Findings findings={view.findings} tools={tools} view={view} numbers={numbers} />
        </section>
        <section>
          <div className="send">
            <Button
              type="primary"
              size="large"
              disabled={stops || running}
              loading={tools.release.isPending}
              onClick={() => tools.release.mutate(false)}
            >
              Print
            </Button>
            <InputNumber
              aria-label="Copies"
              min={1}
              max={99}
              value={view.spec.copies}
              onChange={(copies) => copies && tools.decide({ kind: 'copies', copies })}
            />
            <span className="soft">{view.spec.copies === 1 ? 'copy' : 'copies'}</span>
            {!running && (
              <Button className="aside" disabled={stops} onClick={() => tools.release.mutate(true)}>
                {HOLD.hold}
              </Button>
            )}
            {running && (
              <div className="also">
                {mayBeHeld(last) && (
                  <Button
                    onClick={() =>
                      answer(
                        api.PUT('/api/attempts/{id}/held', {
                          params: { path: { id: last.id } },
                          body: { held: !last.held, agreed: true },
                        }),
                      ).then(refresh, tools.complain)
                    }
                  >
                    {!last.held ? HOLD.again : looksDifferent(last) ? HOLD.differs : HOLD.go}
                  </Button>
                )}
                <Button
                  onClick={() =>
                    answer(api.POST('/api/attempts/{id}/cancel', { params: { path: { id: last.id } } })).then(
                      refresh,
                      tools.complain,
                    )
                  }
                >
                  Cancel the print
                </Button>
              </div>
            )}
          </div>
          {view.pairing && <OtherPrinter view={view} tools={tools} disabled={running} />}
          {!running && view.pairing && <LabFile view={view} tools={tools} onWritten={refresh} />}
          {running && (
            <div className="progress" data-testid="progress">
              <Progress percent={last.percent} size="small" showInfo={false} />
              {attemptWords(last)}
            </div>
          )}
        </section>
        {view.pairing && <Takes view={view} />}
        <section>
          <h2 className="head">{tools.attempts.length === 0 ? WORDS.none : 'Attempts'}</h2>
          {tools.attempts.map((a) => (
            <div className="finding" key={a.id} data-testid="attempt">
              <MarkSign mark={markOf(a)} size={13} />
              <span>
                <b>
                  {a.number}. {attemptWords(a)}
                </b>{' '}
                <span className="soft">{moment(a.created)}</span>
              </span>
              {a.labFile && a.state === 'done' && <Written attempt={a} />}
              {a.pages.length > 1 && !a.labFile && (
                <Pages attempt={a} running={running} refresh={refresh} complain={tools.complain} />
              )}
              {OVER.includes(a.state) && (
                <span className="mends verdict">
                  {a.state === 'done' && !a.labFile && (
                    <>
                      <Select
                        aria-label={`Verdict on attempt ${a.number}`}
                        size="small"
                        value={a.verdict}
                        options={VERDICTS}
                        onChange={(verdict) =>
                          answer(
                            api.PUT('/api/attempts/{id}/verdict', {
                              params: { path: { id: a.id } },
                              body: { verdict, remark: a.remark },
                            }),
                          ).then(refresh, tools.complain)
                        }
                      />
                      <Input
                        key={a.remark}
                        aria-label={`Remark on attempt ${a.number}`}
                        size="small"
                        placeholder="remark"
                        defaultValue={a.remark}
                        onBlur={(e) =>
                          e.target.value !== a.remark &&
                          answer(
                            api.PUT('/api/attempts/{id}/verdict', {
                              params: { path: { id: a.id } },
                              body: { verdict: a.verdict, remark: e.target.value },
                            }),
                          ).then(refresh, tools.complain)
                        }
                      />
                    </>
                  )}
                  {a === last && <FromScan attempt={a} />}
                  {a === last && a.state === 'done' && others(a).length > 0 && <TwoPrints attempt={a} others={others(a)} />}
                  {a === last && a.verdict !== '' && a.verdict !== 'matches' && <Next attempt={a} view={view} tools={tools} />}
                  <Again attempt={a} disabled={running} onDone={refresh} complain={tools.complain} />
                  {a.state === 'done' && !a.labFile && <AlongWith attempt={a} />}
                </span>
              )}
            </div>
          ))}
          {tools.joint.map((a) => (
            <div className="finding" key={a.id} data-testid="joint-attempt">
              <MarkSign mark={markOf(a)} size={13} />
              <span>
                <b>Together with others: {attemptWords(a)}</b> <span className="soft">{moment(a.created)}</span>
              </span>
              <span className="effect">
                <Link to={`/dockets/${a.docketId}/release`}>
                  docket {a.docketNumber}, {a.title}
                </Link>
              </span>
            </div>
          ))}
        </section>
      </aside>
    </div>
  )
}

/** What to change for the next attempt, a button each. */
function Next({ attempt, view, tools }: { attempt: Attempt; view: DocketView; tools: StationProps['tools'] }) {
  const { data } = useQuery({
    queryKey: ['docket', view.id, 'next', attempt.id, attempt.verdict, view.version],
    queryFn: ({ signal }) => answer(api.GET('/api/attempts/{id}/next', { params: { path: { id: attempt.id } }, signal })),
  })
  const tryVariations = useTryVariations(view.id, tools)
  if (!data) return null
  return (
    <span className="next-time">
      {WORDS.next}{' '}
      {view.spec.plan.kind !== 'strip' && (
        <Button size="small" onClick={() => tryVariations()}>
          Try variations on a strip
        </Button>
      )}
      {data.map((m) => (
        <Button size="small" key={m.label} onClick={() => tools.decide(m.change)}>
          {m.label}
        </Button>
      ))}
    </span>
  )
}

/** The pages of an attempt, each with its state; one that is over can be printed again alone. */
function Pages({
  attempt,
  running,
  refresh,
  complain,
}: {
  attempt: Attempt
  running: boolean
  refresh: () => void
  complain: (e: Error) => void
}) {
  const left = attempt.pages.filter((p) => p.state === 'failed' || p.state === 'cancelled')
  return (
    <>
      {left[0] && attempt.pages.length > left.length && (
        <Button
          size="small"
          className="goes-on"
          disabled={running}
          onClick={() =>
            answer(api.POST('/api/attempts/{id}/rest', { params: { path: { id: attempt.id } } })).then(refresh, complain)
          }
        >
          Go on from page {left[0].page}
        </Button>
      )}
      <ul className="pages" aria-label={`Pages of attempt ${attempt.number}`}>
        {attempt.pages.map((p) => (
          <li key={p.page}>
            <span>
              page {p.page}: {pageWords(p)}
            </span>
            {OVER.includes(p.state) && (
              <Button
                size="small"
                disabled={running}
                onClick={() =>
                  answer(
                    api.POST('/api/attempts/{id}/pages/{page}/reprints', { params: { path: { id: attempt.id, page: p.page } } }),
                  ).then(refresh, complain)
                }
              >
                Print this page again
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  )
}

/** What came out beside the master, at the same scale; of several sheets and pictures, the one that is chosen. */
function Beside({
  view,
  picture,
  attempt,
  numbers,
}: Pick<StationProps, 'view' | 'picture'> & { attempt: Attempt | undefined; numbers: Record<string, number> }) {
  const told = useLaidDown(view)
  const [wanted, want] = useState<'sheet' | 'print' | 'joined'>()
  const { treatment } = renditionOf(view, picture)
  const layout = useAttemptLayout(attempt)
  const places = attempt
    ? attempt.pages
        .filter((p) => p.scanHash && p.scanKept)
        .flatMap((p) => (layout?.pages[p.page - 1]?.placed ?? []).map((placed) => ({ page: p.page, placed })))
        .filter((p) => p.placed.renditionId === picture.renditionId)
    : []
  const [chosen, choose] = useState(0)
  const shown = places[chosen] ?? places[0]
  const data = useScanFigures(attempt, shown?.page, shown?.placed.id)
  const at = shown?.placed.sides?.faceMm ?? shown?.placed.atMm
  const joins = Boolean(shown?.placed.tile) && places.length > 1
  const face = wanted ?? (joins ? 'joined' : shown ? 'print' : 'sheet')
  const faces = told && shown && (
    <Segmented
      size="small"
      aria-label="What is shown"
      value={face}
      onChange={(next) => want(next as 'sheet' | 'print' | 'joined')}
      options={[
        { value: 'sheet', label: LAID.sheet },
        { value: 'print', label: LAID.print },
        ...(joins ? [{ value: 'joined', label: LAID.joined }] : []),
      ]}
    />
  )
  if (told && face === 'sheet') {
    return (
      <Booth
        foot={
          <>
            {faces}
            <span>{laidFoot(told)}</span>
          </>
        }
      >
        <LaidDownSheet view={view} told={told} numbers={numbers} />
      </Booth>
    )
  }
  if (face === 'joined' && attempt) {
    return (
      <Booth foot={faces || undefined}>
        <JoinedSheets attemptId={attempt.id} sheets={places.length} of={attempt.pages.length} />
      </Booth>
    )
  }
  // beside each other both are larger, until a picture is more than half as wide again as the booth is high
  const wide = at !== undefined && at.width > at.height * 1.62
  const size = wide
    ? { maxWidth: '100%', maxHeight: 'calc((100vh - 310px) / 2)' }
    : { maxWidth: '100%', maxHeight: 'calc(100vh - 300px)' }
  return (
    <Booth
      foot={
        <>
          {faces}
          {places.length > 1 && (
            <Select
              size="small"
              aria-label="Sheet shown"
              popupMatchSelectWidth={false}
              value={Math.min(chosen, places.length - 1)}
              onChange={choose}
              options={places.map((p, i) => ({ value: i, label: placeWords(view, p.page, p.placed, i) }))}
            />
          )}
          <span>
            {shown
              ? `${WORDS.scan} ${data ? `Proof and print differ by ΔE ${fixed(data.meanDifference, 2)} on average.` : ''}`
              : WORDS.noScan}
          </span>
        </>
      }
    >
      <div className={wide ? 'beside stacked' : 'beside'}>
        <div>
          <img
            src={masterUrl(picture.master.hash, 1000, treated(treatment))}
            alt="Master"
            className={shown ? undefined : 'alone'}
            style={shown && size}
          />
          <span className="tag left">Master</span>
        </div>
        {attempt && shown && (
          <div>
            <img src={scanUrl(attempt.id, shown.page, shown.placed.id, 1000)} alt="Scan of the print" style={size} />
            <span className="tag left">
              Print, attempt {attempt.number}
              {attempt.pages.length > 1 && `, sheet ${shown.page}`}
            </span>
          </div>
        )}
      </div>
    </Booth>
  )
}
