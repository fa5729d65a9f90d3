import { useMutation } from '@tanstack/react-query'
import { App, Button } from 'antd'
import { answer, api, type Problem } from '../api/client'
import type { Printer } from '../api/types'
import { FIND } from './words'

/** Printers that make themselves known on the network; it is asked only when a person wants it. */
export function Discovered({ known, onChoose }: { known: Printer[]; onChoose: (uri: string) => void }) {
  const { notification } = App.useApp()
  const look = useMutation({
    mutationFn: () => answer(api.POST('/api/printers/discovery')),
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  return (
    <div className="discovered">
      <Button loading={look.isPending} onClick={() => look.mutate()}>
        {FIND.look}
      </Button>
      {look.isPending && <span className="soft"> {FIND.looking}</span>}
      {look.data?.length === 0 && <p className="soft">{FIND.none}</p>}
      {look.data && look.data.length > 0 && (
        <ul>
          {look.data.map((f) => (
            <li key={f.uri}>
              <b>{f.name}</b> <span className="soft">{f.uri}</span>{' '}
              {known.some((k) => k.uri === f.uri) ? (
                <span className="soft">{FIND.known}</span>
              ) : (
                <Button size="small" onClick={() => onChoose(f.uri)}>
                  Take it
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
