import type { ReactNode } from 'react'
import { useParams } from 'react-router'
import { useJob, type OpenJob } from '../data/job'
import { NotOpen } from './NotOpen'
import { Page } from './Page'

/** A page beside a job's stations: it waits for the job, says where there is none, and shows it. */
export function OfJob({
  title,
  head,
  children,
}: {
  title: string
  head: (number: string) => ReactNode
  children: (open: OpenJob) => ReactNode
}) {
  const { number = '' } = useParams()
  const load = useJob(number)
  if (load.status === 'loading')
    return (
      <Page title={title}>
        <p style={{ padding: 24 }} role="status">
          Loading the job …
        </p>
      </Page>
    )
  if (load.status !== 'open') return <NotOpen load={load} />
  return (
    <Page title={`job ${number}, ${title}`} head={head(number)}>
      {children(load.open)}
    </Page>
  )
}
