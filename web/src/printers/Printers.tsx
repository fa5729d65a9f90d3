import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Input } from 'antd'
import { useState } from 'react'
import { get, type Problem, post } from '../api/client'
import type { Printer } from '../api/types'
import { MarkSign } from '../parts/MarkSign'
import { mm } from '../parts/numbers'

export function Printers() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [uri, setUri] = useState('')
  const { data } = useQuery({ queryKey: ['printers'], queryFn: () => get<Printer[]>('/api/printers') })
  const add = useMutation({
    mutationFn: () => post<Printer>('/api/printers', { uri }),
    onSuccess: () => {
      setUri('')
      client.invalidateQueries({ queryKey: ['printers'] })
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  return (
    <div className="page">
      <h1>Printers</h1>
      {data?.map((p) => (
        <section key={p.id} style={{ borderTop: '1px solid var(--ink)', padding: '12px 0 20px' }}>
          <h2 style={{ font: '500 19px var(--serif)', margin: '0 0 6px' }}>
            <MarkSign mark={p.state === 'idle' ? 'OPEN' : p.state === 'printing' ? 'BUSY' : 'STOP'} /> {p.name}
          </h2>
          <dl className="rows">
            <dt>state</dt>
            <dd>
              {p.state === 'away' ? "doesn't answer; Wistel asks again every few seconds, and released dockets wait" : p.state}
              {p.reason && `: ${p.reason}`}
            </dd>
            <dt>address</dt>
            <dd>{p.uri}</dd>
            {p.capabilities && (
              <>
                <dt>model</dt>
                <dd>{p.capabilities.model}</dd>
                <dt>loaded</dt>
                <dd>
                  {p.capabilities.loaded.length === 0
                    ? 'nothing'
                    : p.capabilities.loaded
                        .map((l) => `${l.feed}: ${mm(l.widthMm)} × ${mm(l.heightMm)} mm ${l.type.replaceAll('-', ' ')}`)
                        .join('; ')}
                </dd>
                <dt>media types</dt>
                <dd>{p.capabilities.mediaTypes.map((t) => t.replaceAll('-', ' ')).join(', ')}</dd>
                <dt>takes</dt>
                <dd>
                  {p.capabilities.rasterTypes.join(', ')} at {p.capabilities.resolutions.join(', ')} dpi
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
        </section>
      ))}
      <section style={{ borderTop: '1px solid var(--ink)', padding: '12px 0' }}>
        <h2 className="head">Make another printer known</h2>
        <div style={{ display: 'flex', gap: 8 }}>
          <Input
            style={{ width: 340 }}
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
