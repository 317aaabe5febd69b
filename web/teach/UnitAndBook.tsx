import { lower } from '@ekrond/core/base/words'
import { amendmentsOf, seenOn, type Amendment } from '@ekrond/core/taught'
import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { useOutcomes } from '../data/outcomes'
import { Choice, ErrorLine, FieldInput, Label } from '../ui'
import { narrow } from '../theme/global'

const Panel = styled.section`
  padding: 14px 18px;
  background: var(--paper);
  border: 1px solid var(--line);
  & > h2 {
    font: 600 19px/1.3 ${narrow};
  }
`

const One = styled.li`
  display: grid;
  grid-template-columns: minmax(150px, 1.2fr) auto minmax(0, 1.4fr);
  gap: 6px 12px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
  }
  & b {
    display: block;
    font: 600 17px/1.25 ${narrow};
  }
  & .added {
    color: var(--blue);
  }
  & .missing {
    color: var(--red);
  }
  & > div:nth-child(2) {
    display: flex;
    gap: 0;
  }
`

const SIGN: Readonly<Record<Amendment['what'], string>> = {
  part: '+ ',
  port: '+ ',
  setting: '+ ',
  check: '+ ',
  differs: '≠ ',
  missing: '− ',
}

/** In what this unit differs from its book, each with what becomes of it: it is this unit's alone, or the book is wrong. */
export function UnitAndBook({ open, id }: { open: OpenJob; id: string }) {
  const listed = open.here.taught ? undefined : open.sheets?.spec.listNumber
  const amendments = amendmentsOf(open.state, open.body)
  const outcomes = useOutcomes(amendments.length ? listed : undefined).data
  if (amendments.length === 0 || !listed) return null
  const closed = open.state.closed !== null
  return (
    <Panel id={id} aria-label="This unit and the book">
      <h2>This unit and the book</h2>
      <Label as="p">
        The book is {listed}’s. What is this unit’s alone stays with this job; what the book lacks is in its
        next revision, with your name and why.
      </Label>
      <ul style={{ listStyle: 'none', margin: '8px 0 0', padding: 0 }}>
        {amendments.map((one) => (
          <Kept
            key={one.of}
            open={open}
            one={one}
            seen={seenOn(one.name, one.what === 'missing', outcomes)}
            closed={closed}
          />
        ))}
      </ul>
    </Panel>
  )
}

function Kept({
  open,
  one,
  seen,
  closed,
}: {
  open: OpenJob
  one: Amendment
  seen: { jobs: number; of: number }
  closed: boolean
}) {
  const kept = open.here.amendKept[one.of]
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  const words = `${one.what === 'missing' ? 'missing' : 'seen'} on ${seen.jobs} of ${seen.of}`
  const keep = (how: 'this unit' | 'book') => {
    const no = open.add('amend.kept', { of: one.of, how, why: why.trim() || words })
    setWrong(no?.sentence ?? '')
  }
  return (
    <One>
      <div>
        <b className={one.what === 'missing' ? 'missing' : 'added'}>
          {SIGN[one.what]}
          {one.name}
        </b>
        <small style={{ fontSize: 15 }}>{words} of this number</small>
      </div>
      <div role="group" aria-label={`What becomes of ${lower(one.name)}`}>
        {(['this unit', 'book'] as const).map((how) => (
          <Choice
            key={how}
            $on={kept?.how === how}
            aria-pressed={kept?.how === how}
            isDisabled={closed || kept?.how === 'book'}
            onPress={() => keep(how)}
          >
            {how === 'book' ? 'Correct the book' : 'Only this unit'}
          </Choice>
        ))}
      </div>
      {kept ? (
        <small style={{ fontSize: 15 }}>
          {kept.how === 'book' ? 'in the book since' : 'this unit’s alone'}: {kept.why} ({kept.by})
        </small>
      ) : (
        <FieldInput
          aria-label={`Why, ${lower(one.name)}`}
          placeholder={`why: ${words}`}
          maxLength={200}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </One>
  )
}
