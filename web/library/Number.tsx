import type { ListNumberAnswer } from '@ekrond/contract/library'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { usePerson } from '../data/person'
import { useShop } from '../data/shop'
import { useSend } from '../data/useSend'
import { sayInstant } from '../ui/dates'
import { Choice, ErrorLine, FieldInput, Label, QuietButton } from '../ui'

const ACTS = {
  copies: {
    label: 'Copy to new',
    ask: 'Number',
    says: 'Its values are marked as borrowed from this one until somebody confirms them from its own sheet.',
    do: 'Create',
  },
  supersedes: {
    label: 'Supersedes …',
    ask: 'The older number',
    says: 'Searching the older number finds this one from now on.',
    do: 'Save as superseding',
  },
  merge: {
    label: 'Merge with …',
    ask: 'Number to keep',
    says: 'Jobs keep the sheets they were worked to. A merge can be undone.',
    do: 'Merge',
  },
  part: {
    label: 'Undo merge',
    // Nothing more is asked than why.
    ask: null,
    says: 'Each becomes its own number again, with what was taught of it.',
    do: 'Undo merge',
  },
} as const
type Act = keyof typeof ACTS

/** What is done to a list number as a whole, with who and why; and what was. */
export function NumberActs({ data }: { data: ListNumberAnswer }) {
  const navigate = useNavigate()
  const { person } = usePerson()
  const zone = useShop().data?.zone ?? 'UTC'
  const [act, setAct] = useState<Act | null>(null)
  const [other, setOther] = useState('')
  const [why, setWhy] = useState('')
  const route = act === 'part' ? 'merge' : act
  const { send, wrong, setWrong } = useSend<{ listNumber: string }>({
    path: `/api/list-numbers/${encodeURIComponent(data.listNumber)}/${route}`,
    stale: [['list-number'], ['list-numbers'], ['catalogue'], ['revisions']],
    done: ({ listNumber }) => {
      setAct(null)
      setOther('')
      setWhy('')
      if (listNumber !== data.listNumber) void navigate(`/library/${encodeURIComponent(listNumber)}`)
    },
  })
  const sendIt = (what: Act) => {
    const typed = other.trim()
    if (what !== 'part' && !typed) return setWrong('Type the other number.')
    if (!why.trim()) return setWrong('Give the reason in a few words.')
    const body = {
      copies: { as: typed, mark: typed },
      supersedes: { older: typed },
      merge: { into: typed },
      part: { into: null },
    }[what]
    send({ ...body, by: person ?? 'unnamed', why: why.trim() })
  }
  return (
    <div role="group" aria-label="This number" style={{ display: 'grid', gap: 8, margin: '10px 0' }}>
      {data.mergedInto && (
        <p>
          <b>
            Merged into{' '}
            <Link className="figures" to={`/library/${encodeURIComponent(data.mergedInto)}`}>
              {data.mergedInto}
            </Link>
          </b>
          , which covers both. <QuietButton onPress={() => setAct('part')}>{ACTS.part.label}</QuietButton>
        </p>
      )}
      {data.merged.length > 0 && (
        <p>
          Also covers{' '}
          {data.merged.map((one) => (
            <Link key={one} className="figures" to={`/library/${encodeURIComponent(one)}`}>
              {one}{' '}
            </Link>
          ))}
          (one unit, taught twice).
        </p>
      )}
      {data.supersededBy.map((newer) => (
        <p key={newer}>
          Superseded by{' '}
          <Link className="figures" to={`/library/${encodeURIComponent(newer)}`}>
            {newer}
          </Link>
          : order by that.
        </p>
      ))}
      {act === null ? (
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
          {(Object.keys(ACTS) as Act[])
            .filter((one) => one !== 'part' && (one !== 'merge' || !data.mergedInto))
            .map((one) => (
              <Choice key={one} onPress={() => setAct(one)}>
                {ACTS[one].label}
              </Choice>
            ))}
        </div>
      ) : (
        <form
          aria-label={ACTS[act].label}
          style={{ display: 'grid', gap: 6 }}
          onSubmit={(event) => {
            event.preventDefault()
            sendIt(act)
          }}
        >
          <Label>{ACTS[act].says}</Label>
          {ACTS[act].ask !== null && (
            <FieldInput
              autoFocus
              aria-label={ACTS[act].ask}
              placeholder={ACTS[act].ask.toLowerCase()}
              value={other}
              onChange={(event) => {
                setOther(event.target.value)
                setWrong('')
              }}
            />
          )}
          <FieldInput
            autoFocus={ACTS[act].ask === null}
            aria-label="Why"
            placeholder="because …"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
          <div style={{ display: 'flex', gap: 6 }}>
            <Choice onPress={() => sendIt(act)}>{ACTS[act].do}</Choice>
            <QuietButton onPress={() => setAct(null)}>Cancel</QuietButton>
          </div>
        </form>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      {data.changes.slice(0, 5).map((one) => (
        <small key={one.at + one.what} style={{ fontSize: 15, color: 'var(--pencil)' }}>
          {one.by}: {one.what}, {one.why} · {sayInstant(one.at, zone)}
        </small>
      ))}
    </div>
  )
}
