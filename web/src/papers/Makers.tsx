import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Checkbox, Input, Modal, Popconfirm } from 'antd'
import { useDeferredValue, useState } from 'react'
import { Link } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { FetchedProfile, Library, LibraryPaper, Pairing } from '../api/types'
import { MarkSign } from '../parts/MarkSign'
import { moment } from '../parts/numbers'
import { Inspection } from './BringProfile'
import { Pair } from './Pair'
import { MAKERS, qualityWords } from './words'
import './papers.css'

type Wanted = { paper: LibraryPaper; url: string; printerId: string }
type Looked = Wanted & { fetched: FetchedProfile }

/** Papers that makers have on the web: looked for, fetched, looked at, and only then kept. */
export function Makers() {
  const { notification } = App.useApp()
  const client = useQueryClient()
  const [words, search] = useState('')
  const [own, onlyOwn] = useState(true)
  const [looked, look] = useState<Looked>()
  const q = useDeferredValue(words)
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 9 })
  const { data: libraries = [] } = useQuery({
    queryKey: ['libraries'],
    queryFn: ({ signal }) => answer(api.GET('/api/libraries', { signal })),
  })
  const { data: papers } = useQuery({
    queryKey: ['libraries', 'papers', q, own],
    queryFn: ({ signal }) => answer(api.GET('/api/library-papers', { params: { query: { q, own } }, signal })),
    placeholderData: (before) => before,
  })
  const { data: printers = [] } = useQuery({
    queryKey: ['printers'],
    queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })),
  })
  const { data: pairings = [] } = useQuery({
    queryKey: ['pairings'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings', { signal })),
  })
  const fetch = useMutation({
    mutationFn: ({ paper, url, printerId }: Wanted) =>
      answer(
        api.POST('/api/library-papers/fetch', { body: { libraryId: paper.libraryId, itemId: paper.itemId, url, printerId } }),
      ),
    onSuccess: (fetched, wanted) => look({ ...wanted, fetched }),
    onError: complain,
  })
  return (
    <div className="page makers">
      <div className="placed-head">
        <h1>{MAKERS.head}</h1>
        <Link to="/papers">{MAKERS.back}</Link>
      </div>
      <p className="soft">{MAKERS.help}</p>
      <div className="buttons">
        <Input.Search
          allowClear
          aria-label={MAKERS.search}
          placeholder={MAKERS.search}
          value={words}
          onChange={(e) => search(e.target.value)}
        />
        <Checkbox checked={own} onChange={(e) => onlyOwn(e.target.checked)}>
          {MAKERS.own}
        </Checkbox>
      </div>
      {papers?.length === 0 && <p className="empty">{libraries.length === 0 ? MAKERS.noLibrary : MAKERS.nothing}</p>}
      {papers && papers.length > 0 && (
        <table className="plain">
          <thead>
            <tr>
              <th>{MAKERS.paper}</th>
              <th>{MAKERS.maker}</th>
              <th>{MAKERS.profiles}</th>
            </tr>
          </thead>
          <tbody>
            {papers.map((p) => (
              <tr key={`${p.libraryId} ${p.itemId}`}>
                <td>
                  <span className="titled">{p.title}</span> <span className="soft">{p.surface}</span>
                  <div className="soft">
                    {[
                      p.body.thicknessMm > 0 && `${p.body.thicknessMm.toFixed(2)} mm`,
                      p.body.grammage > 0 && `${p.body.grammage} g/m²`,
                      p.dryingHours > 0 && `dries ${p.dryingHours} h`,
                      p.edition && `edition ${p.edition}`,
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </div>
                </td>
                <td>{p.maker}</td>
                <td>
                  {byPrinter(p, own).map(([printer, profiles]) => (
                    <div key={printer} className="fetches">
                      <span>{printer}</span>
                      {profiles.map((f) => (
                        <Button
                          key={f.url}
                          size="small"
                          aria-label={MAKERS.fetchFor(p.title, printer, qualityWords(f.quality))}
                          loading={fetch.isPending && fetch.variables.url === f.url}
                          disabled={fetch.isPending || printers.length === 0}
                          onClick={() => fetch.mutate({ paper: p, url: f.url, printerId: f.printerId ?? printers[0]?.id ?? '' })}
                        >
                          {MAKERS.fetch(qualityWords(f.quality))}
                        </Button>
                      ))}
                    </div>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Libraries libraries={libraries} complain={complain} />
      <Modal
        open={looked !== undefined}
        onCancel={() => look(undefined)}
        footer={null}
        width={980}
        title={MAKERS.looked}
        destroyOnHidden
      >
        {looked && (
          <Looking
            of={looked}
            known={pairings}
            done={() => {
              look(undefined)
              client.invalidateQueries({ queryKey: ['profiles'] })
            }}
            complain={complain}
          />
        )}
      </Modal>
    </div>
  )
}

/** Profiles of a paper, gathered by the printer that they are for. */
function byPrinter(paper: LibraryPaper, own: boolean): [string, LibraryPaper['profiles']][] {
  const shown = paper.profiles.filter((f) => !own || f.printerId)
  return [...new Set(shown.map((f) => f.printer))].map((name) => [name, shown.filter((f) => f.printer === name)])
}

/** All that was fetched, before any of it is kept. */
function Looking({
  of,
  known,
  done,
  complain,
}: {
  of: Looked
  known: Pairing[]
  done: () => void
  complain: (e: Problem) => void
}) {
  const { fetched } = of
  const before = known.find((p) => p.paper === of.paper.title && p.printerId === of.printerId)
  return (
    <div className="inspected">
      <div>
        <Inspection profile={fetched.profile} />
        {[...fetched.remarks, ...fetched.proposal.unsure].map((r) => (
          <p key={r}>
            <MarkSign mark="LOOK" /> {r}
          </p>
        ))}
        <p className="soft">
          {MAKERS.from(fetched.maker, fetched.edition)} {fetched.licence}
        </p>
      </div>
      {before ? (
        <Pair
          key={fetched.profile.hash}
          profileHash={fetched.profile.hash}
          of={{ ...before, profileHash: fetched.profile.hash }}
          done={done}
          complain={complain}
        />
      ) : (
        <Pair
          key={fetched.profile.hash}
          profileHash={fetched.profile.hash}
          proposed={{ ...fetched.proposal, printerId: of.printerId }}
          done={done}
          complain={complain}
        />
      )}
    </div>
  )
}

function Libraries({ libraries, complain }: { libraries: Library[]; complain: (e: Problem) => void }) {
  const client = useQueryClient()
  const [address, type] = useState('')
  const [ownNetwork, near] = useState(false)
  const changed = () => client.invalidateQueries({ queryKey: ['libraries'] })
  const add = useMutation({
    mutationFn: () => answer(api.POST('/api/libraries', { body: { address, ownNetwork } })),
    onSuccess: () => {
      type('')
      return changed()
    },
    onError: complain,
  })
  const refresh = useMutation({
    mutationFn: (id: string) => answer(api.POST('/api/libraries/{id}/refresh', { params: { path: { id } } })),
    onSuccess: changed,
    onError: complain,
  })
  return (
    <section>
      <h2 className="head">{MAKERS.libraries}</h2>
      {libraries.length > 0 && (
        <table className="plain">
          <tbody>
            {libraries.map((l) => (
              <tr key={l.id}>
                <td>
                  <span className="titled">{l.title}</span>
                  <div className="soft">{l.address}</div>
                </td>
                <td>
                  {MAKERS.asked} {moment(l.fetched)}
                  {l.failure && (
                    <div>
                      <MarkSign mark="LOOK" /> {l.failure} {MAKERS.stays}
                    </div>
                  )}
                </td>
                <td className="act">
                  <Button
                    size="small"
                    loading={refresh.isPending && refresh.variables === l.id}
                    onClick={() => refresh.mutate(l.id)}
                  >
                    {MAKERS.refresh}
                  </Button>{' '}
                  <Popconfirm
                    title={MAKERS.removeAsk(l.title)}
                    description={MAKERS.removeHelp}
                    okText={MAKERS.remove}
                    cancelText="Keep it"
                    onConfirm={() =>
                      answer(api.DELETE('/api/libraries/{id}', { params: { path: { id: l.id } } })).then(changed, complain)
                    }
                  >
                    <Button size="small">{MAKERS.remove}</Button>
                  </Popconfirm>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <form
        className="buttons"
        onSubmit={(e) => {
          e.preventDefault()
          add.mutate()
        }}
      >
        <Input
          value={address}
          onChange={(e) => type(e.target.value)}
          aria-label={MAKERS.address}
          placeholder={MAKERS.address}
          maxLength={2000}
        />
        <Checkbox checked={ownNetwork} onChange={(e) => near(e.target.checked)}>
          {MAKERS.ownNetwork}
        </Checkbox>
        <Button htmlType="submit" disabled={address.trim() === ''} loading={add.isPending}>
          {MAKERS.add}
        </Button>
      </form>
    </section>
  )
}
