import { useState, type ReactNode } from 'react'
import { Link, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { useJob } from '../data/job'
import { ErrorLine, FieldInput, Label, QuietButton } from '../ui'

const Row = styled.div`
  display: grid;
  grid-template-columns: auto 92px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  @media print {
    display: none;
  }
`

/** Takes what was worked out into a job: by its number, or the one that the address names. */
export function TakeInto({ children }: { children: (job: string) => ReactNode }) {
  const [search] = useSearchParams()
  const [number, setNumber] = useState(search.get('job') ?? '')
  const job = number.trim().replace(/[A-Za-z]$/, '')
  return (
    <Row>
      <Label>Into job</Label>
      <FieldInput
        aria-label="Job number"
        inputMode="numeric"
        value={number}
        placeholder="1181"
        onChange={(event) => setNumber(event.target.value)}
      />
      {/^\d{1,9}$/.test(job) ? children(job) : <span />}
    </Row>
  )
}

/** As a note in the job's history, with the address that opens the figure again. */
export function AsNote({ job, text }: { job: string; text: string }) {
  const load = useJob(job)
  const [noted, setNoted] = useState('')
  const [wrong, setWrong] = useState('')
  if (load.status === 'missing' || load.status === 'away')
    return <ErrorLine role="alert">{load.sentence}</ErrorLine>
  if (load.status === 'loading') return <span style={{ color: 'var(--pencil)' }}>…</span>
  const { open } = load
  if (noted === text)
    return (
      <span role="status">
        Noted. <Link to={open.to('history')}>History of job {job}</Link>
      </span>
    )
  const take = () => {
    const no = open.add('note.written', { text })
    setWrong(no?.sentence ?? '')
    if (!no) setNoted(text)
  }
  return (
    <span>
      <QuietButton onPress={take}>Note it there</QuietButton>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </span>
  )
}

/** How a figure is kept: its address, or on paper. */
export const KeepIt = () => (
  <p style={{ fontSize: 15, color: 'var(--pencil)' }}>
    The address holds all of it: keep it or send it.{' '}
    <QuietButton onPress={() => window.print()}>Print</QuietButton>
  </p>
)
