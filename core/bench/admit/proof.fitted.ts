import { bodyOf, isOnePersons, notAdmitted } from '../../log/index.ts'
import { canWait, type ProofCode } from '../../judge/proof/index.ts'
import type { Admit } from './admit.ts'

export const admitProofFitted: Admit<'proof.fitted'> = (state, { data, by, body }, { standing }) => {
  if (data.second === by) return notAdmitted('second')
  if (!standing && data.second === null && !isOnePersons(state, by)) return notAdmitted('second missing')
  // A hand and an eye need no adapter: that proof is made here.
  if (
    !standing &&
    state.opened?.evidence !== false &&
    !canWait({ code: data.proof.split(/[/:]/)[0] as ProofCode })
  )
    return notAdmitted('made here', data.name)
  const here = bodyOf(state, body)
  return standing || here.ident || here.taught ? undefined : notAdmitted('identify first')
}
