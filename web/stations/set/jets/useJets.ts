import { enterChosen } from '@ekrond/core/bench/entering'
import { isRefusal, type Result } from '@ekrond/core/base/refusal'
import { bodyNumbers, current, isChosenFor, type DataOf, type RunNote } from '@ekrond/core/log'
import {
  jobAskedBlank,
  sizesOf,
  type JetsJob,
  type JobAsked,
  type JobJets,
  type JobQuestion,
} from '@ekrond/core/plan/jets'
import type { Sheets } from '@ekrond/core/sheets'
import type { Remote } from 'comlink'
import { useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { useAnswered } from '../../../data/answered'
import { useMarket } from '../../../data/library'
import type { JetsWorking } from '../../../figures/jets.worker'
import { openJets } from '../../../figures/jetsDesk'
import { useOutcomes } from '../../../data/outcomes'
import type { NewEntry } from '../../../data/job'
import type { SheetedOpen } from '../../withSheets'

const KEYS = Object.keys(jobAskedBlank) as (keyof JobAsked)[]
/** A size that somebody picked stands in the address by this and its position. */
const PICK = 'size.'
/** The best is asked for anew, whatever stands on the sheet. */
const AGAIN = 'again'

interface Question {
  job: JetsJob
  sheets: Sheets
  question: JobQuestion
}

const askJets = async (
  worker: Remote<JetsWorking>,
  { job, sheets, question }: Question,
): Promise<Result<JobJets>> => worker.job(job, sheets, question)

const shareOf = (text: string): number => Number(text.replace(',', '.'))

/** What was typed of a job's jets, what is worked out of it, and what puts it on the sheet. The question stands in the address. */
export function useJets(open: SheetedOpen) {
  const { state, sheets, here } = open
  const [search, setSearch] = useSearchParams()
  const market = useMarket().data
  const runs = useOutcomes(sheets.spec.taught ? undefined : sheets.spec.listNumber).data?.runs as
    | readonly (readonly RunNote[])[]
    | undefined
  const [why, setWhy] = useState<string | null>(null)
  const [refused, setRefused] = useState('')
  const opened = state.opened
  const given = useMemo(
    (): JobAsked => ({
      ...jobAskedBlank,
      toAltitude: String(opened?.altitudeM ?? 0),
      toEthanol: String(Math.round((opened?.ethanol ?? 0) * 1000) / 10),
    }),
    [opened],
  )
  const asked = useMemo(
    () => Object.fromEntries(KEYS.map((key) => [key, search.get(key) ?? given[key]])) as unknown as JobAsked,
    [search, given],
  )
  const tapped = useMemo(
    () =>
      Object.fromEntries(
        [...search].flatMap(([key, size]) =>
          key.startsWith(PICK) && Number(size) > 0 ? [[key.slice(PICK.length), Number(size)]] : [],
        ),
      ),
    [search],
  )
  // What stands on the sheet for this fuel and place is shown as it stands, until another is asked for.
  const isAgain = search.has(AGAIN)
  const onSheet = useMemo(
    () =>
      isAgain
        ? {}
        : Object.fromEntries(
            Object.entries(here.chosen).flatMap(([of, one]) =>
              isChosenFor(one, {
                ethanol: shareOf(asked.toEthanol) / 100,
                altitudeM: shareOf(asked.toAltitude),
              })
                ? [[of, one.nominal + (one.shimMm ?? 0) / (sheets.spec.metering?.needle?.grooveMm ?? 1)]]
                : [],
            ),
          ),
    [here.chosen, isAgain, asked.toEthanol, asked.toAltitude, sheets],
  )
  const picked = useMemo(() => ({ ...onSheet, ...tapped }), [onSheet, tapped])
  const sizes = useMemo(
    () =>
      Object.fromEntries(
        sheets.build.positions
          .filter(({ kind }) => kind === 'jet')
          .map((position) => [
            position.code,
            market ? sizesOf(position, market, sheets.spec.jetNumbers) : [],
          ]),
      ),
    [sheets, market],
  )
  const { chosen } = here
  const { run } = state
  const question = useMemo(
    (): Question | null =>
      market
        ? { job: { chosen, run }, sheets, question: { asked, sizes, picked, runs: runs ?? [run] } }
        : null,
    [chosen, run, sheets, asked, sizes, picked, market, runs],
  )
  const { said: jets, fresh } = useAnswered(openJets, askJets, question)
  const write = (changes: Readonly<Record<string, string | null>>) =>
    setSearch(
      (now) => {
        for (const [key, value] of Object.entries(changes))
          if (value === null) now.delete(key)
          else now.set(key, value)
        return now
      },
      { replace: true },
    )
  const worked = jets && !isRefusal(jets) ? jets : null
  const usual = worked?.changed
    .map(({ what, from, to }) => `${what.toLowerCase()} ${from} to ${to}`)
    .join(', ')
  const reason = why ?? usual ?? ''
  const conditions = {
    ethanol: Math.round(shareOf(asked.toEthanol) * 10) / 1000,
    altitudeM: shareOf(asked.toAltitude),
  }
  // What is put on the sheet is what is asked for now.
  const entries = worked && fresh ? toPut(open, worked, conditions, reason.trim() || 'as tried') : []
  return {
    asked,
    given,
    /** the fuel and the place that it is asked for */
    conditions,
    refused: jets && isRefusal(jets) ? jets.refused : null,
    jets: worked,
    waiting: jets === null,
    why: reason,
    setWhy,
    set: (key: keyof JobAsked, value: string) => write({ [key]: value === given[key] ? null : value }),
    pick: (of: string, size: number | null) =>
      write({ [`${PICK}${of}`]: size === null ? null : String(size) }),
    anyPicked: Object.keys(picked).length > 0,
    /** works it out anew, whatever was tapped or stands on the sheet */
    unpick: () =>
      write({ ...Object.fromEntries(Object.keys(tapped).map((of) => [`${PICK}${of}`, null])), [AGAIN]: '' }),
    /** all of it stands on the sheet as proposed */
    isPut: fresh && entries.length === 0 && Object.keys(here.chosen).length > 0,
    canPut: entries.length > 0,
    /** how many bodies of a bank it is put on */
    bodies: alikeBodies(open).length,
    put: () => {
      const no = open.addAll(entries)
      setRefused(no?.sentence ?? '')
      if (!no) setWhy(null)
      // What was tapped stands on the sheet now.
      if (!no && isAgain) write({ [AGAIN]: null })
      return no === undefined
    },
    notPut: refused,
    close: () =>
      write(
        Object.fromEntries(
          ['jets', ...KEYS, AGAIN, ...Object.keys(tapped).map((of) => `${PICK}${of}`)].map((key) => [
            key,
            null,
          ]),
        ),
      ),
  }
}

export type JetsView = ReturnType<typeof useJets>

/** The bodies of a bank that are the same number: they are jetted alike. */
const alikeBodies = ({ state, all, sheets }: SheetedOpen): number[] =>
  bodyNumbers(state).filter((number) => all[number]?.spec.listNumber === sheets.spec.listNumber)

/** The entries that put it on the sheet, on each body of a bank that is the same number, with the job's fuel and place where they were told here. */
function toPut(
  open: SheetedOpen,
  jets: JobJets,
  conditions: { ethanol: number; altitudeM: number },
  why: string,
): NewEntry[] {
  const changes = jets.changed.map(({ what, from, to }) => `${what} ${from} to ${to}`)
  const chosen = alikeBodies(open).flatMap((number) =>
    enterChosen(open.state, number, jets, { ...conditions, changes }, why).map((data): NewEntry => ({
      kind: 'cal.chosen',
      data,
      body: number,
    })),
  )
  if (chosen.length === 0) return []
  const told = open.standing('job.opened')
  const opened = told && (current(told).data as DataOf['job.opened'])
  const isTold =
    !opened ||
    ((opened.ethanol ?? 0) === conditions.ethanol && (opened.altitudeM ?? 0) === conditions.altitudeM)
  return isTold
    ? chosen
    : [{ kind: 'job.opened', data: { ...opened, ...conditions }, corrects: told.id }, ...chosen]
}
