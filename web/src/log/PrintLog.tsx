import { useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Input } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { answer, api, Problem } from '../api/client'
import { masterThumbnail, scanThumbnail } from '../api/pictures'
import type { Attempt } from '../api/types'
import { whileUnderWay } from '../docket/useDocket'
import { MarkSign } from '../parts/MarkSign'
import { moment } from '../parts/numbers'
import { Again } from '../release/Again'
import { anewWords, attemptWords, keptWords, markOf, OVER, scanned } from '../release/words'
import './log.css'
import { PiecesOf } from './PiecesOf'

const thumbnail = (a: Attempt) => {
  const page = scanned(a)
  return page ? scanThumbnail(a.id, page.page, page.placed[0] ?? '') : masterThumbnail(a.masterHash, 180)
}

export function PrintLog() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [words, setWords] = useState('')
  const { data } = useQuery({
    queryKey: ['attempts', 'log', words],
    queryFn: ({ signal }) => answer(api.GET('/api/attempts', { params: { query: { words } }, signal })),
    placeholderData: (before) => before,
    refetchInterval: ({ state }) => whileUnderWay(state.data),
  })
  const refresh = () => client.invalidateQueries({ queryKey: ['attempts'] })
  const complain = (e: Error) =>
    notification.open({ title: e.message, description: e instanceof Problem ? e.next : 'Try again.' })
  return (
    <div className="page">
      <div className="log-head">
        <h1>Print log</h1>
        <Input
          className="search"
          placeholder="title, piece, paper, verdict, remark …"
          aria-label="Search the log"
          allowClear
          onChange={(e) => setWords(e.target.value)}
        />
      </div>
      {data?.length === 0 && (
        <p className="empty">
          {words
            ? 'No print answers to these words.'
            : 'Nothing was printed yet. Every sheet that goes through a printer is kept here, with all that made it.'}
        </p>
      )}
      {data && data.length > 0 && (
        <table className="plain">
          <thead>
            <tr>
              <th>Print</th>
              <th>
                <span className="unseen">Docket</span>
              </th>
              <th>Paper and size</th>
              <th>When</th>
              <th>What became of it</th>
              <th>
                <span className="unseen">Again</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.map((a) => (
              <tr key={a.id}>
                <td className="small-print">
                  <img src={thumbnail(a)} alt="" loading="lazy" />
                </td>
                <td>
                  <Link to={`/dockets/${a.docketId}/release`} className="titled">
                    {a.title}
                  </Link>
                  <div className="soft">
                    docket {a.docketNumber}, attempt {a.number}
                    {a.fileName !== '' && ` · ${a.fileName}`}
                  </div>
                  {a.chosen && <div className="soft">chosen: {a.chosen}</div>}
                  <PiecesOf attempt={a} complain={complain} />
                </td>
                <td title={a.readback}>
                  {a.paper}
                  <div className="soft">
                    {a.summary}, {a.printerName}
                  </div>
                </td>
                <td>{moment(a.created)}</td>
                <td>
                  <MarkSign mark={markOf(a)} /> {attemptWords(a)}
                  <div className="soft">
                    {a.remark}
                    {keptWords(a)}
                    {OVER.includes(a.state) && anewWords(a)}
                  </div>
                </td>
                <td className="act">
                  <Again attempt={a} disabled={!OVER.includes(a.state)} onDone={refresh} complain={complain} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}
