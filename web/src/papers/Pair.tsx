import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Form, Input, InputNumber, Select } from 'antd'
import { useEffect } from 'react'
import { answer, api, type Problem } from '../api/client'
import type { FetchedProposal, NewProfiling, Pairing, PairingProposal } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { INTENTS } from '../proof/words'
import { CURLS, MAKE, MAKERS, PAPER, PROFILE } from './words'

type Body = Pairing['body']
type ChartAsked = {
  size: NonNullable<NewProfiling['size']> | 'MORE' | 'OWN'
  chart?: string
  dryingHours: number
  as: 'next' | 'own'
}
type Asked = PairingProposal & Body & { printerId: string; black?: string; inks?: string } & Partial<ChartAsked>

/**
 * What belongs to a profile, told in one short form: proposed for a new pairing, as it is for the next version of one. Without a profile one is made:
 * then the chart is chosen in it too.
 */
export function Pair({
  profileHash,
  of,
  done,
  begun,
  proposed,
  complain,
}: {
  profileHash?: string
  of?: Pairing | undefined
  done: () => void
  /** A profile is in the making. */
  begun?: (id: string) => void
  /** What a paper maker's library says; it goes before what the profile says of itself. */
  proposed?: FetchedProposal & { printerId: string }
  complain: (e: Problem) => void
}) {
  const client = useQueryClient()
  const [form] = Form.useForm<Asked>()
  const { data: printers } = useQuery({
    queryKey: ['printers'],
    queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })),
  })
  const printerId = Form.useWatch('printerId', form) ?? of?.printerId ?? printers?.[0]?.id
  const can = printers?.find((p) => p.id === printerId)?.can
  const size = Form.useWatch('size', form)
  const { data: proposal } = useQuery({
    queryKey: ['proposal', profileHash, printerId],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/profiles/{hash}/proposal', {
          params: { path: { hash: profileHash ?? '' }, query: { printerId: printerId ?? '' } },
          signal,
        }),
      ),
    enabled: printerId !== undefined && of === undefined && profileHash !== undefined && proposed === undefined,
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: the form is filled once for each proposal
  useEffect(() => {
    if (proposal) form.setFieldsValue({ ...proposal, printerId: printerId as string })
  }, [proposal])
  const pair = useMutation({
    mutationFn: ({
      paper,
      surface,
      intent,
      mediaType,
      feed,
      quality,
      black,
      size,
      chart,
      dryingHours,
      as,
      inks,
      ...told
    }: Asked): Promise<unknown> => {
      const { printerId: printer, ...kind } = told
      const body = {
        profileHash: profileHash ?? '',
        printerId: printer,
        paper,
        surface,
        intent,
        inks: inks ?? '',
        body: { ...kind, thicknessMm: kind.thicknessMm ?? 0, grammage: kind.grammage ?? 0, texture: kind.texture ?? '' },
        settings: {
          values: {
            ...of?.settings.values,
            'media-type': mediaType,
            'media-source': feed,
            'print-quality': `${quality}`,
            ...(black ? { 'wistel-black-ink': black } : {}),
          },
        },
      }
      if (begun) {
        const { profileHash: _, ...wanted } = body
        const which = size === 'OWN' ? { chart: chart ?? '' } : size === 'MORE' ? {} : { size: size ?? 'USUAL' }
        const ofPairing = of && size !== 'GRAYS' && (as !== 'own' || size === 'MORE') ? { ofPairing: of.pairingId } : {}
        const asked = { ...wanted, ...which, ...ofPairing, dryingHours: dryingHours ?? 24 }
        return answer(api.POST('/api/profilings', { body: asked })).then((p) => begun(p.id))
      }
      return of
        ? answer(api.POST('/api/pairings/{id}/versions', { params: { path: { id: of.pairingId } }, body }))
        : answer(api.POST('/api/pairings', { body }))
    },
    onSuccess: () => {
      done()
      client.invalidateQueries({ queryKey: ['profilings'] })
      return client.invalidateQueries({ queryKey: ['pairings'] })
    },
    onError: complain,
  })
  const before = of && {
    ...of.body,
    paper: of.paper,
    surface: of.surface,
    printerId: of.printerId,
    mediaType: of.settings.values['media-type'],
    feed: of.settings.values['media-source'],
    quality: Number(of.settings.values['print-quality']),
    black: of.settings.values['wistel-black-ink'],
    intent: of.intent,
    inks: of.inks,
  }
  const fetched = proposed && {
    ...proposed.body,
    ...proposed,
    quality: proposed.quality || undefined,
    feed: proposed.feed || undefined,
    mediaType: proposed.mediaType || undefined,
    black: can?.blacks.find((b) => b.value === proposed.black)?.value,
  }
  return (
    <Form
      form={form}
      layout="vertical"
      size="small"
      className="pair-form"
      onFinish={(asked) => pair.mutate(asked)}
      requiredMark={false}
      initialValues={{
        ...(before ?? fetched ?? { curl: 'FLAT', texture: '', thicknessMm: 0, grammage: 0, intent: 'RELATIVE' }),
        size: 'USUAL',
        dryingHours: 24,
        as: 'next',
      }}
    >
      <h2 className="head">{begun ? MAKE.head : of ? PROFILE.change : PROFILE.pair}</h2>
      <p className="soft">{begun ? MAKE.help : of ? PROFILE.changeHelp : proposed ? MAKERS.pairHelp : PROFILE.pairHelp}</p>
      {begun && (
        <div className="side-by-side">
          <Form.Item name="size" label="chart">
            <Select
              options={[
                ...MAKE.sizes,
                ...(can?.monochrome ? [MAKE.grayChart] : []),
                ...(of ? [MAKE.moreChart] : []),
                MAKE.ownChart,
              ]}
              popupMatchSelectWidth={false}
            />
          </Form.Item>
          {size === 'OWN' && (
            <Form.Item name="chart" label="its file" rules={[{ required: true, message: MAKE.ownMissing }]}>
              <ChartFile />
            </Form.Item>
          )}
          <Form.Item name="dryingHours" label="hours to dry">
            <InputNumber min={0} max={336} />
          </Form.Item>
          {of && size !== 'MORE' && size !== 'GRAYS' && (
            <Form.Item name="as" label="it becomes">
              <Select options={MAKE.becomes} />
            </Form.Item>
          )}
        </div>
      )}
      <Form.Item name="paper" label="paper" rules={[{ required: true, message: PROFILE.name }]}>
        <Input maxLength={120} />
      </Form.Item>
      <div className="side-by-side two">
        <Form.Item name="surface" label="surface" rules={[{ required: true, message: PROFILE.surface }]}>
          <Input maxLength={120} />
        </Form.Item>
        <Form.Item name="texture" label="texture">
          <Input maxLength={60} placeholder="smooth, laid, woven …" />
        </Form.Item>
      </div>
      <div className="side-by-side">
        <Form.Item name="thicknessMm" label="thickness, mm">
          <InputNumber min={0} max={5} step={0.01} />
        </Form.Item>
        <Form.Item name="grammage" label="weight, g/m²">
          <InputNumber min={0} max={1500} step={10} />
        </Form.Item>
        <Form.Item name="curl" label="its ends">
          <Select options={CURLS} />
        </Form.Item>
      </div>
      <Form.Item name="printerId" label="printer" initialValue={of ? undefined : printers?.[0]?.id}>
        <Select options={printers?.map((p) => ({ value: p.id, label: p.name }))} />
      </Form.Item>
      <div className="side-by-side">
        <Form.Item
          name="mediaType"
          label="media type to set"
          rules={[{ required: begun !== undefined || proposed !== undefined, message: MAKE.type }]}
        >
          <Select options={can?.mediaTypes} />
        </Form.Item>
        <Form.Item name="feed" label="feed">
          <Select options={can?.feeds} />
        </Form.Item>
        <Form.Item name="quality" label="quality">
          <Select options={can?.qualities.map((q) => ({ value: Number(q.value), label: q.label }))} />
        </Form.Item>
      </div>
      <div className="side-by-side">
        {can && can.blacks.length > 0 && (
          <Form.Item name="black" label="black ink">
            <Select allowClear placeholder="as the printer has it" options={can.blacks} />
          </Form.Item>
        )}
        <Form.Item name="inks" label="inks">
          <Input maxLength={120} placeholder={PAPER.ownInks} />
        </Form.Item>
        <Form.Item name="intent" label="usual intent">
          <Select options={INTENTS} />
        </Form.Item>
      </div>
      <Button type="primary" htmlType="submit" loading={pair.isPending}>
        {begun ? MAKE.print : of ? PROFILE.keep : PROFILE.done}
      </Button>
    </Form>
  )
}

const MOST_BYTES = 8 * 1048576

/** A chart's text, chosen as a file; a field of the form. */
function ChartFile({ value, onChange }: { value?: string; onChange?: (text: string) => void }) {
  return (
    <FileButton
      accept=".txt,.cgats,.csv"
      onFile={(f) => (f.size > MOST_BYTES ? onChange?.('') : f.text().then((text) => onChange?.(text)))}
    >
      {value ? `${value.split('\n').length} lines` : MAKE.ownFile}
    </FileButton>
  )
}
