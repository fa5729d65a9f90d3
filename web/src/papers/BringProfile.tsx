import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Form, Input, Modal, Radio, Select } from 'antd'
import { useEffect, useState } from 'react'
import { get, type Problem, post, upload } from '../api/client'
import { forScreen } from '../api/screen'
import type { PairingProposal, PaperProfile, Printer, TakenProfile } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { MarkSign } from '../parts/MarkSign'
import { fixed, labCss } from '../parts/numbers'
import { INTENTS } from '../proof/words'
import { FEED_WORDS, PROFILE, QUALITY } from './words'

const MOST_BYTES = 128 * 1048576

type Asked = PairingProposal & { printerId: string }

/** A paper's own profile, looked at before it is used, and what it belongs to told in one short form. */
export function BringProfile() {
  const { notification } = App.useApp()
  const [taken, setTaken] = useState<TakenProfile[]>()
  const [chosen, setChosen] = useState<string>()
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next })
  const bring = useMutation({
    mutationFn: (f: File) => upload<TakenProfile[]>('/api/profiles', f, MOST_BYTES, () => {}),
    onSuccess: (found) => {
      setTaken(found)
      setChosen(found.find((t) => t.profile)?.profile?.hash)
    },
    onError: complain,
  })
  const profile = taken?.find((t) => t.profile?.hash === chosen)?.profile
  return (
    <>
      <FileButton type="primary" accept=".icc,.icm,.zip" onFile={(f) => bring.mutate(f)} loading={bring.isPending}>
        {PROFILE.bring}
      </FileButton>
      <Modal
        open={taken !== undefined}
        onCancel={() => setTaken(undefined)}
        footer={null}
        width={980}
        title={PROFILE.head}
        destroyOnHidden
      >
        {taken && taken.length > 1 && (
          <Radio.Group
            className="found-profiles"
            value={chosen}
            onChange={(e) => setChosen(e.target.value)}
            aria-label={PROFILE.several}
          >
            {taken.map((t) => (
              <Radio key={t.file} value={t.profile?.hash ?? t.file} disabled={!t.profile}>
                {t.file}
                {t.refusal && <span className="soft"> · {t.refusal}</span>}
              </Radio>
            ))}
          </Radio.Group>
        )}
        {profile && (
          <div className="inspected">
            <Inspection profile={profile} />
            <Pair key={profile.hash} profile={profile} done={() => setTaken(undefined)} complain={complain} />
          </div>
        )}
      </Modal>
    </>
  )
}

function Inspection({ profile }: { profile: PaperProfile }) {
  const i = profile.inspection
  return (
    <section>
      <h2 className="head">{profile.description}</h2>
      <img className="sweep" src={`/api/profiles/${profile.hash}/sweep${forScreen('?')}`} alt={PROFILE.sweep} />
      <dl className="rows">
        <dt>ICC version</dt>
        <dd>{i.version}</dd>
        <dt>white</dt>
        <dd>
          <span className="swatch" style={{ background: labCss([i.white.l, i.white.a, i.white.b]) }} /> L* {fixed(i.white.l, 1)},
          a* {fixed(i.white.a, 1)}, b* {fixed(i.white.b, 1)}
        </dd>
        <dt>deepest black</dt>
        <dd>
          {Object.entries(i.blackL)
            .map(([intent, l]) => `L* ${fixed(l, 1)} ${intent.toLowerCase()}`)
            .join(', ')}
        </dd>
        {i.volume > 0 && (
          <>
            <dt>what it holds</dt>
            <dd>{fixed(i.volume / 1000, 0)} thousand cubic L*a*b* units</dd>
          </>
        )}
        <dt>there and back</dt>
        <dd>
          ΔE {fixed(i.roundTrip.mean, 2)} on average, 95 % within {fixed(i.roundTrip.percentile95, 2)}, at most{' '}
          {fixed(i.roundTrip.max, 1)}
        </dd>
        <dt>grays</dt>
        <dd>within C* {fixed(i.neutral, 1)} of gray</dd>
        {i.madeFor.length > 1 && (
          <>
            <dt>made for</dt>
            <dd>{i.madeFor.slice(1).join(', ')}</dd>
          </>
        )}
      </dl>
      {i.remarks.length === 0 && <p className="soft">{PROFILE.fine}</p>}
      {i.remarks.map((r) => (
        <p key={r}>
          <MarkSign mark="LOOK" /> {r}
        </p>
      ))}
    </section>
  )
}

function Pair({ profile, done, complain }: { profile: PaperProfile; done: () => void; complain: (e: Problem) => void }) {
  const client = useQueryClient()
  const [form] = Form.useForm<Asked>()
  const { data: printers } = useQuery({
    queryKey: ['printers'],
    queryFn: ({ signal }) => get<Printer[]>('/api/printers', signal),
  })
  const printerId = Form.useWatch('printerId', form) ?? printers?.[0]?.id
  const printer = printers?.find((p) => p.id === printerId)
  const { data: proposal } = useQuery({
    queryKey: ['proposal', profile.hash, printerId],
    queryFn: ({ signal }) => get<PairingProposal>(`/api/profiles/${profile.hash}/proposal?printerId=${printerId}`, signal),
    enabled: printerId !== undefined,
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: the form is filled once for each proposal
  useEffect(() => {
    if (proposal) form.setFieldsValue({ ...proposal, printerId: printerId as string })
  }, [proposal])
  const pair = useMutation({
    mutationFn: (asked: Asked) => post('/api/pairings', { ...asked, profileHash: profile.hash }),
    onSuccess: () => {
      done()
      return client.invalidateQueries({ queryKey: ['pairings'] })
    },
    onError: complain,
  })
  const words = (keyword: string) => keyword.replaceAll('-', ' ')
  const options = (values: string[] | undefined, name = words) => (values ?? []).map((v) => ({ value: v, label: name(v) }))
  return (
    <Form form={form} layout="vertical" size="small" onFinish={(asked) => pair.mutate(asked)} requiredMark={false}>
      <h2 className="head">{PROFILE.pair}</h2>
      <p className="soft">{PROFILE.pairHelp}</p>
      <Form.Item name="paper" label="paper" rules={[{ required: true, message: PROFILE.name }]}>
        <Input maxLength={120} />
      </Form.Item>
      <Form.Item name="surface" label="surface" rules={[{ required: true, message: PROFILE.surface }]}>
        <Input maxLength={120} />
      </Form.Item>
      <Form.Item name="printerId" label="printer" initialValue={printers?.[0]?.id}>
        <Select options={printers?.map((p) => ({ value: p.id, label: p.name }))} />
      </Form.Item>
      <Form.Item name="mediaType" label="media type to set">
        <Select options={options(printer?.description?.mediaTypes)} />
      </Form.Item>
      <Form.Item name="feed" label="feed">
        <Select options={options(printer?.description?.feeds, (f) => FEED_WORDS[f] ?? words(f))} />
      </Form.Item>
      <Form.Item name="quality" label="quality">
        <Select options={(printer?.description?.qualities ?? []).map((q) => ({ value: q, label: QUALITY[q] ?? `${q}` }))} />
      </Form.Item>
      <Form.Item name="intent" label="usual intent">
        <Select options={INTENTS} />
      </Form.Item>
      <Button type="primary" htmlType="submit" loading={pair.isPending}>
        {PROFILE.done}
      </Button>
    </Form>
  )
}
