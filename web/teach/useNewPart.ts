import { isRefusal } from '@ekrond/core/base/refusal'
import { capital } from '@ekrond/core/base/words'
import type { DataOf } from '@ekrond/core/log'
import { parseLength } from '@ekrond/core/measure'
import { readTyped } from '@ekrond/core/measure/instruments'
import { partKinds, partsTable, type PartKind } from '@ekrond/core/sheets'
import { followsFrom, kindsNear, seenOn, type Follows } from '@ekrond/core/taught'
import { useMemo, useState } from 'react'
import { newId } from '../data/id'
import type { OpenJob } from '../data/job'
import { useOutcomes } from '../data/outcomes'

export const CIRCUITS = ['fuel', 'air', 'vacuum', 'none'] as const

/** What a part can be that nobody’s book names, as the table of parts has them. */
const OFFERED = partKinds.filter((kind) => partsTable[kind].taught)

const blank = {
  name: '',
  circuit: 'fuel' as (typeof CIRCUITS)[number],
  quantity: 1,
  size: '',
  wayRound: '',
  underneath: '',
  caution: '',
  check: '',
  thread: '',
  length: '',
  torque: '',
}
type Fields = typeof blank

const newCode = () => `own.${newId().slice(0, 8)}`

/** A length that may be left out, mm; NaN where it is none. */
const lengthOf = (text: string): number | null => {
  if (!text.trim()) return null
  const read = parseLength(text)
  return isRefusal(read) ? NaN : read.mm
}

/** The vacuum at which a valve opens, kPa; NaN where it is none. */
function vacuumOf(text: string): number {
  const read = readTyped(text.trim(), 'pressure')
  return isRefusal(read) || read <= 0 || read > 95 ? NaN : read
}

/** A part that its sheet does not have, as it is put together before it is added: by a listed unit and by a taught one alike. */
export function useNewPart(
  open: OpenJob,
  { layer, at, done }: { layer: number; at: readonly [number, number] | null; done: () => void },
) {
  const [kind, setKind] = useState<PartKind | null>(null)
  const [fields, setFields] = useState(blank)
  const [wrong, setWrong] = useState('')
  // Two benches that add one at the same moment have two parts.
  const [position, setPosition] = useState(newCode)
  const listed = open.here.taught ? undefined : open.sheets?.spec.listNumber
  const outcomes = useOutcomes(listed).data
  const seen = useMemo(
    () =>
      (listed && outcomes ? outcomes.amended : [])
        .filter(
          ({ what, absent, name }) =>
            what === 'own.part' &&
            !absent &&
            !Object.values(open.here.ownParts).some((part) => part.name === name),
        )
        .map((one) => ({ ...one, on: seenOn(one.name, false, outcomes) })),
    [listed, outcomes, open.here.ownParts],
  )
  const set = (more: Partial<Fields>) => {
    setFields((now) => ({ ...now, ...more }))
    setWrong('')
  }
  const words = kind ? partsTable[kind].words : ''
  // A valve is told by the vacuum at which it opens, anything else by its size.
  const vacuum = kind === 'valve' && fields.size.trim() ? vacuumOf(fields.size) : 0
  const data: DataOf['own.part'] | null = kind && {
    position,
    name: fields.name.trim() || capital(words),
    kind,
    circuit: fields.circuit,
    place: 'none',
    quantity: fields.quantity,
    mm: kind === 'valve' ? null : lengthOf(fields.size),
    part: '',
    stamped: '',
    underneath: fields.underneath.trim(),
    at: at ? [at[0], at[1]] : null,
    absent: false,
    layer,
    ...(kind === 'valve' && vacuum ? { opensKpa: vacuum } : {}),
    ...(fields.wayRound ? { wayRound: fields.wayRound } : {}),
    ...(fields.caution.trim() ? { caution: fields.caution.trim() } : {}),
    ...(fields.check.trim() ? { check: fields.check.trim() } : {}),
    ...(fields.thread.trim() && lengthOf(fields.length)
      ? {
          fastener: {
            thread: fields.thread.trim(),
            lengthMm: lengthOf(fields.length)!,
            torqueNm: lengthOf(fields.torque),
          },
        }
      : {}),
  }
  const follows: Follows | null =
    data && open.sheets && !open.here.taught ? followsFrom(open.sheets, open.here, data) : null
  const write = () => {
    if (!data) return setWrong('Which of these is it most like?')
    if (Number.isNaN(vacuum)) return setWrong(`“${fields.size.trim()}” is no vacuum: type 22.0, or 6.5 inHg.`)
    for (const [name, text] of [
      ['Size', kind === 'valve' ? '' : fields.size],
      ['Length', fields.length],
      ['Torque', fields.torque],
    ] as const)
      if (Number.isNaN(lengthOf(text))) return setWrong(`${name}: “${text.trim()}” is no number.`)
    if (fields.thread.trim() && !lengthOf(fields.length))
      return setWrong('A thread needs its length: too long cracks the boss, too short strips it.')
    const no = open.add('own.part', data)
    if (no) return setWrong(no.sentence)
    leave()
  }
  const leave = () => {
    setKind(null)
    setFields(blank)
    setPosition(newCode())
    setWrong('')
    done()
  }
  return {
    kind,
    pick: (one: PartKind) => {
      setKind(one)
      setFields((now) => ({ ...now, wayRound: '' }))
      setWrong('')
    },
    kinds: useMemo(() => (open.sheets ? kindsNear(open.sheets, at, OFFERED) : OFFERED), [open.sheets, at]),
    words,
    fields,
    set,
    at,
    listed,
    follows,
    /** what others of this number had besides, the commonest first */
    seen,
    /** takes over what was told of such a part the last time */
    like: (last: Readonly<Record<string, unknown>>) => {
      const told = last as Partial<DataOf['own.part']>
      setKind(told.kind ?? null)
      setFields({
        ...blank,
        name: told.name ?? '',
        circuit: told.circuit ?? 'fuel',
        quantity: told.quantity ?? 1,
        size: told.opensKpa ? String(told.opensKpa) : told.mm ? String(told.mm) : '',
        wayRound: told.wayRound ?? '',
        underneath: told.underneath ?? '',
        caution: told.caution ?? '',
        check: told.check ?? '',
        thread: told.fastener?.thread ?? '',
        length: told.fastener ? String(told.fastener.lengthMm) : '',
        torque: told.fastener?.torqueNm ? String(told.fastener.torqueNm) : '',
      })
    },
    wrong,
    write,
    leave,
  }
}

export type NewPartView = ReturnType<typeof useNewPart>
