import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { InputNumber, Select } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import type { Boundary, Pairing } from '../api/types'
import { GamutView } from '../gamut/GamutView'
import { GAMUT, reachWords, thousands } from '../gamut/words'
import { percent } from '../parts/numbers'

const RINGS = [10, 20, 30, 40, 50, 60, 70, 80, 90]
type Space = (typeof GAMUT.spaces)[number]['value']

const slicesWith = (cut: number | undefined) =>
  cut === undefined || RINGS.includes(cut) ? RINGS : [...RINGS, cut].sort((a, b) => a - b)

function usePaperGamut(id: string | undefined, cut: number | undefined) {
  const slices = slicesWith(cut)
  return useQuery({
    queryKey: ['gamut', id, slices],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/pairings/{id}/gamut', { params: { path: { id: id ?? '' }, query: { slices } }, signal })),
    enabled: id !== undefined,
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  }).data
}

function useSpaceGamut(space: Space | undefined, cut: number | undefined) {
  const slices = slicesWith(cut)
  return useQuery({
    queryKey: ['space-gamut', space, slices],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/spaces/{space}/gamut', { params: { path: { space: space ?? 'SRGB' }, query: { slices } }, signal })),
    enabled: space !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  }).data
}

/** What a paper holds, with a picture's colours in it and another paper's wire round it. */
export function PaperGamut({ pairing }: { pairing: Pairing }) {
  const [picture, setPicture] = useState('')
  const [wire, setWire] = useState('')
  const [cut, setCut] = useState<number>()
  const { data: bench = [] } = useQuery({
    queryKey: ['bench'],
    queryFn: ({ signal }) => answer(api.GET('/api/bench', { signal })),
  })
  const { data: pairings = [] } = useQuery({
    queryKey: ['pairings'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings', { signal })),
  })
  const [docket, rendition] = picture.split(' ')
  const { data: colours } = useQuery({
    queryKey: ['gamut-colours', docket, rendition, pairing.profileHash],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/gamut-colours', {
          params: { path: { id: docket ?? '', rendition: rendition ?? '' }, query: { pairing: pairing.pairingId } },
          signal,
        }),
      ),
    enabled: picture !== '',
  })
  const space = GAMUT.spaces.find((s) => s.value === wire)
  const solid = usePaperGamut(pairing.pairingId, cut)
  const ofPaper = usePaperGamut(wire && !space ? wire : undefined, cut)
  const ofSpace = useSpaceGamut(space?.value, cut)
  if (!solid) return null
  const round: Boundary | undefined = space ? ofSpace : wire ? ofPaper : undefined
  const others = pairings.filter((p) => p.pairingId !== pairing.pairingId)
  const called = space?.label ?? others.find((p) => p.pairingId === wire)?.paper
  return (
    <section>
      <GamutView solid={solid} wire={round} colours={picture ? colours : undefined} cut={cut} />
      <div className="gamut-controls">
        <span>
          {GAMUT.colours}{' '}
          <Select
            size="small"
            variant="underlined"
            aria-label={GAMUT.colours}
            value={picture}
            popupMatchSelectWidth={false}
            onChange={setPicture}
            options={[
              { value: '', label: GAMUT.noColours },
              ...bench.flatMap((g) =>
                g.dockets.flatMap((d) =>
                  d.pictures.slice(0, 1).map((p) => ({ value: `${d.id} ${p.renditionId}`, label: d.title })),
                ),
              ),
            ]}
          />
          {picture && colours && ` dots inside, crosses outside (${percent(colours.outside)})`}
        </span>
        <span>
          {GAMUT.wire}{' '}
          <Select
            size="small"
            variant="underlined"
            aria-label={GAMUT.wire}
            value={wire}
            popupMatchSelectWidth={false}
            onChange={setWire}
            options={[
              { value: '', label: GAMUT.noWire },
              ...others.map((p) => ({ value: p.pairingId, label: `${p.paper}, ${p.printerName}` })),
              ...GAMUT.spaces,
            ]}
          />
        </span>
        <span>
          {GAMUT.cut}{' '}
          <InputNumber
            size="small"
            variant="underlined"
            aria-label={GAMUT.cut}
            min={1}
            max={99}
            precision={0}
            value={cut ?? null}
            placeholder={GAMUT.noCut}
            onChange={(v) => setCut(v === null ? undefined : v)}
          />
        </span>
      </div>
      <p className="soft">
        Solid: this paper, {thousands(solid.volume)} cubic L*a*b* units, relative to its white
        {round && called && `. Wire: ${called}, ${thousands(round.volume)}`}.
      </p>
      <details className="gamut-figures">
        <summary>{GAMUT.table}</summary>
        <table className="plain">
          <thead>
            <tr>
              <th>Hue</th>
              <th>This paper</th>
              {round && <th>{called}</th>}
            </tr>
          </thead>
          <tbody>
            {solid.vivid.map((r) => (
              <tr key={r.hue}>
                <td>{r.hue}°</td>
                <td>{reachWords(r)}</td>
                {round && <td>{reachWords(round.vivid.find((w) => w.hue === r.hue))}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  )
}
