import { asFoundNow, enterAsFound } from '@ekrond/core/bench/entering'
import { asFoundDone, outsideSettings, isTeardownUnlocked } from '@ekrond/core/bench/stations'
import { showTurns } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { countedFromSeat, settingKey } from '@ekrond/core/sheets'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { useDraft } from '../../data/draft'
import { Ask, AskFoot, AskHead, Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { Photos } from '../../photos/Photos'
import { OnStrip } from '../../shell/OnStrip'
import { SettingsStrip } from '../../shell/SettingsStrip'
import {
  Answer,
  Choice,
  ErrorLine,
  FieldInput,
  Fraction,
  Key,
  Label,
  MainButton,
  QuietButton,
} from '../../ui'
import { ReadingField } from '../../ui/Field'
import { PAD_WORDS } from '../../ui/Pad'
import { onEnter, useKeys } from '../../ui/keys'
import { NotIdentified } from '../NotIdentified'
import type { StationProps } from '../../shell/props'
import { NoneHere } from '../../teach/NoneHere'
import { Looks } from './Looks'
import { Outside } from './Outside'
import { PortsFound } from './Ports'
import { Seal } from './Seal'

const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 28px;
  align-items: end;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  /* While one thing is asked the others stand aside: the drawing keeps its room. */
  &:has([data-asking]) > *:not([data-asking]) {
    display: none !important;
  }
`

/** Before anything moves: what it came in with. */
export default function AsFoundStation({ open }: StationProps) {
  const { state, sheets } = open
  const navigate = useNavigate()
  const body = open.here
  const outside = sheets ? outsideSettings(sheets) : []
  const isDone = (key: string) => asFoundDone(body, key)
  const [index, setIndex] = useState(() =>
    Math.max(
      0,
      outside.findIndex((setting) => !isDone(settingKey(setting))),
    ),
  )
  const setting = outside[Math.min(index, outside.length - 1)]
  const key = setting ? settingKey(setting) : ''
  const [text, setText] = useDraft(open.draft('asfound', setting?.code ?? '', setting?.place))
  const [to, setTo] = useState<'seat' | 'free'>('seat')
  const [skipping, setSkipping] = useState<null | 'this' | 'all'>(null)
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')

  const noted = body.asFound[key]
  const said = noted && setting && sheets ? asFoundNow(setting, noted, sheets, state, open.body) : noted
  const turns = setting?.quantity === 'turns'
  const mixture = setting !== undefined && countedFromSeat(setting)
  const howTo = !mixture
    ? setting?.hold
    : to === 'free'
      ? 'Turn it out, tapping for each part of a turn, until it falls free.'
      : 'Turn it in, to the right, until it just seats. Tap for each part of a turn. Stop where you feel it: the tip marks its seat.'
  const count = turns && text !== '' ? Number(text) : 0
  const next = () => {
    setWrong('')
    setSkipping(null)
    const after = outside.findIndex((other, i) => i > index && !isDone(settingKey(other)))
    const any = outside.findIndex((other) => !isDone(settingKey(other)) && settingKey(other) !== key)
    const to = after >= 0 ? after : any
    if (to >= 0) setIndex(to)
    else void navigate(open.to('teardown'))
  }
  const log = () => {
    if (!setting || !sheets) return
    if (skipping) {
      const no =
        skipping === 'all'
          ? open.add('teardown.unlocked', { why })
          : open.add('asfound.skipped', { code: setting.code, place: setting.place, why })
      if (no) return setWrong(no.sentence)
      setWhy('')
      if (skipping === 'all') void navigate(open.to('teardown'))
      else next()
      return
    }
    if (text === '' && noted) return next()
    if (text === '')
      return setWrong(
        turns
          ? 'Count first: one tap for each part of a turn. If it stood seated, tap once and lower it again.'
          : 'Type what you see, or skip it with a reason.',
      )
    const draft = enterAsFound(
      setting,
      turns ? showTurns(count) : text,
      mixture ? to : null,
      sheets,
      state,
      open.body,
    )
    if (isRefusal(draft)) return setWrong(draft.refused.why)
    const before = open.standing('asfound.noted', (data) => `${data.code}/${data.place}` === key)
    const no = open.add('asfound.noted', draft.data, before ? { corrects: before.id } : {})
    if (no) return setWrong(no.sentence)
    setWrong('')
    setText('')
  }
  const tap = (eighths: number) => {
    setWrong('')
    setText(String(Math.max(0, count + eighths)))
  }
  useKeys({
    Enter: log,
    k: () => setSkipping('this'),
    ArrowDown: () => setIndex((n) => Math.min(outside.length - 1, n + 1)),
    ArrowUp: () => setIndex((n) => Math.max(0, n - 1)),
  })

  if (!sheets || !setting) return <NotIdentified open={open} what="note" />
  return (
    <>
      <OnStrip>
        <SettingsStrip open={{ ...open, sheets }} here={key} order="asfound" />
      </OnStrip>
      <Main $ask={430}>
        <Board>
          <BoardTitle>
            <div>
              <h1>From outside, as it stands on the bench</h1>
              <p>
                filled: noted · blue: now ·{' '}
                {sheets.spec.taught
                  ? `pencil: lent by its family, ${sheets.spec.taught.family}`
                  : `letters: ports · drawn from ${sheets.spec.listNumber}`}
              </p>
            </div>
          </BoardTitle>
          <BoardDrawing>
            <Outside
              sheets={sheets}
              body={body}
              current={key}
              counting={turns && text !== '' ? count : null}
            />
          </BoardDrawing>
          <Foot>
            <PortsFound open={{ ...open, sheets }} />
            <Looks open={{ ...open, sheets }} />
            <Photos
              open={open}
              step="asfound"
              shown={({ step, position }) => position === null && (step === 'asfound' || step === 'received')}
              label="Linkages and clips from all sides"
            />
          </Foot>
        </Board>
        <Ask aria-label="What is asked">
          <AskHead>
            <Label>
              {index + 1} of {outside.length} · before anything moves
            </Label>
            {!isTeardownUnlocked(state, sheets, open.body) && (
              <QuietButton onPress={() => setSkipping('all')}>go on without</QuietButton>
            )}
          </AskHead>
          <h2>{setting.name}</h2>
          <p style={{ fontSize: 17 }}>{howTo}</p>
          {setting.sealed && !skipping && <Seal open={open} setting={setting} />}
          {skipping ? (
            <label>
              <Label>
                {skipping === 'all' ? 'Why teardown begins without all of it' : 'Why it is skipped'}
              </Label>
              <FieldInput
                autoFocus
                value={why}
                onChange={(event) => setWhy(event.target.value)}
                onKeyDown={onEnter(log)}
                placeholder="in a few words"
              />
            </label>
          ) : turns ? (
            <>
              <ReadingField
                key={key}
                focus
                readOnly
                label={`${setting.name}, turns counted`}
                value={text === '' ? '' : showTurns(count)}
                placeholder={noted ? noted.raw : '0'}
                unit={mixture ? (to === 'seat' ? 'turns in so far' : 'turns out so far') : 'turns so far'}
                fractions
                onEnter={log}
                onKey={(pressed) => {
                  const eighths = (
                    { '1': 1, '2': 2, '4': 4, '8': 8, '-': -1, Backspace: -1 } as Record<string, number>
                  )[pressed]
                  if (eighths === undefined) return false
                  tap(eighths)
                  return true
                }}
              />
              <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 24px 1fr', gap: 8 }}>
                <Choice
                  onPress={() => tap(1)}
                  style={{ minHeight: 64, justifyContent: 'center', fontSize: 22 }}
                >
                  + <Fraction text="1/8" /> <Key>1</Key>
                </Choice>
                <Choice
                  onPress={() => tap(2)}
                  style={{ minHeight: 64, justifyContent: 'center', fontSize: 22 }}
                >
                  + <Fraction text="1/4" /> <Key>2</Key>
                </Choice>
                <span />
                <Choice
                  onPress={() => tap(-1)}
                  style={{ minHeight: 64, justifyContent: 'center', fontSize: 22 }}
                >
                  − <Fraction text="1/8" /> <Key>-</Key>
                </Choice>
              </div>
              {mixture && (
                <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 8 }}>
                  <Choice $on={to === 'seat'} aria-pressed={to === 'seat'} onPress={() => setTo('seat')}>
                    in to the seat
                  </Choice>
                  <Choice $on={to === 'free'} aria-pressed={to === 'free'} onPress={() => setTo('free')}>
                    out until free
                  </Choice>
                </div>
              )}
            </>
          ) : (
            <ReadingField
              key={key}
              focus
              label={`${setting.name}, as found`}
              value={text}
              placeholder={noted ? noted.raw : ''}
              unit={
                setting.quantity === 'notches'
                  ? 'of index'
                  : setting.quantity === 'count'
                    ? 'from the outer one'
                    : setting.unit
              }
              padWords={PAD_WORDS[setting.quantity]}
              onEnter={log}
              onChange={setText}
            />
          )}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          {/* The judging sentence waits until the count is finished. */}
          {noted && said && text === '' && !skipping && (
            <Answer aria-live="polite" style={{ fontSize: said.meaning.length > 120 ? 17 : 19 }}>
              {said.meaning &&
              ((setting.lo !== null && noted.value < setting.lo) ||
                (setting.hi !== null && noted.value > setting.hi)) ? (
                <em>
                  <Fraction text={said.headline} />{' '}
                </em>
              ) : (
                <>
                  <Fraction text={said.headline} />{' '}
                </>
              )}
              <Fraction text={said.meaning} />
            </Answer>
          )}
          {body.asFoundSkipped[key] && !noted && <Answer>Skipped: {body.asFoundSkipped[key]}</Answer>}
          <AskFoot>
            <MainButton onPress={log}>
              {skipping
                ? 'Skip, with this reason'
                : text !== ''
                  ? mixture
                    ? to === 'seat'
                      ? 'It seats here'
                      : 'It falls free here'
                    : 'Note it'
                  : noted
                    ? 'Next'
                    : 'Note it'}{' '}
              <Key>Enter</Key>
            </MainButton>
            {!skipping && (
              <QuietButton onPress={() => setSkipping('this')}>
                Skip, why <Key>K</Key>
              </QuietButton>
            )}
            {skipping && <QuietButton onPress={() => setSkipping(null)}>Do not skip</QuietButton>}
            {body.taught && !skipping && !noted && <NoneHere open={open} setting={setting} />}
          </AskFoot>
        </Ask>
      </Main>
    </>
  )
}
