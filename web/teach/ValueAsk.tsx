import { figure, showValue } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { readSetting, settingOf } from '@ekrond/core/judge/settings'
import { besideSetting, settingKey, sourceWords, type SettingSpec } from '@ekrond/core/sheets'
import { agree, sourceStandingOf, withBand, type Source, type Trust } from '@ekrond/core/taught'
import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { Photos } from '../photos/Photos'
import { AskFoot } from '../shell/frame'
import { figures } from '../theme/global'
import { Choice, ErrorLine, FieldInput, Fraction, Key, Label, MainButton, QuietButton, Tick } from '../ui'
import { ReadingField } from '../ui/Field'
import { useKeys } from '../ui/keys'
import { NoneHere } from './NoneHere'
import { useRelatives } from './relatives'

const SAID = [
  { value: 'kit leaf', label: 'a leaf' },
  { value: 'factory sheet', label: 'a maker’s sheet' },
  { value: 'shop', label: 'the shop’s own' },
  { value: 'from memory', label: 'memory' },
] as const

const TRUST: Readonly<Record<Trust, string>> = { good: 'good', fair: 'fair', weak: 'weak' }

const One = styled.li<{ $picked: boolean }>`
  display: grid;
  grid-template-columns: 22px minmax(96px, auto) minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  min-height: 48px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  & > b {
    font: ${({ $picked }) => ($picked ? 600 : 400)} 18px/1.2 ${figures};
    letter-spacing: -0.03em;
    color: ${({ $picked }) => ($picked ? 'var(--ink)' : 'var(--pencil)')};
  }
  & > span > small {
    display: block;
    color: var(--pencil);
    font-size: 14px;
  }
`

/** The sources of one value side by side, what relatives have, and a new one from a leaf, a sheet or memory. */
export function ValueAsk({
  open,
  setting,
  later,
}: {
  open: OpenJob
  setting: SettingSpec
  later?: (() => void) | undefined
}) {
  const [text, setText] = useState('')
  const [source, setSource] = useState<(typeof SAID)[number]['value']>('kit leaf')
  const [ground, setGround] = useState('')
  const [deciding, setDeciding] = useState<Source | null>(null)
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  const key = settingKey(setting)
  const spec = open.sheets!.spec
  const answer = useRelatives(open.sheets!, open.here.features.throttleBoreMm?.value)
  const standing = sourceStandingOf(open.state, open.body, setting)
  const read = text.trim() ? readSetting(setting, text) : null
  const typed = read && !isRefusal(read) ? read.value : null
  const looked = typed ?? standing.picked?.target ?? null
  // A float’s figures are compared only where it is said what they are read from.
  const comparable = !setting.code.startsWith('float.') || !spec.taught?.pencil.includes('float.sense')
  const near = comparable ? besideSetting(answer?.settings ?? {}, setting, looked) : undefined
  const shown = (value: number) => showValue(value, setting.quantity)
  const write = (value: number, from: Source['source'], rests: string) => {
    const no = open.add('own.setting', {
      code: setting.code,
      place: setting.place,
      ...withBand(setting.quantity, value),
      source: from,
      ground: rests,
    })
    if (no) return setWrong(no.sentence)
    setText('')
    setGround('')
    setWrong('')
  }
  const enter = () => {
    if (deciding) return decide()
    if (!read) return
    if (isRefusal(read)) return setWrong(read.refused.why)
    write(read.value, source, ground.trim())
  }
  const decide = () => {
    if (!deciding) return
    const no = open.add('own.source', { code: setting.code, place: setting.place, source: deciding.id, why })
    if (no) return setWrong(no.sentence)
    setDeciding(null)
    setWhy('')
    setWrong('')
  }
  useKeys({ Enter: enter, ...(later ? { l: later } : {}) })
  return (
    <>
      <Label>Value and source</Label>
      <h2>{setting.name}</h2>
      <p style={{ fontSize: 16 }}>{setting.datum}</p>
      {standing.sources.length > 0 ? (
        <ul aria-label="Sources" style={{ listStyle: 'none', margin: 0, padding: 0 }}>
          {standing.sources.map((one) => (
            <One key={one.id} $picked={one === standing.picked}>
              {one === standing.picked ? <Tick /> : <span />}
              <b>
                <Fraction text={one.asWritten} />
              </b>
              <span>
                {sourceWords(one.source)} · {TRUST[one.trust]}
                <small>{[one.ground, one.by].filter(Boolean).join(' · ')}</small>
              </span>
              {one !== standing.picked && (
                <Choice onPress={() => setDeciding(one)} aria-label={`${one.asWritten} holds`}>
                  holds
                </Choice>
              )}
            </One>
          ))}
        </ul>
      ) : (
        <p style={{ fontSize: 17 }}>
          No value yet. Use the as-found reading, a kit leaf, similar units, or somebody’s memory.
        </p>
      )}
      {standing.decided && <Label as="p">Decided: {standing.decided}</Label>}
      {standing.against.length > 0 && !deciding && (
        <ErrorLine role="alert">
          {shown(standing.against[0]!.target)} ({sourceWords(standing.against[0]!.source)}) says otherwise.
          Ekrond uses {sourceWords(standing.picked!.source)} until somebody chooses, with a reason.
        </ErrorLine>
      )}
      {near?.suspect && looked !== null && (
        <ErrorLine role="alert">
          {shown(looked)} is far from similar units ({shown(near.median)}, {near.n} of them): a likely
          misprint.
          {near.fixes[0] !== undefined ? ` ${shown(near.fixes[0])}?` : ''}
        </ErrorLine>
      )}
      {(standing.sources.length > 0 || text.trim() !== '') && (
        <Photos
          open={open}
          step="source"
          position={key}
          shown={({ step, position }) => step === 'source' && position === key}
          label="Page"
        />
      )}
      {deciding ? (
        <div>
          <Label>Why {deciding.asWritten} holds</Label>
          <FieldInput
            autoFocus
            aria-label="Reason"
            value={why}
            placeholder="because …"
            onChange={(event) => setWhy(event.target.value)}
          />
        </div>
      ) : (
        <>
          {near &&
            agree(near, setting) &&
            !standing.sources.some((one) => one.source === 'from relatives') && (
              <Choice
                onPress={() =>
                  write(
                    Number(near.median.toFixed(2)),
                    'from relatives',
                    `median of ${near.n}, spread ${figure(near.spread)}`,
                  )
                }
              >
                Use similar units’: {shown(near.median)} · {near.n} of them, spread {figure(near.spread)}
              </Choice>
            )}
          <ReadingField
            focus
            size={38}
            label={`${setting.name}, value`}
            value={text}
            onChange={(now) => {
              setText(now)
              setWrong('')
            }}
            onEnter={enter}
            unit={settingOf(setting).unit.set}
          />
          {text.trim() !== '' && (
            <>
              <div
                role="group"
                aria-label="From"
                style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}
              >
                {SAID.map((one) => (
                  <Choice
                    key={one.value}
                    $on={source === one.value}
                    aria-pressed={source === one.value}
                    onPress={() => setSource(one.value)}
                  >
                    {one.label}
                  </Choice>
                ))}
              </div>
              <FieldInput
                aria-label="Which one, and page"
                placeholder="which one, and page"
                value={ground}
                onChange={(event) => setGround(event.target.value)}
              />
            </>
          )}
        </>
      )}
      {(wrong || (read && isRefusal(read))) && (
        <ErrorLine role="alert">{wrong || (read && isRefusal(read) ? read.refused.why : '')}</ErrorLine>
      )}
      <AskFoot>
        <MainButton onPress={enter} isDisabled={deciding ? !why.trim() : !read || isRefusal(read)}>
          {deciding ? 'Use it' : 'Save value'} <Key>Enter</Key>
        </MainButton>
        {deciding && <QuietButton onPress={() => setDeciding(null)}>Leave open</QuietButton>}
        {standing.sources.length === 0 && setting.code !== 'float.height' && (
          <NoneHere open={open} setting={setting} />
        )}
        {later && !deciding && (
          <QuietButton onPress={later}>
            Later <Key>L</Key>
          </QuietButton>
        )}
      </AskFoot>
    </>
  )
}
