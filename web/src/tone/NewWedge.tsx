import { useMutation, useQuery } from '@tanstack/react-query'
import { App, Button, Checkbox, Radio, Select } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { answer, api, type Problem, upload } from '../api/client'
import type { Intent, Wedge } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { INTENTS } from '../proof/words'
import { MeasuredOn } from './MeasuredOn'
import { BENCH, REPEATS, STEPS } from './words'

type Way = 'DRIVER' | 'PROFILE'

const LARGEST_READING = 8 * 1048576

/** Chooses a pairing and the exact mode, and prints a wedge in it. */
export function NewWedge() {
  const navigate = useNavigate()
  const { notification } = App.useApp()
  const { data: pairings } = useQuery({
    queryKey: ['pairings'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings', { signal })),
  })
  const { data: printers } = useQuery({
    queryKey: ['printers'],
    queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })),
  })
  const [pairingId, choose] = useState<string>()
  const [wanted, setWay] = useState<Way>('DRIVER')
  const [own, setOwn] = useState<Record<string, string>>({})
  const [intent, setIntent] = useState<Intent>()
  const [blackPoint, setBlackPoint] = useState(true)
  const [steps, setSteps] = useState(33)
  const [repeats, setRepeats] = useState(1)
  const [scattered, scatter] = useState(false)
  const [measured, setMeasured] = useState('')
  const pairing = pairings?.find((p) => p.pairingId === pairingId) ?? pairings?.[0]
  const can = printers?.find((p) => p.id === pairing?.printerId)?.can
  const way: Way = can && !can.monochrome ? 'PROFILE' : wanted
  const mode = {
    pairingId: pairing?.pairingId ?? '',
    way,
    settings: own,
    ...(way === 'PROFILE' ? { intent: intent ?? pairing?.intent, blackPoint } : {}),
  }
  const elsewhere = {
    pairing: mode.pairingId,
    way,
    settings: JSON.stringify({ values: own }),
    ...(way === 'PROFILE' ? { intent: intent ?? pairing?.intent ?? 'RELATIVE', blackPoint } : {}),
    ...(measured ? { measured } : {}),
  }
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 8 })
  const print = useMutation({
    mutationFn: () => answer(api.POST('/api/wedges', { body: { mode, steps, repeats, scattered } })),
    onSuccess: (w) => navigate(`/tones/${w.number}`),
    onError: complain,
  })
  const page = useMutation({
    mutationFn: () => answer(api.POST('/api/wedges/test-page', { body: mode })),
    onSuccess: () => notification.open({ title: BENCH.pageSent }),
    onError: complain,
  })
  const bring = (file: File) =>
    upload<Wedge>('/api/wedges/elsewhere', { query: elsewhere }, file, LARGEST_READING).then(
      (w) => navigate(`/tones/${w.number}`),
      complain,
    )
  if (!pairing) return null
  const settings = [
    { name: 'print-quality', label: 'quality', values: can?.qualities ?? [] },
    { name: 'wistel-black-ink', label: 'black ink', values: can?.blacks ?? [] },
    ...(way === 'DRIVER' ? (can?.monochromeSettings ?? []) : []),
  ].filter((s) => s.values.length > 0)
  return (
    <section className="new-wedge" aria-label="A new wedge">
      <div className="choices">
        <div className="choice">
          on
          <Select
            className="wide"
            aria-label="Pairing"
            value={pairing.pairingId}
            onChange={(id) => {
              choose(id)
              setOwn({})
            }}
            options={pairings?.map((p) => ({ value: p.pairingId, label: `${p.paper} on ${p.printerName}` }))}
          />
        </div>
        <Radio.Group
          optionType="button"
          buttonStyle="solid"
          aria-label="Who makes ink of gray"
          value={way}
          onChange={(e) => setWay(e.target.value)}
          options={(['DRIVER', 'PROFILE'] as const).map((w) => ({
            value: w,
            label: BENCH.ways[w],
            disabled: w === 'DRIVER' && can?.monochrome === false,
          }))}
        />
        {way === 'PROFILE' && (
          <>
            <div className="choice">
              intent
              <Select aria-label="Intent" value={intent ?? pairing.intent} onChange={setIntent} options={INTENTS} />
            </div>
            <Checkbox checked={blackPoint} onChange={(e) => setBlackPoint(e.target.checked)}>
              black point compensation
            </Checkbox>
          </>
        )}
        {settings.map((s) => (
          <div key={s.name} className="choice">
            {s.label}
            <Select
              aria-label={s.label}
              value={own[s.name] ?? pairing.settings.values[s.name] ?? ''}
              onChange={(v) => setOwn({ ...own, [s.name]: v })}
              options={[
                ...(s.name === 'print-quality' ? [] : [{ value: '', label: BENCH.left }]),
                ...s.values.map((v) => ({ value: v.value, label: v.label })),
              ]}
            />
          </div>
        ))}
        <div className="choice">
          steps
          <Select
            aria-label="Steps"
            value={steps}
            onChange={setSteps}
            options={STEPS.map((n) => ({ value: n, label: `${n}` }))}
          />
        </div>
        <div className="choice">
          of each
          <Select
            aria-label="How often each"
            value={repeats}
            onChange={setRepeats}
            options={REPEATS.filter((n) => n * steps <= 520).map((n) => ({ value: n, label: n === 1 ? 'one' : `${n}` }))}
          />
        </div>
        <Checkbox checked={scattered} onChange={(e) => scatter(e.target.checked)}>
          scattered over the sheet
        </Checkbox>
      </div>
      {can?.monochrome === false && <p className="soft">{BENCH.onlyDriver}</p>}
      <div className="buttons">
        <Button type="primary" loading={print.isPending} onClick={() => print.mutate()}>
          {BENCH.print}
        </Button>
        <Button loading={page.isPending} onClick={() => page.mutate()}>
          {BENCH.page}
        </Button>
        <FileButton accept=".txt,.cgats,.it8,.csv,.ti3" onFile={bring}>
          {BENCH.elsewhere}
        </FileButton>
        <MeasuredOn value={measured} onChange={setMeasured} />
      </div>
    </section>
  )
}
