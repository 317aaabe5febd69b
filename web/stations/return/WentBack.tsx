import { afterReturn, sentenceOf } from '@ekrond/core/log'
import type { SheetsOfJobAnswer } from '@ekrond/contract/jobs'
import { nameOn } from '@ekrond/core/sheets'
import { useState } from 'react'
import { useQuery } from '@tanstack/react-query'
import { call, type ApiError } from '../../data/api'
import { Choice, ErrorLine, FieldInput } from '../../ui'
import type { StationProps } from '../../shell/props'

/** The sheets that went out, each as it was. */
export function Revisions({ open }: { open: StationProps['open'] }) {
  const sheets = useQuery<SheetsOfJobAnswer, ApiError>({
    queryKey: ['sheets of', open.job, open.state.seq],
    queryFn: () => call(`/api/jobs/${open.number}/sheets`),
    enabled: open.number !== null,
    placeholderData: (before) => before,
  })
  const after = afterReturn(open.state)
  return (
    <ul aria-label="Revisions of the sheet">
      {sheets.data?.sheets.map((sheet, i) => (
        <li
          key={`${sheet.revision} ${sheet.seq}`}
          style={{ display: 'flex', gap: 12, borderBottom: '1px solid var(--rule)', padding: '8px 0' }}
        >
          <b className="figures">{sheet.revision}</b>
          <span style={{ flex: 1, fontSize: 15 }}>
            {i === 0
              ? 'as returned'
              : sentenceOf(after!.corrections[i - 1]?.entry ?? open.state.log.at(-1)!, (code) =>
                  nameOn(open.sheets, code),
                )}
          </span>
          <a
            href={`/api/jobs/${open.number}/sheet.pdf?revision=${sheet.revision}`}
            target="_blank"
            rel="noreferrer"
            style={{ fontSize: 15 }}
          >
            PDF
          </a>
        </li>
      ))}
    </ul>
  )
}

export function Reopen({ open }: { open: StationProps['open'] }) {
  const [why, setWhy] = useState('')
  const [wrong, setWrong] = useState('')
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <FieldInput
        aria-label="Reason for reopening"
        value={why}
        placeholder="reason for reopening"
        onChange={(event) => setWhy(event.target.value)}
      />
      <Choice onPress={() => setWrong(open.add('job.reopened', { why })?.sentence ?? '')}>Reopen</Choice>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}
