import { bodyOf, showNumber, stations, stationStates, type StationName } from '@ekrond/core/job'
import { useState, type ReactNode } from 'react'
import { Dialog, Heading, Modal } from 'react-aria-components'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { useShop, type OpenJob } from '../data/job'
import { usePerson } from '../data/person'
import { useQueue } from '../data/queue'
import { useSheetTheme } from '../theme/sheet'
import { Button, QuietButton } from '../ui'
import { useKeys } from '../ui/keys'
import { useScanner } from '../ui/scanner'
import { sayDate } from './dates'
import { Foot, Frame, Strip, TitleBlock, Zone, Zones } from './frame'
import { Legend } from './Legend'
import { AskPerson, Overlay } from './Person'
import { Refused } from './Refused'
import { StateShape, STATE_WORDS } from './StateShape'

const Late = styled.span`
  color: var(--red);
`

export interface JobSheetProps {
  open: OpenJob
  station: StationName
  strip: ReactNode
  children: ReactNode
}

/** One job on its sheet: stations along the top, what the station shows and asks, the strip, the title block. */
export function JobSheet({ open, station, strip, children }: JobSheetProps) {
  const navigate = useNavigate()
  const shop = useShop().data
  const { person } = usePerson()
  const queue = useQueue()
  const [, toggleSheet] = useSheetTheme()
  const [askPerson, setAskPerson] = useState(false)
  const [showRefused, setShowRefused] = useState(false)
  const [legend, setLegend] = useState(false)
  const [notTaken, setNotTaken] = useState('')
  useScanner()
  const { state, sheets } = open
  const base = `/jobs/${open.number ?? open.job}`
  const states = stationStates(state, sheets)
  const refused = queue.refused.filter((item) => item.job === open.job)
  const waiting = open.pending.length

  const undo = () => setNotTaken(open.takeBack(station))
  const order = stations.map((s) => s.name)
  const beside = (by: number) => order[Math.max(0, Math.min(order.length - 1, order.indexOf(station) + by))]!
  useKeys({
    ...Object.fromEntries(stations.map((s) => [String(s.number), () => void navigate(`${base}/${s.name}`)])),
    ArrowLeft: () => void navigate(`${base}/${beside(-1)}`),
    ArrowRight: () => void navigate(`${base}/${beside(1)}`),
    u: undo,
    d: toggleSheet,
    h: () => void navigate(`${base}/history`),
    r: () => void navigate('/'),
    '?': () => setLegend((now) => !now),
  })

  const late = shop && state.opened && !state.returned && !state.closed && state.opened.promise < shop.today
  return (
    <Frame>
      <div>
        <Zones aria-label="Stations">
          {stations.map(({ name, title, number }) => {
            const shape = name === station ? 'here' : states[name]
            return (
              <Zone
                key={name}
                href={`${base}/${name}`}
                $here={name === station}
                aria-current={name === station ? 'page' : undefined}
                aria-label={`${title}, ${STATE_WORDS[shape]}, key ${number}`}
                onClick={(event) => {
                  event.preventDefault()
                  void navigate(`${base}/${name}`)
                }}
              >
                <StateShape state={shape} />
                <span>{title}</span>
                <span>{number}</span>
              </Zone>
            )
          })}
        </Zones>
        {children}
        <Foot>
          <Strip tabIndex={0} role="group" aria-label="Spec, as found, as left">
            {strip}
          </Strip>
          <TitleBlock>
            <div>
              <dt>Job</dt>
              <dd className="number">
                <Link
                  to="/"
                  style={{ textDecoration: 'none' }}
                  aria-label={`Job ${open.number ?? 'not numbered yet'}, back to the rack`}
                >
                  {open.number ? showNumber(open.number) : 'waits'}
                </Link>
              </dd>
            </div>
            <div>
              <dt>List number</dt>
              <dd className="number">
                {bodyOf(state).ident ? (
                  <Link
                    to={`/library/${encodeURIComponent(bodyOf(state).ident!.listNumber)}`}
                    style={{ textDecoration: 'none' }}
                  >
                    {bodyOf(state).ident!.listNumber}
                  </Link>
                ) : (
                  'in doubt'
                )}
              </dd>
            </div>
            <div>
              <dt>Promised</dt>
              <dd>
                {state.opened ? (
                  late ? (
                    <Late>{sayDate(state.opened.promise)}, late</Late>
                  ) : (
                    sayDate(state.opened.promise)
                  )
                ) : (
                  ''
                )}
              </dd>
            </div>
            <div>
              <dt>For</dt>
              <dd>{state.opened?.customer}</dd>
            </div>
            <div>
              <dt>Complaint</dt>
              <dd>{state.opened?.complaint.words || state.opened?.complaint.symptom}</dd>
            </div>
            <div>
              <dt>
                {refused.length ? (
                  <Late>{refused.length} not taken</Late>
                ) : queue.away ? (
                  <Late>Server away</Late>
                ) : waiting ? (
                  'Going out'
                ) : (
                  'Hands'
                )}
              </dt>
              <dd>
                {refused.length > 0 ? (
                  <QuietButton
                    style={{ minHeight: 30, padding: 0, fontSize: 17, color: 'var(--red)' }}
                    onPress={() => setShowRefused(true)}
                  >
                    See why
                  </QuietButton>
                ) : waiting > 0 && queue.away ? (
                  `${waiting} kept here, in order`
                ) : (
                  <QuietButton
                    style={{ minHeight: 30, padding: 0, fontSize: 17, fontWeight: 600 }}
                    onPress={() => setAskPerson(true)}
                    aria-label={`Hands: ${person ?? 'choose'}`}
                  >
                    {person ?? 'choose'}
                  </QuietButton>
                )}
              </dd>
            </div>
          </TitleBlock>
        </Foot>
        {shop && (
          <AskPerson
            shop={shop}
            open={askPerson || (person === null && shop.people.length > 0)}
            onClose={() => setAskPerson(false)}
          />
        )}
        <Refused
          items={refused}
          base={base}
          open={showRefused && refused.length > 0}
          onClose={() => setShowRefused(false)}
        />
        <Legend open={legend} onClose={() => setLegend(false)} />
        <div className="visually-hidden" role="status">
          {queue.away ? 'The server is away. What you enter is kept here.' : ''}
        </div>
        <NotTakenBack why={notTaken} onClose={() => setNotTaken('')} />
      </div>
    </Frame>
  )
}

/** An undo that cannot be: which later entries rest on it. */
function NotTakenBack({ why, onClose }: { why: string; onClose: () => void }) {
  return (
    <Overlay isOpen={why !== ''} isDismissable onOpenChange={(now) => !now && onClose()}>
      <Modal>
        <Dialog style={{ outline: 'none' }}>
          <Heading slot="title">Not taken back</Heading>
          <p style={{ marginBottom: 16 }}>{why}</p>
          <Button autoFocus onPress={onClose}>
            Leave it as it is
          </Button>
        </Dialog>
      </Modal>
    </Overlay>
  )
}
