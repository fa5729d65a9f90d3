import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Button } from 'antd'
import { Link } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { Pairing } from '../api/types'
import { day } from '../parts/numbers'
import { failedToCome, onItsWay } from '../release/words'
import { JUDGING } from './words'

const ASK_AGAIN_MS = 2000

/** The page that a paper is judged by before work is printed on it, and what was said of it. */
export function JudgingPages({ pairing, complain }: { pairing: Pairing; complain: (e: Problem) => void }) {
  const path = { id: pairing.pairingId }
  const key = ['pairings', pairing.pairingId, 'judging-pages']
  const client = useQueryClient()
  const { data: pages = [] } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => answer(api.GET('/api/pairings/{id}/judging-pages', { params: { path }, signal })),
    refetchInterval: ({ state }) => (state.data?.some((p) => onItsWay(p.state)) ? ASK_AGAIN_MS : false),
  })
  const print = useMutation({
    mutationFn: () => answer(api.POST('/api/pairings/{id}/judging-pages', { params: { path } })),
    onSuccess: () => client.invalidateQueries({ queryKey: key }),
    onError: complain,
  })
  return (
    <section>
      <h2 className="head">{JUDGING.head}</h2>
      {pages.length === 0 && <p className="soft">{JUDGING.help}</p>}
      {pages.map((p) => (
        <p key={p.docketId}>
          {day(p.printed)}, version {p.version}:{' '}
          {p.verdict || p.remark ? (
            [p.verdict, p.remark].filter(Boolean).join('. ')
          ) : p.state === 'done' ? (
            <>
              {JUDGING.notYet} <Link to="/log">{JUDGING.say}</Link>
            </>
          ) : failedToCome(p.state) ? (
            JUDGING.failed
          ) : (
            JUDGING.printing
          )}
        </p>
      ))}
      <div className="buttons">
        <Button loading={print.isPending} onClick={() => print.mutate()}>
          {pages.length > 0 ? JUDGING.again : JUDGING.print}
        </Button>
      </div>
    </section>
  )
}
