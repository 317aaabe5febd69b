import type { ListNumberAnswer } from '@ekrond/contract/library'
import { sheetDifferences } from '@ekrond/core/judge/differences'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { ApiError } from '../../data/api'
import { listNumberQuery } from '../../data/library'
import { Choice, ErrorLine } from '../../ui'
import type { SheetedProps } from '../withSheets'

/** That the library's sheet went on since this job was identified: the job keeps its own until somebody takes the newer one. */
export function NewerSheet({ open }: SheetedProps) {
  const { ident } = open.here
  const [wrong, setWrong] = useState('')
  const newest = useQuery<ListNumberAnswer, ApiError>({
    ...listNumberQuery(ident?.listNumber ?? ''),
    enabled: ident !== null && !open.here.taught,
    staleTime: 0,
  }).data?.sheets
  if (!ident || !newest || (newest.specRev === ident.specRev && newest.buildRev === ident.buildRev))
    return null
  // A mongrel's sheets are two numbers' at once: beside one of them they say nothing.
  const differ = ident.lower ? null : sheetDifferences(open.sheets, newest)
  const named = (differ ?? []).map(({ name }) => name.toLowerCase())
  const take = () => {
    const { entry: _, ...before } = ident
    const standing = open.standing('ident.chosen')
    const no = open.add(
      'ident.chosen',
      { ...before, runnerUp: null, specRev: newest.specRev, buildRev: newest.buildRev },
      standing ? { corrects: standing.id } : {},
    )
    setWrong(no?.sentence ?? '')
  }
  return (
    <section aria-label="A newer sheet" style={{ borderTop: '2px solid var(--ink)', paddingTop: 8 }}>
      <b>The library has a newer sheet: {newest.specRev}</b>
      <p style={{ fontSize: 16 }}>
        {differ &&
          (named.length > 0
            ? `What differs: ${named.slice(0, 4).join(', ')}${named.length > 4 ? ` and ${named.length - 4} more` : ''}. `
            : 'Its values are the same; more is known. ')}
        This job uses {ident.specRev}. If you take the newer sheet, readings are judged again.
      </p>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <Choice onPress={take}>Take the newer sheet</Choice>
    </section>
  )
}
