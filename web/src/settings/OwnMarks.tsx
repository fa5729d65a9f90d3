import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Input, Popconfirm } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem, upload } from '../api/client'
import { markUrl } from '../api/pictures'
import { FileButton } from '../parts/FileButton'
import { WORDS } from './words'

const LARGEST = 20 << 20

/** Signatures, stamps, logos and lines of text that can be laid on prints. */
export function OwnMarks() {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const key = ['own-marks']
  const { data: kept = [] } = useQuery({ queryKey: key, queryFn: ({ signal }) => answer(api.GET('/api/own-marks', { signal })) })
  const [words, setWords] = useState('')
  const done = {
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 10 }),
    onSettled: () => client.invalidateQueries({ queryKey: key }),
  }
  const bring = useMutation({
    mutationFn: (file: File) => upload('/api/own-marks', { query: { name: file.name.replace(/\.[^.]+$/, '') } }, file, LARGEST),
    ...done,
  })
  const write = useMutation({
    mutationFn: () => answer(api.POST('/api/own-marks/words', { body: { name: words.trim().slice(0, 80), words } })),
    ...done,
    onSuccess: () => setWords(''),
  })
  const forget = useMutation({
    mutationFn: (id: string) => answer(api.DELETE('/api/own-marks/{id}', { params: { path: { id } } })),
    ...done,
  })
  return (
    <section className="setting">
      <h2 className="head">{WORDS.marks}</h2>
      <p className="soft">{WORDS.marksHelp}</p>
      <ul className="own-marks">
        {kept.map(({ id, art }) => (
          <li key={id}>
            <img src={markUrl(art, Math.min(400, Math.floor(1000 * art.aspect)))} alt={`The mark ${art.name}`} />
            <span>{art.name}</span>
            <Popconfirm title={WORDS.forgetMark} okText="Take it off" cancelText="Leave it" onConfirm={() => forget.mutate(id)}>
              <Button size="small" aria-label={`Take ${art.name} off the list`}>
                Take it off
              </Button>
            </Popconfirm>
          </li>
        ))}
      </ul>
      <div className="new-mark">
        <FileButton accept=".png,.svg" loading={bring.isPending} onFile={(file) => bring.mutate(file)}>
          Bring a PNG or SVG
        </FileButton>
        <span className="soft">or a line of text</span>
        <Input
          aria-label="A line of text"
          value={words}
          maxLength={120}
          onChange={(e) => setWords(e.target.value)}
          onPressEnter={() => words.trim() !== '' && write.mutate()}
        />
        <Button disabled={words.trim() === ''} loading={write.isPending} onClick={() => write.mutate()}>
          Keep it
        </Button>
      </div>
    </section>
  )
}
