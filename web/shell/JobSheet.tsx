import { UndoAfter } from './UndoAfter'
import { complaintWords, isNewer, showNumber } from '@ekrond/core/log'
import { isOverdue } from '@ekrond/core/plan/outlook'
import { stationList, type StationName } from '@ekrond/core/base/stations'
import { nextThing, stationStates } from '@ekrond/core/bench/stations'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { Dialog, Heading, Modal } from 'react-aria-components'
import { Link, useLocation, useNavigate } from 'react-router'
import { clockOffMinutes } from '../data/clock'
import type { OpenJob } from '../data/job'
import { useShop } from '../data/shop'
import { usePerson } from '../data/person'
import { useQueue } from '../data/queue'
import { LadderLine } from './LadderLine'
import { narrow } from '../theme/global'
import { useSheetTheme } from '../theme/sheet'
import { Button } from '../ui'
import { afterEscape, useKeys } from '../ui/keys'
import { useScanner } from '../ui/scanner'
import { AsOf } from './AsOf'
import { Bodies } from './Bodies'
import { sayDate } from '../ui/dates'
import { Hands, Late } from './Hands'
import { JobBar } from './JobBar'
import { Foot, Frame, Strip, TitleBlock, Zone, Zones } from './frame'
import { Legend } from './Legend'
import { AskPerson, Overlay } from './Person'
import { Resume } from './Resume'
import { StateShape, STATE_WORDS } from './StateShape'
import { StripSlot } from './OnStrip'

export interface JobSheetProps {
  open: OpenJob
  station: StationName
  children: ReactNode
}

/**
 * One job on its sheet: stations along the top, what the station shows and asks, the strip, the title block. It stays mounted while
 * stations come and go, so that a finger that goes down on a zone comes up on the same one.
 */
export function JobSheet({ open, station, children }: JobSheetProps) {
  const navigate = useNavigate()
  const shop = useShop().data
  const { person } = usePerson()
  const queue = useQueue()
  const [, toggleSheet] = useSheetTheme()
  const [askPerson, setAskPerson] = useState(false)
  const [legend, setLegend] = useState(false)
  const [askWhy, setAskWhy] = useState(false)
  const [notTaken, setNotTaken] = useState('')
  const [strip, setStrip] = useState<HTMLDivElement | null>(null)
  useScanner()
  const { state, here } = open
  const location = useLocation()
  const states = stationStates(state, open.all, open.body)
  const newer = state.log.some(isNewer)
  const clockOff = shop ? clockOffMinutes() : 0

  const undo = () =>
    state.returned && open.lastOwn(station) ? setAskWhy(true) : setNotTaken(open.takeBack(station))
  const redo = () => setNotTaken(open.giveBack(station))
  const toHistory = () => void navigate(open.to('history'))
  const toWhy = () => void navigate(open.to('why'))
  const toRack = () => void navigate('/')
  const toKeys = () => setLegend((now) => !now)
  const next = nextThing(state, open.all)
  const order = stationList.map((s) => s.name)
  const beside = (by: number) => order[Math.max(0, Math.min(order.length - 1, order.indexOf(station) + by))]!
  useKeys({
    ...Object.fromEntries(
      stationList.map((s) => [String(s.number), afterEscape(() => void navigate(open.to(s.name)))]),
    ),
    ArrowLeft: () => void navigate(open.to(beside(-1))),
    ArrowRight: () => void navigate(open.to(beside(1))),
    u: undo,
    y: redo,
    b: () => void navigate(open.to(station, (open.body % open.bodies) + 1)),
    '.': afterEscape(() => next && void navigate(open.to(next.station, next.body))),
    d: toggleSheet,
    h: toHistory,
    w: toWhy,
    r: toRack,
    '?': toKeys,
  })

  // Where not all stations have room, the current one is in sight.
  const zones = useRef<HTMLElement>(null)
  useEffect(() => {
    const nav = zones.current
    const here = nav?.querySelector<HTMLElement>('[aria-current]')
    if (nav && here) nav.scrollLeft = here.offsetLeft - (nav.clientWidth - here.offsetWidth) / 2
  }, [station])

  const late = shop !== undefined && isOverdue(state, shop.today)
  return (
    <Frame $bar>
      <div>
        <JobBar
          onRack={toRack}
          onTakeBack={undo}
          onGiveBack={redo}
          onHistory={toHistory}
          onWhy={toWhy}
          onKeys={toKeys}
        />
        <div>
          <Zones aria-label="Stations" ref={zones}>
            {stationList.map(({ name, title, number }) => {
              const shape = name === station ? 'here' : states[name]
              return (
                <Zone
                  key={name}
                  href={open.to(name)}
                  $here={name === station}
                  aria-current={name === station ? 'page' : undefined}
                  aria-label={`${title}, ${STATE_WORDS[shape]}, key ${number}`}
                  onClick={(event) => {
                    event.preventDefault()
                    void navigate(open.to(name))
                  }}
                >
                  <StateShape state={shape} />
                  <span>{title}</span>
                  <span>{number}</span>
                </Zone>
              )
            })}
          </Zones>
          <AsOf open={open} station={station} />
          <Bodies
            open={open}
            station={station}
            rest={(location.state as { resumed?: boolean } | null)?.resumed && <Resume open={open} />}
          />
          {station !== 'identify' && <LadderLine open={open} />}
        </div>
        <StripSlot value={strip}>{children}</StripSlot>
        <Foot>
          <Strip ref={setStrip} tabIndex={0} role="group" aria-label="Spec, as found, as left" />
          <TitleBlock>
            <div>
              <dt>{open.bodies > 1 ? `Job · carburetor ${open.body} of ${open.bodies}` : 'Job'}</dt>
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
                {here.taught && !here.published ? (
                  <span
                    title={here.taught.name}
                    style={{ font: `600 16px/1.2 ${narrow}`, letterSpacing: 0, display: 'block' }}
                  >
                    {here.taught.name}
                  </span>
                ) : here.ident ? (
                  <Link
                    to={`/library/${encodeURIComponent(here.ident.listNumber)}`}
                    style={{ textDecoration: 'none' }}
                  >
                    {here.ident.listNumber}
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
              <dd>{state.opened && complaintWords(state.opened.complaint)}</dd>
            </div>
            <div>
              <Hands open={open} newer={newer} clockOff={clockOff} onAskPerson={() => setAskPerson(true)} />
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
        <Legend open={legend} onClose={() => setLegend(false)} />
        <div className="visually-hidden" role="status">
          {queue.away ? 'The server cannot be reached. What you enter is saved on this device.' : ''}
        </div>
        <UndoAfter
          open={askWhy}
          onClose={() => setAskWhy(false)}
          takeBack={(why) => open.takeBack(station, why)}
        />
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
          <Heading slot="title">Cannot undo</Heading>
          <p style={{ marginBottom: 16 }}>{why}</p>
          <Button autoFocus onPress={onClose}>
            Keep as is
          </Button>
        </Dialog>
      </Modal>
    </Overlay>
  )
}
