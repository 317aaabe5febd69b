import type { KeepingAnswer } from '@ekrond/contract/shop'
import { daysBetween } from '@ekrond/core/base/days'
import { figure } from '@ekrond/core/measure'
import { useQuery } from '@tanstack/react-query'
import styled from 'styled-components'
import { call, type ApiError } from '../data/api'
import { stampNow } from '../data/clock'
import { useShop } from '../data/shop'
import { sayInstant } from '../ui/dates'

const EVERY_MS = 60_000

const Notes = styled.div`
  display: grid;
  gap: 4px;
  margin-bottom: 6px;
  & > p {
    border-left: 4px solid var(--rule);
    padding: 3px 0 3px 10px;
    font-size: 16px;
    line-height: 1.3;
  }
  & > p.trouble {
    border-color: var(--red);
    color: var(--red);
    font-weight: 600;
  }
  & > p > b {
    font-weight: 600;
  }
`

const useKeeping = () =>
  useQuery<KeepingAnswer, ApiError>({
    queryKey: ['keeping'],
    queryFn: () => call('/api/keeping'),
    refetchInterval: EVERY_MS,
  })

/** Whether what the shop has is kept: said where it is a demo's, and where somebody should act; else one quiet line. */
export function Keeping() {
  const keeping = useKeeping().data
  const zone = useShop().data?.zone ?? 'UTC'
  if (!keeping) return null
  const { kind, disk, backup } = keeping
  const room = disk.freeBytes === null ? '' : `${figure(disk.freeBytes / 1e9, 1)} GB`
  const at = backup.at && sayInstant(backup.at, zone)
  const days = backup.at ? daysBetween(backup.at.slice(0, 10), stampNow().slice(0, 10)) : 0
  const lines: { words: string; trouble: boolean }[] = [
    disk.state === 'full' && {
      words: 'The disk is full. Free some space: until then, entries wait in the browser windows.',
      trouble: true,
    },
    disk.state === 'low' && {
      words: `Only ${room} left on the shop’s disk. Free some space soon.`,
      trouble: true,
    },
    backup.state === 'failed' && {
      words: `The last backup failed: ${backup.why}. ${at ? `The last good one is from ${at}.` : 'There is none yet.'}`,
      trouble: true,
    },
    backup.state === 'old' && {
      words: `The last backup is ${days} ${days === 1 ? 'day' : 'days'} old, from ${at}.`,
      trouble: true,
    },
    backup.state === 'none' && { words: 'No backup yet. The first one runs within minutes.', trouble: false },
    backup.state === 'ok' && { words: `Backed up ${at}`, trouble: false },
  ].filter((line) => line !== false)
  if (kind !== 'demo' && lines.length === 0) return null
  return (
    <Notes aria-label="Backup and disk" role="group">
      {kind === 'demo' && (
        <p>
          <b>Demo shop.</b> All jobs are made up.
        </p>
      )}
      {lines.map(({ words, trouble }) => (
        <p key={words} className={trouble ? 'trouble' : ''} role={trouble ? 'alert' : undefined}>
          {words}
        </p>
      ))}
    </Notes>
  )
}
