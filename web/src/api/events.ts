import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { TAB } from './client'

/** Listens to the server's events and has what they name asked for again. After a break everything is asked for. */
export function useServerEvents() {
  const client = useQueryClient()
  useEffect(() => {
    const source = new EventSource('/api/events')
    let broken = false
    source.onerror = () => {
      broken = true
    }
    source.onopen = () => {
      if (broken) client.invalidateQueries()
      broken = false
    }
    source.addEventListener('attempt', () => {
      client.invalidateQueries({ queryKey: ['attempts'] })
      client.invalidateQueries({ queryKey: ['profilings'] })
      client.invalidateQueries({ queryKey: ['wedges'] })
      client.invalidateQueries({ queryKey: ['bench'] })
    })
    source.addEventListener('printer', () => {
      client.invalidateQueries({ queryKey: ['printers'] })
      client.invalidateQueries({ queryKey: ['docket'] })
      client.invalidateQueries({ queryKey: ['bench'] })
    })
    source.addEventListener('status', () => {
      client.invalidateQueries({ queryKey: ['status'] })
      client.invalidateQueries({ queryKey: ['bench'] })
    })
    source.addEventListener('arrival', () => client.invalidateQueries({ queryKey: ['arrivals'] }))
    source.addEventListener('watched-folder', () => client.invalidateQueries({ queryKey: ['watched-folder'] }))
    source.addEventListener('wedge', () => client.invalidateQueries({ queryKey: ['wedges'] }))
    source.addEventListener('profiling', () => client.invalidateQueries({ queryKey: ['profilings'] }))
    source.addEventListener('library', () => client.invalidateQueries({ queryKey: ['libraries'] }))
    source.addEventListener('check', () => {
      client.invalidateQueries({ queryKey: ['pairings'] })
      client.invalidateQueries({ queryKey: ['bench'] })
    })
    source.addEventListener('pairing', () => {
      client.invalidateQueries({ queryKey: ['pairings'] })
      client.invalidateQueries({ queryKey: ['docket'] })
    })
    // other tabs follow
    source.addEventListener('docket', (e) => {
      const { id, tab } = JSON.parse((e as MessageEvent<string>).data) as { id: string; tab: string }
      client.invalidateQueries({ queryKey: ['bench'] })
      if (tab !== TAB) client.invalidateQueries({ queryKey: ['docket', id] })
    })
    return () => source.close()
  }, [client])
}
