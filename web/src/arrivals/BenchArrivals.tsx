import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Checkbox, Modal } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { Arrival } from '../api/types'
import { MarkSign } from '../parts/MarkSign'
import { FileComparison } from './FileComparison'
import { cameWords, WORDS } from './words'

const SHOWN = 12

/** Files that ask what they are, those that can't be read, and what the watched folder dealt with by itself. */
export function BenchArrivals() {
  const client = useQueryClient()
  const { data: all = [] } = useQuery({
    queryKey: ['arrivals'],
    queryFn: ({ signal }) => answer(api.GET('/api/arrivals', { signal })),
  })
  const { data: folder } = useQuery({
    queryKey: ['watched-folder'],
    queryFn: ({ signal }) => answer(api.GET('/api/settings/watched-folder', { signal })),
  })
  const forget = useMutation({
    mutationFn: (ids: string[]) =>
      Promise.all(ids.map((id) => answer(api.DELETE('/api/arrivals/{id}', { params: { path: { id } } })))),
    onSettled: () => client.invalidateQueries({ queryKey: ['arrivals'] }),
  })
  const of = (state: Arrival['state']) => all.filter((a) => a.state === state)
  const told = [...of('OPENED'), ...of('NEWER')]
  const unreadable = of('UNREADABLE')
  const asking = of('ASKS')
  return (
    <ul className="arrivals" aria-label="Files that came in">
      {folder && folder.now.problem !== '' && (
        <li>
          <MarkSign mark="LOOK" /> <b>Watched folder</b>
          <div>{folder.now.problem}</div>
        </li>
      )}
      {folder && folder.now.waiting > 0 && (
        <li>
          <MarkSign mark="BUSY" /> {folder.now.waiting} in the watched folder {folder.now.waiting === 1 ? 'is' : 'are'} being read
          …
        </li>
      )}
      {asking.slice(0, SHOWN).map((a) => (
        <Asking key={a.id} arrival={a} onLeave={() => forget.mutate([a.id])} />
      ))}
      {asking.length > SHOWN && <li>… and {asking.length - SHOWN} more that ask.</li>}
      {unreadable.slice(0, SHOWN).map((a) => (
        <li key={a.id}>
          <MarkSign mark="STOP" /> <b>{a.fileName}</b>
          <div>{a.words} It is left where it lies.</div>
        </li>
      ))}
      {unreadable.length > 0 && (
        <li>
          {unreadable.length > SHOWN && `… and ${unreadable.length - SHOWN} more that can’t be read. `}
          <button type="button" className="textual" onClick={() => forget.mutate(unreadable.map((a) => a.id))}>
            {unreadable.length === 1 ? 'don’t tell of it any more' : 'don’t tell of these any more'}
          </button>
        </li>
      )}
      {told.length > 0 && (
        <li>
          {cameWords(of('OPENED').length, of('NEWER').length)}:{' '}
          {told.slice(0, SHOWN).map((a, i) => (
            <span key={a.id}>
              {i > 0 && ', '}
              {a.dockets[0] ? <Link to={`/dockets/${a.dockets[0].docketId}/picture`}>{a.fileName}</Link> : a.fileName}
            </span>
          ))}
          {told.length > SHOWN && ' …'}{' '}
          <button type="button" className="textual" onClick={() => forget.mutate(told.map((a) => a.id))}>
            seen
          </button>
        </li>
      )}
    </ul>
  )
}

function Asking({ arrival, onLeave }: { arrival: Arrival; onLeave: () => void }) {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [open, setOpen] = useState(false)
  const [left, leave] = useState<string[]>([])
  const [shown, show] = useState(0)
  const { data: compared = [] } = useQuery({
    queryKey: ['comparisons', arrival.id],
    queryFn: ({ signal }) => answer(api.GET('/api/arrivals/{id}/comparisons', { params: { path: { id: arrival.id } }, signal })),
    enabled: open,
  })
  const say = useMutation({
    mutationFn: (pictures: { docketId: string; renditionId: string }[]) =>
      answer(api.PUT('/api/arrivals/{id}/answer', { params: { path: { id: arrival.id } }, body: { pictures } })),
    onSuccess: () => setOpen(false),
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
    onSettled: () => {
      client.invalidateQueries({ queryKey: ['arrivals'] })
      client.invalidateQueries({ queryKey: ['bench'] })
      client.invalidateQueries({ queryKey: ['docket'] })
    },
  })
  const key = (c: { docketId: string; renditionId: string }) => `${c.docketId} ${c.renditionId}`
  const chosen = compared.filter((c) => !left.includes(key(c)))
  const at = compared[shown] ?? compared[0]
  const where = arrival.dockets.map((d) => `docket ${d.number}, ${d.title}`).join('; ')
  return (
    <li className="asks">
      <MarkSign mark="LOOK" /> <b>{arrival.fileName}</b>
      <p>{where ? `Looks like a newer file of what lies on ${where}.` : 'What it looked like has left the bench.'}</p>
      <div className="acts">
        {where && (
          <Button size="small" type="primary" onClick={() => setOpen(true)}>
            {WORDS.see}
          </Button>
        )}
        <Button size="small" onClick={() => say.mutate([])} loading={say.isPending && !open}>
          {WORDS.own}
        </Button>
        <button type="button" className="textual" onClick={onLeave}>
          {WORDS.leave.toLowerCase()}
        </button>
      </div>
      <Modal
        open={open}
        title={`${arrival.fileName}: ${WORDS.asks.toLowerCase()}`}
        width={1040}
        onCancel={() => setOpen(false)}
        footer={[
          <Button key="own" onClick={() => say.mutate([])} disabled={say.isPending}>
            {WORDS.own}
          </Button>,
          <Button
            key="newer"
            type="primary"
            disabled={chosen.length === 0}
            loading={say.isPending}
            onClick={() => say.mutate(chosen.map(({ docketId, renditionId }) => ({ docketId, renditionId })))}
          >
            {chosen.length > 1 ? `Newer state on ${chosen.length} dockets` : `Newer state of docket ${chosen[0]?.number ?? ''}`}
          </Button>,
        ]}
      >
        {compared.length > 1 && (
          <div className="which">
            {compared.map((c, i) => (
              <span key={key(c)}>
                <Checkbox
                  checked={!left.includes(key(c))}
                  onChange={(e) => leave((l) => (e.target.checked ? l.filter((k) => k !== key(c)) : [...l, key(c)]))}
                >
                  docket {c.number}, {c.title}
                </Checkbox>
                {i !== shown && (
                  <button type="button" className="textual" onClick={() => show(i)}>
                    look at it
                  </button>
                )}
              </span>
            ))}
          </div>
        )}
        {at && arrival.masterHash && <FileComparison hash={arrival.masterHash} fileName={arrival.fileName} compared={at} />}
      </Modal>
    </li>
  )
}
