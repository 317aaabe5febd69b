import { isPencil, settingKey, factOf, facts } from '@ekrond/core/sheets'
import { known as knownOf } from '@ekrond/core/taught'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { Ask, AskFoot, Board, BoardTitle, Main } from '../shell/frame'
import { OnStrip } from '../shell/OnStrip'
import { narrow } from '../theme/global'
import { Choice, Key, MainButton, QuietButton } from '../ui'
import { useKeys } from '../ui/keys'
import { FactAsk } from './FactAsk'
import { Ladder } from './Ladder'
import { Publish } from './Publish'
import { TaughtFloat } from './TaughtFloat'
import { TeachForm } from './TeachForm'
import { ValueAsk } from './ValueAsk'
import { ValuesStrip } from './ValuesStrip'

const Both = styled.div`
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 232px;
  gap: 16px;
  & > div {
    min-height: 0;
    display: flex;
    flex-direction: column;
  }
  & > div:first-child {
    overflow-y: auto;
  }
  @media (max-width: 1150px) {
    grid-template-columns: minmax(0, 1fr) 180px;
    gap: 8px;
  }
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
  }
`

const Drawn = styled.div`
  flex: 1 1 240px;
  min-height: 190px;
  & > svg {
    width: 100%;
    height: 100%;
  }
`

const Open = styled.ol`
  list-style: none;
  margin: 0;
  padding: 6px 0 0;
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 0 16px;
  & button {
    width: 100%;
    min-height: 44px;
    border: 0;
    background: none;
    display: grid;
    grid-template-columns: 30px minmax(0, 1fr);
    align-items: center;
    text-align: left;
    font: 500 16px/1.2 ${narrow};
    color: var(--ink);
    cursor: pointer;
  }
  & i {
    font: 400 15px/24px var(--figures, inherit);
    font-style: normal;
    width: 26px;
    height: 26px;
    border: 1.5px solid currentColor;
    border-radius: 50%;
    text-align: center;
  }
  & small {
    font: 400 14px/1.2 ${narrow};
    color: var(--pencil);
  }
  @media (max-width: 1150px) {
    gap: 0 6px;
    & small,
    & br {
      display: none;
    }
  }
`

type Asked =
  | { what: 'fact'; code: string }
  | { what: 'value'; key: string }
  | { what: 'publish' }
  | { what: 'family' }

/** What is known of a taught unit so far: its drawing half pencil, half ink, the ladder, and the one thing that is asked next. */
export function TeachBoard({ open }: { open: OpenJob }) {
  const navigate = useNavigate()
  const [asked, setAsked] = useState<Asked | null>(null)
  const [put, setPut] = useState<ReadonlySet<string>>(new Set())
  const { spec } = open.sheets!
  const known = knownOf(spec)
  const said = open.here.ownFacts
  const height = spec.settings.find(({ code }) => code === 'float.height')
  const floor = spec.float.sense === -1 && said['float.sense'] !== undefined
  // A float that slides on its pin has no arms; a pin over the floor matters only where the floor is read from.
  const wanted = facts.filter(
    ({ code }) => (code !== 'pin.floor' || floor) && !(spec.float.guided && /^float\.(arm|tang)$/.test(code)),
  )
  const numbers = Object.fromEntries(wanted.map(({ code }, i) => [code, i + 1]))
  const still = wanted.filter(({ code }) => isPencil(spec, code))
  const suggested = [known.next?.fact.code, ...still.map(({ code }) => code)].find(
    (code) => code && !put.has(code),
  )
  const now: Asked | null =
    asked ??
    (height && height.target === null && !put.has('value')
      ? { what: 'value', key: settingKey(height) }
      : suggested
        ? { what: 'fact', code: suggested }
        : null)
  const next = () => setAsked(null)
  const fact = now?.what === 'fact' ? factOf(now.code) : undefined
  const setting = now?.what === 'value' ? spec.settings.find((one) => settingKey(one) === now.key) : undefined
  if (now?.what === 'family') return <TeachForm open={open} cancel={next} />
  return (
    <>
      <OnStrip>
        <ValuesStrip
          open={open}
          asked={setting ? settingKey(setting) : null}
          ask={(one) => setAsked({ what: 'value', key: settingKey(one) })}
        />
      </OnStrip>
      <Main $ask={400}>
        <Board>
          <BoardTitle>
            <div>
              <h1>What is known so far</h1>
              <p>solid: measured here · grey: borrowed from its family, {spec.taught!.family}</p>
            </div>
            <div style={{ display: 'flex', gap: 8 }}>
              <Choice onPress={() => setAsked({ what: 'family' })}>Change family</Choice>
              <Choice onPress={() => setAsked({ what: 'publish' })}>
                {open.here.published ? 'Next revision' : 'Add to library'}
              </Choice>
            </div>
          </BoardTitle>
          <Both>
            <div>
              <Drawn>
                <TaughtFloat sheets={open.sheets!} said={said} asked={fact?.code ?? null} numbers={numbers} />
              </Drawn>
              <Open aria-label="Still open">
                {still.map(({ code, name }) => {
                  const rung = known.rungs.find(({ missing }) => missing.includes(code))
                  return (
                    <li key={code}>
                      <button
                        type="button"
                        style={fact?.code === code ? { color: 'var(--blue)' } : {}}
                        onClick={() => setAsked({ what: 'fact', code })}
                      >
                        <i>{numbers[code]}</i>
                        <span>
                          {name}
                          <br />
                          <small>{rung ? rung.says : 'tells which way is richer'}</small>
                        </span>
                      </button>
                    </li>
                  )
                })}
              </Open>
            </div>
            <div>
              <Ladder known={known} />
            </div>
          </Both>
        </Board>
        <Ask aria-label="Current step">
          {fact ? (
            <FactAsk
              key={fact.code}
              open={open}
              fact={fact}
              known={known}
              done={next}
              later={() => {
                setPut(new Set([...put, fact.code]))
                next()
              }}
            />
          ) : setting ? (
            <ValueAsk
              key={settingKey(setting)}
              open={open}
              setting={setting}
              later={() => {
                setPut(new Set([...put, 'value']))
                next()
              }}
            />
          ) : now?.what === 'publish' ? (
            <Publish open={open} later={next} />
          ) : (
            <Done
              go={() => void navigate(open.to('asfound'))}
              left={still.length}
              again={() => setPut(new Set())}
            />
          )}
        </Ask>
      </Main>
    </>
  )
}

/** Nothing is asked now: on with the job, which teaches the rest as it goes. */
function Done({ go, left, again }: { go: () => void; left: number; again: () => void }) {
  useKeys({ Enter: go })
  return (
    <>
      <h2>{left ? 'The rest can wait.' : 'All of its float is measured.'}</h2>
      <p style={{ fontSize: 17 }}>
        {left
          ? `${left} ${left === 1 ? 'measurement is' : 'measurements are'} open. You can go on without them: readings and teardown fill its sheets.`
          : 'Parts and values are added as you take it apart.'}
      </p>
      <AskFoot>
        <MainButton onPress={go} autoFocus>
          Continue the job <Key>Enter</Key>
        </MainButton>
        {left > 0 && <QuietButton onPress={again}>Ask me again</QuietButton>}
      </AskFoot>
    </>
  )
}
