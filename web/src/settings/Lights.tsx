import { useMutation, useQueryClient } from '@tanstack/react-query'
import { App, Button, Input, InputNumber } from 'antd'
import { answer, api, type Problem } from '../api/client'
import { LightNumbers } from '../light/LightNumbers'
import { useLights, useScreenWhite } from '../light/useLights'
import { LIGHTS } from '../light/words'

/** The lights that prints hang in, and how bright this screen is. */
export function Lights() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next })
  const { lights = [], change, add, forget } = useLights(complain)
  const screen = useScreenWhite()
  const say = useMutation({
    mutationFn: (white: number) => answer(api.PUT('/api/settings/screen', { body: { white } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lights'] }),
    onError: complain,
  })
  return (
    <section className="setting">
      <h2 className="head">{LIGHTS.head}</h2>
      <p className="soft">{LIGHTS.help}</p>
      <table className="plain lights-table">
        <tbody>
          {lights.map((l) => (
            <tr key={l.id}>
              <td>
                <Input
                  aria-label={LIGHTS.name}
                  defaultValue={l.name}
                  maxLength={60}
                  onBlur={(e) => e.target.value.trim() && e.target.value !== l.name && change({ ...l, name: e.target.value })}
                />
              </td>
              <td>
                <LightNumbers of={l.name} value={l} onTyped={({ lux, kelvin }) => change({ ...l, lux, kelvin })} />
              </td>
              <td>
                <Button type="text" onClick={() => forget(l.id)}>
                  {LIGHTS.forget}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button onClick={() => add({ name: LIGHTS.fresh, lux: 90, kelvin: 2700 })}>{LIGHTS.add}</Button>
      <dl className="rows">
        <dt>{LIGHTS.screen}</dt>
        <dd>
          <InputNumber
            aria-label={LIGHTS.screen}
            min={5}
            max={5000}
            placeholder={LIGHTS.screenUnknown}
            value={screen?.white ?? null}
            onChange={(white) => white && white >= 5 && say.mutate(white)}
          />
        </dd>
      </dl>
    </section>
  )
}
