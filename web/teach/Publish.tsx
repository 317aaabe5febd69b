import type { ListNumberAnswer } from '@ekrond/contract/library'
import { carriedOn, known } from '@ekrond/core/taught'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState, type KeyboardEvent } from 'react'
import type { ApiError } from '../data/api'
import type { OpenJob } from '../data/job'
import { listNumberQuery, sheetsQuery } from '../data/library'
import { AskFoot } from '../shell/frame'
import { Answer, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../ui'
import { useKeys } from '../ui/keys'

const nextOf = (revision: string): string => revision.replace(/\d+$/, (number) => String(Number(number) + 1))

/** A taught unit goes into the library, ours and unverified, with what is known of it; what is taught later makes the next revision. */
export function Publish({ open, later }: { open: OpenJob; later: () => void }) {
  const client = useQueryClient()
  const { here } = open
  const { published, taught } = here
  const stamped =
    Object.values(here.marks).find((mark) => mark.text && !/[?[\]…]/.test(mark.text))?.text ?? ''
  const [listNumber, setListNumber] = useState(published?.listNumber ?? stamped)
  const [mark, setMark] = useState(stamped)
  const [maker, setMaker] = useState(taught!.maker)
  const [wrong, setWrong] = useState('')
  const spec = open.sheets!.spec
  const { rungs, at } = known(spec)
  const values = spec.settings.filter(({ target }) => target !== null).length
  const newest = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(published?.listNumber ?? ''),
    enabled: published !== null,
    staleTime: 0,
  })
  const before = useQuery({
    ...sheetsQuery(published?.specRev ?? '', published?.buildRev ?? ''),
    enabled: published !== null,
  })
  const there = newest.data?.sheets ?? published
  const carried =
    newest.data && before.data ? carriedOn(spec, before.data.spec, newest.data.sheets.spec) : null
  const put = () => {
    const number = listNumber.trim()
    if (!number) return setWrong('Give it a number to find it by: the stamped one, or your own.')
    const no = open.add('own.published', {
      listNumber: number,
      specRev: there ? nextOf(there.specRev) : `${number}/spec/1`,
      buildRev: there ? nextOf(there.buildRev) : `${number}/build/1`,
      mark: mark.trim(),
      maker: maker.trim() || 'maker unknown',
    })
    if (no) return setWrong(no.sentence)
    setWrong('')
    for (const queryKey of [['catalogue'], ['list-numbers'], ['list-number', number], ['relatives']])
      void client.invalidateQueries({ queryKey })
    later()
  }
  const reading = newest.isLoading || before.isLoading
  const enter = () => reading || put()
  useKeys({ Enter: enter })
  const byEnter = (event: KeyboardEvent) => event.key === 'Enter' && enter()
  return (
    <>
      <Label>Add to library</Label>
      <h2>{published ? `${published.listNumber}, next revision` : 'Ours, unconfirmed'}</h2>
      <p style={{ fontSize: 16 }}>
        {values} of {spec.settings.length} values, {open.sheets!.build.positions.length} positions. Of its
        float Ekrond {rungs[at]!.says}.
        {!published && ' The next one that comes in is found by its mark and bore, and starts from here.'}
      </p>
      <div>
        <Label>List number</Label>
        <FieldInput
          autoFocus
          aria-label="List number"
          value={listNumber}
          readOnly={published !== null}
          onChange={(event) => {
            setListNumber(event.target.value)
            setWrong('')
          }}
          onKeyDown={byEnter}
        />
      </div>
      <div>
        <Label>Stamped on the casting (empty if nothing is)</Label>
        <FieldInput
          aria-label="Stamped on the casting"
          value={mark}
          onChange={(event) => setMark(event.target.value)}
          onKeyDown={byEnter}
        />
      </div>
      <div>
        <Label>Maker (empty if unknown)</Label>
        <FieldInput
          aria-label="Maker"
          value={maker}
          onChange={(event) => setMaker(event.target.value)}
          onKeyDown={byEnter}
        />
      </div>
      {Object.keys(here.features).length === 0 && (
        <Answer style={{ fontSize: 17 }}>
          <em>No bore was measured.</em> Without it the next one is found by its mark only.
        </Answer>
      )}
      {newest.isError && <ErrorLine>{newest.error.message}</ErrorLine>}
      {carried && carried.kept.length > 0 && (
        <p style={{ fontSize: 17 }}>
          Added by others: <b>{carried.kept.join(', ')}</b>. That is kept.
        </p>
      )}
      {carried?.overruled.map(({ name, there: theirs, here: own }) => (
        <ErrorLine key={name}>
          {name}: the library has {theirs} now, this unit {own}. Yours will replace it: check both first.
        </ErrorLine>
      ))}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={put} isDisabled={reading}>
          {published ? 'Save next revision' : 'Add to library'} <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={later}>Not yet</QuietButton>
      </AskFoot>
    </>
  )
}
