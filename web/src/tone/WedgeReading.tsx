import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import type { Wedge } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { moment } from '../parts/numbers'
import { MeasuredOn } from './MeasuredOn'
import { ORIGINS } from './words'

export const READINGS = {
  instrument: '/api/wedges/{number}/readings/instrument',
  flatbed: '/api/wedges/{number}/readings/flatbed',
} as const

export function Reading({
  wedge,
  busy,
  read,
  bring,
}: {
  wedge: Wedge
  busy: boolean
  read: (by: keyof typeof READINGS) => void
  bring: (file: File, day: string) => void
}) {
  const client = useQueryClient()
  const [measured, setMeasured] = useState('')
  const { notification } = App.useApp()
  const { data: scanner } = useQuery({
    queryKey: ['wedges', 'scanner'],
    queryFn: ({ signal }) => answer(api.GET('/api/wedges/scanner', { signal })),
  })
  const learn = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    onSettled: () => client.invalidateQueries({ queryKey: ['wedges'] }),
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  const out = wedge.printing?.done
  const first = out && !wedge.reading
  const both = wedge.readings.some((r) => r.scan) && wedge.readings.some((r) => r.origin !== 'SCANNER')
  return (
    <section>
      <h2 className="head">Reading</h2>
      {wedge.readings.slice(0, 4).map((r, i) => (
        <p key={r.id} className={i === 0 ? undefined : 'soft'}>
          {ORIGINS[r.origin]}, {moment(r.taken)}
          {r.note && <span className="soft">: {r.note}</span>}
        </p>
      ))}
      <div className="buttons">
        {out && (
          <>
            <Button size="small" type={first ? 'primary' : 'default'} loading={busy} onClick={() => read('instrument')}>
              Read by the instrument
            </Button>
            <Button size="small" loading={busy} onClick={() => read('flatbed')}>
              Scan on the flatbed
            </Button>
          </>
        )}
        <FileButton
          size="small"
          accept=".txt,.cgats,.it8,.csv,.ti3,.tif,.tiff,.png,.jpg,.jpeg"
          onFile={(f) => bring(f, measured)}
        >
          Bring a reading or a scan
        </FileButton>
        <MeasuredOn value={measured} onChange={setMeasured} />
      </div>
      {(both || scanner) && (
        <p className="soft">
          {scanner ? `Scans are read by the scanner’s curve from wedge ${scanner.wedge}. ` : ''}
          {both && (
            <Button
              size="small"
              onClick={() =>
                learn.mutate(() =>
                  answer(api.PUT('/api/wedges/{number}/scanner', { params: { path: { number: wedge.number } } })),
                )
              }
            >
              Calibrate the scanner by this wedge
            </Button>
          )}{' '}
          {scanner && (
            <Button size="small" onClick={() => learn.mutate(() => answer(api.DELETE('/api/wedges/scanner')))}>
              Forget it
            </Button>
          )}
        </p>
      )}
    </section>
  )
}
