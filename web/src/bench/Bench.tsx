import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Input, type InputRef } from 'antd'
import { useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { bringPictures } from '../api/bring'
import { answer, api, Problem, upload } from '../api/client'
import type { DocketView, OnBench } from '../api/types'
import { BenchArrivals } from '../arrivals/BenchArrivals'
import { useKeys } from '../frame/keys'
import { HELP } from '../frame/words'
import { MarkSign } from '../parts/MarkSign'
import { PageDrawing } from '../parts/PageDrawing'
import { filesOf } from './arrivals'
import { DropChoice } from './DropChoice'
import { type Gathering, GatheringSoFar } from './Gathering'
import { PrintInTurn } from './PrintInTurn'
import { PrintTogether } from './PrintTogether'
import { dueWords, WORDS } from './words'
import './bench.css'

type Arrival = { key: number; name: string; share: number; error?: string; notice?: string; docket?: DocketView }

const STARTS = queryOptions({
  queryKey: ['starting-points'],
  queryFn: ({ signal }) => answer(api.GET('/api/starting-points', { signal })),
})

/** Sheets of one size look the same size everywhere on the table. */
const PX_PER_MM = 0.47

export function Bench() {
  const client = useQueryClient()
  const { data: groups } = useQuery({ queryKey: ['bench'], queryFn: ({ signal }) => answer(api.GET('/api/bench', { signal })) })
  const { data: status } = useQuery({
    queryKey: ['status'],
    queryFn: ({ signal }) => answer(api.GET('/api/status', { signal })),
    refetchInterval: (q) => (q.state.data?.ready ? false : 1000),
  })
  const { data: starts = [] } = useQuery(STARTS)
  const [arrivals, setArrivals] = useState<Arrival[]>([])
  const [arrived, setArrived] = useState<File[]>()
  const [gathering, setGathering] = useState<Gathering>()
  const navigate = useNavigate()
  const [over, setOver] = useState(false)
  const [words, setWords] = useState('')
  const chooser = useRef<HTMLInputElement>(null)
  const finder = useRef<InputRef>(null)
  const nextKey = useRef(1)

  useKeys({ find: () => finder.current?.focus() })

  const change = (key: number, next: Partial<Arrival>) =>
    setArrivals((all) => all.map((a) => (a.key === key ? { ...a, ...next } : a)))

  /** @param from a starting point; without one nothing is decided yet */
  const take = async (files: File[], from?: string) => {
    const coming = files.map((file) => ({ file, key: nextKey.current++ }))
    setArrivals((all) => [...coming.map((c) => ({ key: c.key, name: c.file.name, share: 0 })), ...all].slice(0, 30))
    for (const { file, key } of coming) {
      try {
        const opened = await upload<{ docket?: DocketView; notice: string }>(
          '/api/arrivals',
          { query: { name: file.name, ...(from ? { from } : {}) } },
          file,
          status?.largestFile ?? Number.POSITIVE_INFINITY,
          (share) => change(key, { share }),
        )
        if (opened.docket) change(key, { share: 1, docket: opened.docket, notice: opened.notice })
        else setArrivals((all) => all.filter((a) => a.key !== key))
        client.invalidateQueries({ queryKey: ['arrivals'] })
      } catch (e) {
        const problem = e instanceof Problem ? e : new Problem('unforeseen', String(e), '')
        change(key, { error: `${problem.message} ${problem.next}` })
      }
      client.invalidateQueries({ queryKey: ['bench'] })
    }
  }

  /** On one docket: each is shown as soon as it is read, and lies there with the first ones. */
  const gather = async (files: File[], sheet: 'TOGETHER' | 'CONTACT') => {
    let now: Gathering = {
      title: sheet === 'CONTACT' ? 'Contact sheet' : 'Together',
      count: files.length,
      read: [],
      left: [],
      done: false,
    }
    const tell = (next: Partial<Gathering>) => {
      now = { ...now, ...next }
      setGathering(now)
    }
    tell({})
    const leave = (name: string, e: Problem) => tell({ left: [...now.left, { name, why: `${e.message} ${e.next}` }] })
    await bringPictures(files, status?.largestFile ?? Number.POSITIVE_INFINITY, {
      read: (picture) => tell({ read: [...now.read, picture] }),
      left: (file, e) => leave(file.name, e),
      some: async (pictures) => {
        try {
          const view = now.docket
            ? await answer(api.POST('/api/dockets/{id}/pieces', { params: { path: { id: now.docket } }, body: { pictures } }))
            : await answer(api.POST('/api/sheet-dockets', { body: { sheet, title: '', pictures } }))
          tell({ docket: view.id })
        } catch (e) {
          for (const p of pictures) leave(p.fileName, e as Problem)
        }
        client.invalidateQueries({ queryKey: ['bench'] })
      },
    })
    tell({ done: true })
    if (now.docket && now.left.length === 0) navigate(`/dockets/${now.docket}/size`)
  }

  const dropped = async (files: File[]) => {
    // files may be dropped before the starting points are here
    const starts = await client.ensureQueryData(STARTS).catch(() => [])
    if (files.length > 1 || (files.length > 0 && starts.length > 0)) setArrived(files)
    else take(files)
  }

  const match = (d: OnBench) => `${d.title} ${d.number}`.toLowerCase().includes(words.toLowerCase())
  const shown = groups
    ?.map((g) => ({ ...g, dockets: g.dockets.filter(match) }))
    .filter((g) => g.dockets.length > 0 || (words === '' && g.note !== ''))

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the whole table takes drops; the chooser button is the keyboard's way
    <div
      className={over ? 'bench over' : 'bench'}
      onDragOver={(e) => {
        e.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={async (e) => {
        e.preventDefault()
        setOver(false)
        dropped(await filesOf(e.dataTransfer))
      }}
    >
      <h1 className="unseen">{WORDS.head}</h1>
      {arrived && (
        <DropChoice
          count={arrived.length}
          starts={starts}
          onLeave={() => setArrived(undefined)}
          onChoose={(becomes, from) => {
            setArrived(undefined)
            if (becomes === 'EACH') take(arrived, from)
            else gather(arrived, becomes)
          }}
        />
      )}
      <div className="columns">
        <div className="groups">
          {status && !status.ready && (
            <div role="status">
              <p className="doing">
                <MarkSign mark="BUSY" /> {status.doing} …
              </p>
              {!groups?.length && <p className="empty">{WORDS.laying}</p>}
            </div>
          )}
          {groups?.length === 0 && status?.ready && (
            <p className="empty">
              {WORDS.empty}{' '}
              <Link to="/first-print" className="titled">
                {HELP}
              </Link>
            </p>
          )}
          {shown?.map((g) => (
            <section className="group" key={g.paper + g.note}>
              <header>
                <h2>{g.paper}</h2>{' '}
                <span>
                  {[g.note, g.takes].filter(Boolean).join(' · ')}
                  {g.due && (
                    <>
                      {' · '}
                      <Link to={`/papers/${g.due.pairingId}`}>{dueWords(g.due.days)}</Link>
                    </>
                  )}
                </span>
                {g.dockets.filter((d) => d.pairingId).length > 1 && (
                  <span className="acts">
                    <PrintTogether dockets={g.dockets.filter((d) => d.joins)} />
                    <PrintInTurn dockets={g.dockets.filter((d) => d.pairingId)} />
                  </span>
                )}
              </header>
              <div className="lying">
                {g.dockets.map((d) => (
                  <Piece key={d.id} docket={d} />
                ))}
              </div>
            </section>
          ))}
        </div>
        <aside>
          <Input
            ref={finder}
            placeholder={WORDS.find}
            aria-label={WORDS.find}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            allowClear
            className="find"
          />
          <div className="drop">
            <b>{WORDS.dropHere}</b>
            <span>{WORDS.dropHelp}</span>
            <Button onClick={() => chooser.current?.click()}>{WORDS.choose}</Button>
            <input
              ref={chooser}
              type="file"
              multiple
              hidden
              aria-label="Picture files"
              data-testid="chooser"
              onChange={(e) => {
                dropped([...(e.target.files ?? [])])
                e.target.value = ''
              }}
            />
            <BenchArrivals />
            {gathering && <GatheringSoFar gathering={gathering} />}
            <ul className="arrivals" aria-live="polite">
              {arrivals.map((a) => (
                <li key={a.key}>
                  {a.error && <MarkSign mark="STOP" />} <b>{a.name}</b>{' '}
                  {a.docket && <Link to={`/dockets/${a.docket.id}/picture`}>{WORDS.taken}</Link>}
                  {a.notice && <div>{a.notice}</div>}
                  {a.error && <div>{a.error}</div>}
                  {!a.error && !a.docket && <div className="bar" style={{ width: `${Math.max(4, 100 * a.share)}%` }} />}
                </li>
              ))}
            </ul>
          </div>
        </aside>
      </div>
    </div>
  )
}

function Piece({ docket }: { docket: OnBench }) {
  const widest = Math.max(...docket.pages.map((p) => p.widthMm)) * PX_PER_MM
  return (
    <Link className="piece" to={`/dockets/${docket.id}`} style={{ width: Math.max(widest, 168) }}>
      {docket.pages.map((page, i) => (
        <PageDrawing
          // biome-ignore lint/suspicious/noArrayIndexKey: pages have no other name than their place
          key={i}
          page={page}
          docket={docket.id}
          number={i + 1}
          pictures={docket.pictures}
          paperLab={docket.paperLab}
          scale={PX_PER_MM}
        />
      ))}
      <h3>{docket.title}</h3>
      <p>
        <MarkSign mark={docket.mark} /> {docket.line}
      </p>
    </Link>
  )
}
