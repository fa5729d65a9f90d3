import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Input, InputNumber, Progress, Select } from 'antd'
import { get, post, put } from '../api/client'
import type { Attempt } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Booth } from '../parts/BoothPicture'
import { Findings } from '../parts/Findings'
import { MarkSign } from '../parts/MarkSign'
import { fixed, moment } from '../parts/numbers'
import { attemptWords, VERDICTS, WORDS } from './words'

const over = (a: Attempt) => a.state === 'done' || a.state === 'failed' || a.state === 'cancelled'

export function ReleaseStation({ view, tools }: StationProps) {
  const client = useQueryClient()
  const last = tools.attempts[0]
  const running = last !== undefined && !over(last)
  const stops = view.findings.some((f) => f.severity === 'STOP')
  const refresh = () => client.invalidateQueries({ queryKey: ['attempts'] })
  return (
    <div className="station">
      <Beside view={view} attempt={tools.attempts.find((a) => a.scanHash)} />
      <aside className="card" aria-label="Release">
        <section>
          <h2 className="head">{view.findings.length === 0 ? WORDS.clear : WORDS.before}</h2>
          <Findings findings={view.findings} tools={tools} />
        </section>
        <section>
          <div style={{ display: 'flex', gap: 10, alignItems: 'center' }}>
            <Button
              type="primary"
              size="large"
              disabled={stops || running}
              loading={tools.release.isPending}
              onClick={() => tools.release.mutate()}
            >
              Print
            </Button>
            <InputNumber
              aria-label="Copies"
              min={1}
              max={99}
              value={view.decisions.copies}
              style={{ width: 64 }}
              onChange={(copies) => copies && tools.decide((d) => ({ ...d, copies }))}
            />
            <span className="soft">{view.decisions.copies === 1 ? 'copy' : 'copies'}</span>
            {running && (
              <Button onClick={() => post(`/api/attempts/${last.id}/cancel`).then(refresh, tools.complain)}>
                Cancel the print
              </Button>
            )}
          </div>
          {running && (
            <div style={{ marginTop: 8 }} data-testid="progress">
              <Progress percent={last.percent} size="small" showInfo={false} />
              {attemptWords(last)}
            </div>
          )}
        </section>
        <section>
          <h2 className="head">{tools.attempts.length === 0 ? WORDS.none : 'Attempts'}</h2>
          {tools.attempts.map((a) => (
            <div className="finding" key={a.id} data-testid="attempt">
              <MarkSign
                mark={a.state === 'done' ? 'SETTLED' : a.state === 'failed' ? 'STOP' : a.state === 'cancelled' ? 'OPEN' : 'BUSY'}
                size={13}
              />
              <span>
                <b style={{ fontWeight: 650 }}>
                  {a.number}. {attemptWords(a)}
                </b>{' '}
                <span className="soft">{moment(a.created)}</span>
              </span>
              {over(a) && (
                <span className="mends" style={{ alignItems: 'center' }}>
                  {a.state === 'done' && (
                    <>
                      <Select
                        aria-label={`Verdict on attempt ${a.number}`}
                        size="small"
                        style={{ width: 130 }}
                        value={a.verdict}
                        options={VERDICTS}
                        onChange={(verdict) =>
                          put(`/api/attempts/${a.id}/verdict`, { verdict, remark: a.remark }).then(refresh, tools.complain)
                        }
                      />
                      <Input
                        key={a.remark}
                        aria-label={`Remark on attempt ${a.number}`}
                        size="small"
                        placeholder="remark"
                        style={{ width: 150 }}
                        defaultValue={a.remark}
                        onBlur={(e) =>
                          e.target.value !== a.remark &&
                          put(`/api/attempts/${a.id}/verdict`, { verdict: a.verdict, remark: e.target.value }).then(
                            refresh,
                            tools.complain,
                          )
                        }
                      />
                    </>
                  )}
                  <Button
                    size="small"
                    disabled={running}
                    onClick={() => post(`/api/attempts/${a.id}/again`).then(refresh, tools.complain)}
                  >
                    Exactly this again
                  </Button>
                </span>
              )}
            </div>
          ))}
        </section>
      </aside>
    </div>
  )
}

/** What came out beside the master, at the same scale. */
function Beside({ view, attempt }: { view: StationProps['view']; attempt: Attempt | undefined }) {
  const { data } = useQuery({
    queryKey: ['scan-figures', attempt?.id],
    queryFn: () => get<{ meanDifference: number }>(`/api/attempts/${attempt?.id}/scan/figures`),
    enabled: attempt !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  })
  const wide = view.placement.width > view.placement.height * 1.15
  const size = wide
    ? { maxWidth: '100%', maxHeight: 'calc((100vh - 310px) / 2)' }
    : { maxWidth: '100%', maxHeight: 'calc(100vh - 300px)' }
  return (
    <Booth
      foot={
        <span>
          {attempt
            ? `${WORDS.scan} ${data ? `Proof and print differ by ΔE ${fixed(data.meanDifference, 2)} on average.` : ''}`
            : WORDS.noScan}
        </span>
      }
    >
      <div
        style={{
          display: 'flex',
          flexDirection: wide && attempt ? 'column' : 'row',
          gap: 12,
          alignItems: 'center',
          maxHeight: '100%',
        }}
      >
        <div style={{ position: 'relative', lineHeight: 0 }}>
          <img
            src={`/api/masters/${view.master.id}/picture?longest=1000`}
            alt="Master"
            style={attempt ? size : { maxHeight: 'calc(100vh - 300px)' }}
          />
          <span className="tag" style={{ left: 8, lineHeight: 1.4 }}>
            Master
          </span>
        </div>
        {attempt && (
          <div style={{ position: 'relative', lineHeight: 0 }}>
            <img src={`/api/attempts/${attempt.id}/scan?longest=1000`} alt="Scan of the print" style={size} />
            <span className="tag" style={{ left: 8, lineHeight: 1.4 }}>
              Print, attempt {attempt.number}
            </span>
          </div>
        )}
      </div>
    </Booth>
  )
}
