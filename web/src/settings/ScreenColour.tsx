import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Checkbox, Radio } from 'antd'
import { useEffect, useState } from 'react'
import { answer, api, type Problem, upload } from '../api/client'
import { chooseScreen, ownScreen, screenName, spaceOfScreen } from '../api/screen'
import type { OwnDisplay } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { WORDS } from './words'

const MOST_BYTES = 32 * 1048576

/** What pictures are made for: what the browser says of its screen, or a profile that was measured. */
export function ScreenColour() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [own, setOwn] = useState(ownScreen)
  const choose = (next: typeof own) => {
    chooseScreen(next)
    setOwn(next)
  }
  const { data } = useQuery({ queryKey: ['displays'], queryFn: ({ signal }) => answer(api.GET('/api/displays', { signal })) })
  const gone = own !== undefined && data !== undefined && !data.some((d) => d.hash === own.display)
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once when a profile is no longer there
  useEffect(() => {
    if (gone) choose(undefined)
  }, [gone])
  const failed = (e: Problem) => notification.open({ title: e.message, description: e.next })
  const bring = useMutation({
    mutationFn: (f: File) => upload<OwnDisplay>('/api/displays', {}, f, MOST_BYTES),
    onSuccess: async (added) => {
      // chosen once it is in the list: what isn't there is let go of
      await client.invalidateQueries({ queryKey: ['displays'] })
      choose({ display: added.hash, tagged: own?.tagged ?? true })
    },
    onError: failed,
  })
  const letGo = useMutation({
    mutationFn: (hash: string) => answer(api.DELETE('/api/displays/{hash}', { params: { path: { hash } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['displays'] }),
    onError: failed,
  })
  return (
    <section className="setting">
      <h2 className="head">{WORDS.colour}</h2>
      <p className="soft">{WORDS.colourHelp}</p>
      <Radio.Group
        className="screens"
        value={own?.display ?? ''}
        onChange={(e) => choose(e.target.value ? { display: e.target.value, tagged: own?.tagged ?? true } : undefined)}
        aria-label={WORDS.colour}
      >
        <Radio value="">as this browser says: {screenName(spaceOfScreen())}</Radio>
        {data?.map((d) => (
          <Radio value={d.hash} key={d.hash}>
            {d.name}{' '}
            <Button type="link" size="small" onClick={() => letGo.mutate(d.hash)} aria-label={`Let go of ${d.name}`}>
              let go
            </Button>
          </Radio>
        ))}
      </Radio.Group>
      <FileButton accept=".icc,.icm" onFile={(f) => bring.mutate(f)} loading={bring.isPending}>
        {WORDS.bring}
      </FileButton>
      {own && (
        <Checkbox checked={!own.tagged} onChange={(e) => choose({ ...own, tagged: !e.target.checked })}>
          {WORDS.ready}
        </Checkbox>
      )}
    </section>
  )
}
