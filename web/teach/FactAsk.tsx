import type { KnownSoFar } from '@ekrond/core/taught'
import { readFact, type Fact } from '@ekrond/core/sheets'
import { isRefusal } from '@ekrond/core/base/refusal'
import { gaugeSigma, type Gauge } from '@ekrond/core/measure'
import { useState } from 'react'
import type { OpenJob } from '../data/job'
import { useShop } from '../data/shop'
import { AskFoot } from '../shell/frame'
import { Answer, Choice, ErrorLine, Key, Label, MainButton, QuietButton } from '../ui'
import { ReadingField } from '../ui/Field'
import { useKeys } from '../ui/keys'
import { Traced } from './Traced'

/** One fact of a taught unit: how it is taken, its field or its choices, and what it buys. */
export function FactAsk({
  open,
  fact,
  known,
  done,
  later,
}: {
  open: OpenJob
  fact: Fact
  known: KnownSoFar
  done: () => void
  later: () => void
}) {
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState('')
  const gauges = (useShop().data?.gauges ?? []) as Gauge[]
  const gauge = gauges.find(({ kind }) => kind === (fact.by === 'pins' ? 'drills' : fact.by)) ?? null
  const before = open.here.ownFacts[fact.code]
  const read = text.trim() ? readFact(fact, text) : null
  const rung = known.rungs.find(({ missing }) => missing.includes(fact.code))
  const log = (data: { raw: string; value: number | string; sigma: number | null }) => {
    const standing = open.standing('own.dimension', (one) => one.fact === fact.code)
    const no = open.add(
      'own.dimension',
      { fact: fact.code, gauge: fact.by === 'look' ? null : (gauge?.name ?? null), ...data },
      standing ? { corrects: standing.id } : {},
    )
    if (no) return setWrong(no.sentence)
    setText('')
    setWrong('')
    done()
  }
  const enter = () => {
    if (!read) return
    if (isRefusal(read)) return setWrong(read.refused.why)
    // A caliper cannot be surer than itself, and taking a reading at a pin or a float's end is rougher than that.
    const sigma = Math.max(read.sigma, gauge && fact.unit === 'mm' ? gaugeSigma(gauge) : 0)
    log({ raw: text.trim(), value: read.value, sigma })
  }
  useKeys({ Enter: enter, l: later })
  return (
    <>
      <Label>Teaching this unit · one {fact.by === 'look' ? 'look' : 'reading'}</Label>
      <h2>{fact.name}</h2>
      <p style={{ fontSize: 17 }}>{fact.how}</p>
      {fact.choices ? (
        <div role="group" aria-label={fact.name} style={{ display: 'grid', gap: 8 }}>
          {fact.choices.map(({ value, label }) => (
            <Choice
              key={value}
              $on={before?.value === value}
              aria-pressed={before?.value === value}
              onPress={() => log({ raw: label.slice(0, 40), value, sigma: null })}
              style={{ minHeight: 56 }}
            >
              {label}
            </Choice>
          ))}
        </div>
      ) : (
        <ReadingField
          focus
          label={fact.name}
          value={text}
          onChange={(now) => {
            setText(now)
            setWrong('')
          }}
          onEnter={enter}
          unit={fact.unit === 'mm²' ? 'mm × mm' : fact.unit}
          logged={before?.raw}
        />
      )}
      {!fact.choices && gauge && <Label as="p">{gauge.name}</Label>}
      {read && !isRefusal(read) && read.also && <Label as="p">{read.also}</Label>}
      {(wrong || (read && isRefusal(read) && text.length > 2)) && (
        <ErrorLine role="alert">{wrong || (read && isRefusal(read) ? read.refused.why : '')}</ErrorLine>
      )}
      {rung && (
        <Answer style={{ fontSize: 18 }}>
          {rung.missing.length === 1
            ? `With it Ekrond ${rung.says}.`
            : `One of ${rung.missing.length} until it ${rung.says}.`}
        </Answer>
      )}
      {fact.code === 'float.area' && (
        <Traced
          log={({ area, sigma, taps }) =>
            log({ raw: `traced, ${taps} taps`, value: Math.round(area * 10) / 10, sigma })
          }
        />
      )}
      <AskFoot>
        {!fact.choices && (
          <MainButton onPress={enter} isDisabled={!read || isRefusal(read)}>
            Log reading <Key>Enter</Key>
          </MainButton>
        )}
        <QuietButton onPress={later}>
          Later <Key>L</Key>
        </QuietButton>
      </AskFoot>
    </>
  )
}
