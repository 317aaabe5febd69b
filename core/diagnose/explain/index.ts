import { complaintWords } from '../../log/index.ts'
import { causes, firstLooks, lookFirst, type Suspect } from '../complaint/index.ts'
import { type SheetsByBody, bodyOf, readBodyKey, type JobState } from '../../log/index.ts'
import { type Position, type Sheets, conditionOf } from '../../sheets/index.ts'
import { foundWith, isDoubtful } from '../../judge/findings/index.ts'

/** A suspect of the complaint, as the findings so far leave it. */
export interface WeighedCause extends Suspect {
  standing: 'found' | 'ruled out' | 'open'
  /** the positions that were found to be it */
  by: string[]
}

/** A look that finds nothing was wrong so often. */
const MISSED = 0.1
/** A finding that is there explains what it usually brings; beside it the others lose so much. */
const EXPLAINED = 0.25

/**
 * The complaint weighed again with what the bench has found: a cause whose part bears its finding is found, one whose parts were all
 * looked at and bear none is ruled out (a look misses one time in ten), and where something found explains it the rest count a quarter.
 * Shares are of the whole. Empty where nobody complains.
 */
export function weighFindings(state: JobState, sheets: Sheets, body = 1): WeighedCause[] {
  const complaint = state.opened?.complaint
  if (!complaint) return []
  const here = bodyOf(state, body)
  const suspects = lookFirst(complaint, here.tests, sheets).map(
    (suspect): WeighedCause & { weight: number } => {
      const judged = suspect.positions.flatMap((code) => {
        const finding = foundWith(here.findings[code])
        const position = sheets.build.positions.find((one) => one.code === code)
        return finding && position && !isDoubtful(finding)
          ? [{ code, explains: causesOf(position, finding.condition, finding.ruled) }]
          : []
      })
      const by = judged.filter(({ explains }) => explains.includes(suspect.code)).map(({ code }) => code)
      const standing =
        by.length > 0
          ? 'found'
          : suspect.positions.length > 0 && judged.length === suspect.positions.length
            ? 'ruled out'
            : 'open'
      return { ...suspect, standing, by, weight: suspect.share }
    },
  )
  // What is found explains the complaint as far as it usually brings it.
  const explained = suspects.some(
    ({ standing, code }) => standing === 'found' && (symptomOf(code, complaint.symptom) ?? 0) >= 0.2,
  )
  for (const one of suspects)
    one.weight *= one.standing === 'ruled out' ? MISSED : one.standing === 'open' && explained ? EXPLAINED : 1
  const sum = suspects.reduce((total, { weight }) => total + weight, 0)
  const rank = { found: 0, open: 1, 'ruled out': 2 }
  return suspects
    .map(({ weight, ...one }) => ({ ...one, share: weight / sum }))
    .sort((a, b) => rank[a.standing] - rank[b.standing] || b.share - a.share)
}

const symptomOf = (code: string, symptom: string): number | undefined =>
  causes.find((cause) => cause.code === code)?.symptoms[symptom]

/** The causes that a finding of a part is; a measured one that is out counts as what its kind's first bad condition explains. */
function causesOf(position: Position, condition: string, ruled: string): readonly string[] {
  const seen = conditionOf(position.kind, condition)
  if (seen && seen.explains.length > 0) return seen.explains
  if (ruled === 'reuse') return []
  switch (position.deciding?.what) {
    case 'mass':
      return ['float', 'level.high']
    case 'play':
      return ['air.leak']
    case 'opens':
      return ['power']
    case 'light':
      return ['air.leak', 'links']
    case 'warp':
      return ['air.leak', 'seal']
    case 'step':
      return ['metering']
    case 'force':
      return ['power', 'links', 'pump']
    case 'proud':
      return ['seal']
    case 'ohms':
      return ['choke']
    case 'bore':
      return position.kind === 'seat'
        ? ['seat']
        : ruled === 'clean'
          ? ['idle.jet', 'main.jet']
          : ['jet.drilled']
    default:
      return []
  }
}

/** What a condition would explain of the complaint, said before it is judged; empty where it says nothing of it. */
export function wouldExplain(
  state: JobState,
  sheets: Sheets,
  body: number,
  position: Position,
  condition: string,
): string {
  const explains = conditionOf(position.kind, condition)?.explains ?? []
  const complaint = state.opened?.complaint
  if (!complaint || explains.length === 0) return ''
  const suspect = firstLooks(lookFirst(complaint, bodyOf(state, body).tests, sheets)).find(({ code }) =>
    explains.includes(code),
  )
  return suspect
    ? `It would explain the complaint, “${complaintWords(complaint)}”: one of the likelier causes, ${Math.round(suspect.share * 100)} %.`
    : ''
}

/** The causes of the shop's table that the named parts' findings are, of those that bring the complaint. */
export function causesNamed(state: JobState, all: SheetsByBody, by: readonly string[]): string[] {
  const symptom = state.opened?.complaint.symptom ?? ''
  const named = by.flatMap((one) => {
    const { body, key } = readBodyKey(one)
    const position = all[body]?.build.positions.find(({ code }) => code === key)
    const finding = foundWith(bodyOf(state, body).findings[key])
    return position && finding && !isDoubtful(finding)
      ? causesOf(position, finding.condition, finding.ruled)
      : []
  })
  return [...new Set(named)].filter((code) => (symptomOf(code, symptom) ?? 0) > 0)
}
