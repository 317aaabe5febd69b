import { proofsOf, proofStanding, type Proof } from '@ekrond/core/judge/proof'
import { useState, type ComponentType } from 'react'
import { useNavigate } from 'react-router'
import { nextOpen } from '../../ui/next-open'
import { Unit } from '../../drawing/Unit'
import { Board, BoardDrawing, BoardTitle, Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { AddCheck } from '../../teach/AddCheck'
import { withSheets, type SheetedProps } from '../withSheets'
import { AlikeBench } from './AlikeBench'
import { HoldBench } from './HoldBench'
import { LevelBench } from './LevelBench'
import { LiftsBench } from './LiftsBench'
import { PortsBench } from './PortsBench'
import type { BenchProps } from './ProofSheet'
import { ProofStrip } from './ProofStrip'
import { PumpBench } from './PumpBench'
import { SeenBench } from './SeenBench'
import { TravelBench } from './TravelBench'
import { WeepBench } from './WeepBench'

export default withSheets('prove', Prove)

const benches: Readonly<Record<Proof['how'], ComponentType<BenchProps>>> = {
  hold: HoldBench,
  lifts: LiftsBench,
  level: LevelBench,
  weep: WeepBench,
  pump: PumpBench,
  travel: TravelBench,
  seen: SeenBench,
  ports: PortsBench,
  alike: AlikeBench,
}

/** Every proof of this body in the order in which none spoils another, one at a time. */
function Prove({ open }: SheetedProps) {
  const navigate = useNavigate()
  const subject = { state: open.state, sheets: open.sheets, body: open.body }
  const proofs = proofsOf(subject)
  const standings = proofs.map((proof) => proofStanding(subject, proof))
  const [picked, setPicked] = useState<string | null>(
    () => proofs.find((_, i) => !['proved', 'fitted'].includes(standings[i]!.state))?.key ?? proofs[0]!.key,
  )
  const [adding, setAdding] = useState(false)
  const index = Math.max(
    0,
    proofs.findIndex(({ key }) => key === picked),
  )
  const proof = proofs[index]!
  const Bench = benches[proof.how]
  const following = nextOpen(
    index,
    standings.map(({ state }) => !['proved', 'fitted'].includes(state)),
  )
  if (adding)
    return (
      <Main>
        <Board>
          <BoardTitle>
            <div>
              <h1>Another check</h1>
              <p>made by hand or eye before the return, and again once its part was opened</p>
            </div>
          </BoardTitle>
          <BoardDrawing>
            <Unit
              sheets={open.sheets}
              standings={{}}
              named={[]}
              title={`${open.sheets.spec.modelName} in section`}
            />
          </BoardDrawing>
        </Board>
        <AddCheck open={open} done={() => setAdding(false)} />
      </Main>
    )
  return (
    <>
      <OnStrip>
        <ProofStrip open={open} here={proof.key} pick={setPicked} />
      </OnStrip>
      <Bench
        key={proof.key}
        open={open}
        proof={proof}
        standing={standings[index]!}
        place={`${index + 1} of ${proofs.length}`}
        add={() => setAdding(true)}
        move={(by) => setPicked(proofs[(index + by + proofs.length) % proofs.length]!.key)}
        onward={
          following === null
            ? { words: 'Go to Return', go: () => void navigate(open.to('return')) }
            : {
                words: `Next: ${proofs[following]!.name.toLowerCase()}`,
                go: () => setPicked(proofs[following]!.key),
              }
        }
      />
    </>
  )
}
