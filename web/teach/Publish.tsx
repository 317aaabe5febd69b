import { known } from '@ekrond/core/teach'
import { useQueryClient } from '@tanstack/react-query'
import { useState, type KeyboardEvent } from 'react'
import type { OpenJob } from '../data/job'
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
  const put = () => {
    const number = listNumber.trim()
    if (!number)
      return setWrong('Give it a number to be found by: what is stamped on it, or one of your own.')
    const no = open.add('own.published', {
      listNumber: number,
      specRev: published ? nextOf(published.specRev) : `${number}/spec/1`,
      buildRev: published ? nextOf(published.buildRev) : `${number}/build/1`,
      mark: mark.trim(),
      maker: maker.trim() || 'maker not known',
    })
    if (no) return setWrong(no.sentence)
    setWrong('')
    for (const queryKey of [['catalogue'], ['list-numbers'], ['list-number', number], ['relatives']])
      void client.invalidateQueries({ queryKey })
    later()
  }
  useKeys({ Enter: put })
  const byEnter = (event: KeyboardEvent) => event.key === 'Enter' && put()
  return (
    <>
      <Label>Into the library</Label>
      <h2>{published ? `${published.listNumber}, next revision` : 'Ours, unverified'}</h2>
      <p style={{ fontSize: 16 }}>
        {values} of {spec.settings.length} values, {open.sheets!.build.positions.length} positions. Of its
        float Ekrond {rungs[at]!.says}. The next one that comes in is found by its mark and its bore, and
        starts from here.
      </p>
      <div>
        <Label>List number it goes by</Label>
        <FieldInput
          autoFocus
          aria-label="List number it goes by"
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
        <Label>Stamped on the casting; empty where it is bare</Label>
        <FieldInput
          aria-label="Stamped on the casting"
          value={mark}
          onChange={(event) => setMark(event.target.value)}
          onKeyDown={byEnter}
        />
      </div>
      <div>
        <Label>Maker; empty where nobody knows</Label>
        <FieldInput
          aria-label="Maker"
          value={maker}
          onChange={(event) => setMaker(event.target.value)}
          onKeyDown={byEnter}
        />
      </div>
      {Object.keys(here.features).length === 0 && (
        <Answer style={{ fontSize: 17 }}>
          <em>No bore was measured.</em> Without one the next is found by its mark only.
        </Answer>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={put}>
          {published ? 'Put the next revision in' : 'Into the library'} <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={later}>Not yet</QuietButton>
      </AskFoot>
    </>
  )
}
