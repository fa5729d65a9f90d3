import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, InputNumber } from 'antd'
import { answer, api, type Problem } from '../api/client'
import { CHECKED } from './words'

/** How often papers are to be checked; the bench says which is due. */
export function CheckInterval() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const { data } = useQuery({
    queryKey: ['settings', 'checks'],
    queryFn: ({ signal }) => answer(api.GET('/api/settings/checks', { signal })),
  })
  const save = useMutation({
    mutationFn: (days: number) => answer(api.PUT('/api/settings/checks', { body: { days } })),
    onSuccess: (next) => {
      client.setQueryData(['settings', 'checks'], next)
      return client.invalidateQueries({ queryKey: ['bench'] })
    },
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  if (!data) return null
  return (
    <section className="setting">
      <h2 className="head">{CHECKED.head}</h2>
      <p className="soft">{CHECKED.help}</p>
      <dl className="rows">
        <dt>{CHECKED.every}</dt>
        <dd>
          <InputNumber
            aria-label={CHECKED.every}
            min={0}
            max={3650}
            defaultValue={data.days}
            changeOnWheel={false}
            onBlur={(e) => {
              const days = Number(e.target.value)
              if (Number.isInteger(days) && days !== data.days) save.mutate(days)
            }}
            onPressEnter={(e) => e.currentTarget.blur()}
          />
        </dd>
      </dl>
    </section>
  )
}
