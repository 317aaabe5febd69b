import { bodyOf, notAdmitted } from '../../log/index.ts'
import { missingFor, proofsOf } from '../../judge/proof/index.ts'
import type { Admit } from './admit.ts'

export const admitProofMeasured: Admit<'proof.measured'> = (
  state,
  { data, body = 1 },
  { sheets, standing },
) => {
  const here = bodyOf(state, body)
  if (standing) return undefined
  if (!here.ident && !here.taught) return notAdmitted('identify first')
  if (!sheets) return undefined
  const subject = { state, sheets, body }
  const proof = proofsOf(subject).find(({ key }) => key === data.proof)
  if (!proof) return notAdmitted('no proof', sheets.spec.listNumber, data.name)
  const missing = missingFor(subject, proof)[0]
  return missing ? notAdmitted('not on', missing.name) : undefined
}
