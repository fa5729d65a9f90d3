import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Input, Popconfirm } from 'antd'
import { useState } from 'react'
import { get, type Problem, patch, post } from '../api/client'
import type { Printer } from '../api/types'
import { MarkSign } from '../parts/MarkSign'
import { AWAY, DOING, DOING_MARK, loadedWords } from './words'
import './printers.css'

export function Printers() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [uri, setUri] = useState('')
  const { data } = useQuery({ queryKey: ['printers'], queryFn: ({ signal }) => get<Printer[]>('/api/printers', signal) })
  const add = useMutation({
    mutationFn: () => post<Printer>('/api/printers', { uri }),
    onSuccess: () => {
      setUri('')
      client.invalidateQueries({ queryKey: ['printers'] })
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  const change = useMutation({
    mutationFn: ({ id, ...next }: { id: string; name?: string; retired?: boolean }) =>
      patch<Printer>(`/api/printers/${id}`, next),
    onSettled: () => client.invalidateQueries({ queryKey: ['printers'] }),
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  return (
    <div className="page">
      <h1>Printers</h1>
      {data?.map((p) => (
        <section key={p.id} className="printer">
          <h2>
            <MarkSign mark={DOING_MARK[p.state.doing]} />{' '}
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
              {p.state.doing === 'AWAY' ? AWAY : DOING[p.state.doing]}
              {p.state.reason && `: ${p.state.reason}`}
            </dd>
            <dt>address</dt>
            <dd>{p.uri}</dd>
            {p.description && (
              <>
                <dt>model</dt>
                <dd>{p.description.model}</dd>
                <dt>loaded</dt>
                <dd>
                  {p.state.loaded.length === 0
                    ? 'nothing'
                    : // what may be printed to the edge too is told twice by the printer
                      [...new Set(p.state.loaded.map(loadedWords))].join('; ')}
                </dd>
                <dt>media types</dt>
                <dd>{p.description.mediaTypes.map((t) => t.replaceAll('-', ' ')).join(', ')}</dd>
                <dt>takes</dt>
                <dd>
                  {p.description.rasters.join(', ')} at {p.description.resolutions.join(', ')} dpi
                </dd>
              </>
            )}
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
        <h2 className="head">Make another printer known</h2>
        <div className="ask">
          <Input
            aria-label="IPP address"
            placeholder="ipp://printer.local/ipp/print"
            value={uri}
            onChange={(e) => setUri(e.target.value)}
            onPressEnter={() => add.mutate()}
          />
          <Button loading={add.isPending} disabled={!uri} onClick={() => add.mutate()}>
            Ask it
          </Button>
        </div>
      </section>
    </div>
  )
}
