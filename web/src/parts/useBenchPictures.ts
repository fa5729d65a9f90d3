import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'

/** The first picture of each docket on the bench, to be chosen from; `value` names docket and rendition, "docket rendition". */
export function useBenchPictures() {
  const { data = [] } = useQuery({
    queryKey: ['bench'],
    queryFn: ({ signal }) => answer(api.GET('/api/bench', { signal })),
  })
  return data
    .flatMap((g) => g.dockets)
    .flatMap((d) =>
      d.pictures.slice(0, 1).map((p) => ({ value: `${d.id} ${p.renditionId}`, label: d.title, masterHash: p.masterHash })),
    )
}
