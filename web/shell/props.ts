import type { OpenJob } from '../data/job'

export interface StationProps {
  open: OpenJob
}
