import { useNavigate } from 'react-router'
import { answer, api } from '../api/client'
import type { DocketTools } from '../docket/useDocket'

/** Opens a test strip of a docket, of its first picture or of the one that is named. */
export function useTryVariations(docket: string, { complain }: Pick<DocketTools, 'complain'>) {
  const navigate = useNavigate()
  return (rendition?: string) =>
    answer(
      api.POST('/api/dockets/{id}/strips', { params: { path: { id: docket }, query: rendition ? { rendition } : {} } }),
    ).then((strip) => navigate(`/dockets/${strip.id}/size`), complain)
}
