import { asFoundNow, enterAsFound } from '@ekrond/core/bench/entering'
import { asFoundDone, outsideSettings } from '@ekrond/core/bench/stations'
import { isRefusal } from '@ekrond/core/base/refusal'
import { showTurns } from '@ekrond/core/measure'
import { countedFromSeat, settingKey } from '@ekrond/core/sheets'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useDraft } from '../../data/draft'
import type { OpenJob } from '../../data/job'

const NOTHING_COUNTED =
  'Count first: tap once for each part of a turn. If it was seated, tap once and set it back to 0.'
const NOTHING_TYPED = 'Type what you see, or skip it with a reason.'

/** Which setting is noted from outside, what of it was counted or typed, and what can be done about it. */
export function useAsFound(open: OpenJob) {
  const { state, sheets, here } = open
  const navigate = useNavigate()
  const outside = sheets ? outsideSettings(sheets) : []
  const isDone = (key: string) => asFoundDone(here, key)
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

  const noted = here.asFound[key]
  const turns = setting?.quantity === 'turns'
  const mixture = setting !== undefined && countedFromSeat(setting)
  const count = turns && text !== '' ? Number(text) : 0

  const next = () => {
    setWrong('')
    setSkipping(null)
    const after = outside.findIndex((other, i) => i > index && !isDone(settingKey(other)))
    const any = outside.findIndex((other) => !isDone(settingKey(other)) && settingKey(other) !== key)
    const at = after >= 0 ? after : any
    if (at >= 0) setIndex(at)
    else void navigate(open.to('teardown'))
  }
  const skip = () => {
    const no =
      skipping === 'all'
        ? open.add('teardown.unlocked', { why })
        : open.add('asfound.skipped', { code: setting!.code, place: setting!.place, why })
    if (no) return setWrong(no.sentence)
    setWhy('')
    if (skipping === 'all') void navigate(open.to('teardown'))
    else next()
  }
  const log = () => {
    if (!setting || !sheets) return
    if (skipping) return skip()
    if (text === '') return noted ? next() : setWrong(turns ? NOTHING_COUNTED : NOTHING_TYPED)
    const typed = turns ? showTurns(count) : text
    const draft = enterAsFound(setting, typed, mixture ? to : null, sheets, state, open.body)
    if (isRefusal(draft)) return setWrong(draft.refused.why)
    const before = open.standing('asfound.noted', (data) => `${data.code}/${data.place}` === key)
    const no = open.add('asfound.noted', draft.data, before ? { corrects: before.id } : {})
    if (no) return setWrong(no.sentence)
    setWrong('')
    setText('')
  }
  return {
    outside,
    index,
    setting,
    key,
    text,
    setText,
    /** a screw that is counted by taps; `mixture` where it is counted from its seat */
    turns,
    mixture,
    count,
    tap: (eighths: number) => {
      setWrong('')
      setText(String(Math.max(0, count + eighths)))
    },
    /** whether it is counted in to the seat or out until it falls free */
    to,
    setTo,
    noted,
    /** what the note says as the log stands now */
    said: noted && setting && sheets ? asFoundNow(setting, noted, sheets, state, open.body) : noted,
    skipped: noted ? undefined : here.asFoundSkipped[key],
    skipping,
    setSkipping,
    why,
    setWhy,
    wrong,
    step: (by: number) => setIndex((n) => Math.min(outside.length - 1, Math.max(0, n + by))),
    log,
  }
}

export type AsFoundView = ReturnType<typeof useAsFound>
