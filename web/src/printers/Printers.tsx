import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Input, Popconfirm } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import { MarkSign } from '../parts/MarkSign'
import { Discovered } from './Discovered'
import { AWAY, DOING, DOING_MARK, FIND, rulesWords, waitsWords } from './words'
import './printers.css'

export function Printers() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [uri, setUri] = useState('')
  const { data } = useQuery({ queryKey: ['printers'], queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })) })
  const add = useMutation({
    mutationFn: (at: string) => answer(api.POST('/api/printers', { body: { uri: at } })),
    onSuccess: () => {
      setUri('')
      client.invalidateQueries({ queryKey: ['printers'] })
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  const change = useMutation({
    mutationFn: ({ id, ...next }: { id: string; name?: string; retired?: boolean }) =>
      answer(api.PATCH('/api/printers/{id}', { params: { path: { id } }, body: next })),
    onSettled: () => client.invalidateQueries({ queryKey: ['printers'] }),
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  return (
    <div className="page">
      <h1>Printers</h1>
      {data?.map((p) => (
        <section key={p.id} className="printer">
          <h2>
            <MarkSign mark={DOING_MARK[p.doing]} />{' '}
            <Input
              key={p.name}
              aria-label={`Name of ${p.name}`}
              variant="borderless"
              className="renamed"
              defaultValue={p.name}
              onPressEnter={(e) => e.currentTarget.blur()}
              onBlur={(e) => e.target.value !== p.name && change.mutate({ id: p.id, name: e.target.value })}
            />
          </h2>
          <dl className="rows">
            <dt>state</dt>
            <dd>
              {p.doing === 'AWAY' ? AWAY : DOING[p.doing]}
              {p.reason && `: ${p.reason}`}
            </dd>
            <dt>waits for it</dt>
            <dd>{waitsWords(p.waits)}</dd>
            <dt>loaded</dt>
            <dd>{p.loaded.length === 0 ? 'nothing' : p.loaded.map((l) => <div key={l}>{l}</div>)}</dd>
            {p.supplies.length > 0 && (
              <>
                <dt>inks</dt>
                <dd className="inks">
                  {p.supplies.map((s) => (
                    <span key={s.name} className={s.percent >= 0 && s.percent < 10 ? 'low' : undefined}>
                      <span className="level">
                        <i style={{ width: `${Math.max(0, s.percent)}%` }} />
                      </span>
                      {s.name.toLowerCase()} {s.percent < 0 ? 'unknown' : `${s.percent} %`}
                    </span>
                  ))}
                </dd>
              </>
            )}
            {p.can && (
              <>
                <dt>model</dt>
                <dd>{p.can.model}</dd>
                <dt>paper kinds</dt>
                <dd>{p.can.mediaTypes.map((t) => t.label).join(' · ')}</dd>
                <dt>ways in</dt>
                <dd>
                  {p.can.ways.map((w) => (
                    <div key={w}>{w}</div>
                  ))}
                </dd>
                <dt>to the edge</dt>
                <dd>{p.can.toTheEdge || 'nothing'}</dd>
                <dt>monochrome</dt>
                <dd>{p.can.monochrome ? 'has a mode of its own' : 'has no mode of its own'}</dd>
                <dt>its rules</dt>
                <dd>{rulesWords(p.can.rules)}</dd>
                <dt>takes</dt>
                <dd>
                  {p.can.rasters.join(', ')} at {p.can.resolutions.join(', ')} dpi
                </dd>
              </>
            )}
            <dt>address</dt>
            <dd>{p.uri}</dd>
            {p.moreInfo && (
              <>
                <dt>its own page</dt>
                <dd>
                  <a href={p.moreInfo} target="_blank" rel="noreferrer">
                    {p.moreInfo}
                  </a>
                </dd>
              </>
            )}
          </dl>
          <Popconfirm
            title={`Retire ${p.name}? It is asked nothing any more; its prints stay in the log. Its address makes it known again.`}
            okText="Retire"
            cancelText="Keep it"
            onConfirm={() => change.mutate({ id: p.id, retired: true })}
          >
            <Button size="small" className="retire">
              Retire this printer
            </Button>
          </Popconfirm>
        </section>
      ))}
      <section className="printer">
        <h2 className="head">{FIND.head}</h2>
        <Discovered known={data ?? []} onChoose={(found) => add.mutate(found)} />
        <div className="ask">
          <Input
            aria-label="IPP address"
            placeholder="ipp://printer.local/ipp/print"
            value={uri}
            onChange={(e) => setUri(e.target.value)}
            onPressEnter={() => add.mutate(uri)}
          />
          <Button loading={add.isPending} disabled={!uri} onClick={() => add.mutate(uri)}>
            Ask it
          </Button>
        </div>
      </section>
    </div>
  )
}
