import { useQuery } from '@tanstack/react-query'
import { InputNumber, Select } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import type { Boundary, Pairing } from '../api/types'
import { GamutView } from '../gamut/GamutView'
import { GAMUT, reachWords, thousands } from '../gamut/words'
import { percent } from '../parts/numbers'
import { useBenchPictures } from '../parts/useBenchPictures'

const RINGS = [10, 20, 30, 40, 50, 60, 70, 80, 90]
const spaceOf = (of: string) => GAMUT.spaces.find((s) => s.value === of)

const slicesWith = (cut: number | undefined) =>
  cut === undefined || RINGS.includes(cut) ? RINGS : [...RINGS, cut].sort((a, b) => a - b)

/** Of a pairing by its id, or of a standard space by its name; nothing of an empty one. */
function useGamut(of: string, cut: number | undefined): Boundary | undefined {
  const query = { slices: slicesWith(cut) }
  const { data } = useQuery({
    queryKey: ['gamut', of, query.slices],
    queryFn: ({ signal }) => {
      const space = spaceOf(of)
      return space
        ? answer(api.GET('/api/spaces/{space}/gamut', { params: { path: { space: space.value }, query }, signal }))
        : answer(api.GET('/api/pairings/{id}/gamut', { params: { path: { id: of }, query }, signal }))
    },
    enabled: of !== '',
    placeholderData: (before, query) => (query?.queryKey[1] === of ? before : undefined),
    staleTime: Number.POSITIVE_INFINITY,
  })
  return of === '' ? undefined : data
}

/** What a paper holds, with a picture's colours in it and another paper's wire round it. */
export function PaperGamut({ pairing }: { pairing: Pairing }) {
  const [picture, setPicture] = useState('')
  const [wire, setWire] = useState('')
  const [cut, setCut] = useState<number>()
  const bench = useBenchPictures()
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
  const solid = useGamut(pairing.pairingId, cut)
  const round = useGamut(wire, cut)
  if (!solid) return null
  const others = pairings.filter((p) => p.pairingId !== pairing.pairingId)
  const called = spaceOf(wire)?.label ?? others.find((p) => p.pairingId === wire)?.paper
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
            options={[{ value: '', label: GAMUT.noColours }, ...bench.map(({ value, label }) => ({ value, label }))]}
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
