import { claimsOf, marksOf } from '@ekrond/core/claims'
import { isFastened, jointOf } from '@ekrond/core/judge/assembly'
import { dueBefore } from '@ekrond/core/judge/work'
import { assemblyOrder } from '@ekrond/core/sheets'
import { useMemo, useState } from 'react'
import { Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { useKeys } from '../../ui/keys'
import { withSheets, type SheetedProps } from '../withSheets'
import { SettingBench } from '../set/SettingBench'
import { Tray } from '../teardown/Tray'
import { UnitBoard } from '../../shell/UnitBoard'
import { AllOn } from './AllOn'
import { JointBench } from './Joint'
import { BuildLadder } from './Ladder'
import { PartOn } from './PartOn'

export default withSheets('assemble', Build)

function Build({ open }: SheetedProps) {
  const { sheets } = open
  const body = open.here
  const order = useMemo(() => assemblyOrder(sheets.build), [sheets])
  const waiting = order.filter((p) => body.off[p.code] && !body.on[p.code])
  const [picked, setPicked] = useState<string | null>(null)
  const current = waiting.find((p) => p.code === picked) ?? waiting[0]
  const stillOff = useMemo(() => new Set(Object.keys(body.off).filter((code) => !body.on[code])), [body])
  const move = (by: number) => {
    const at = waiting.findIndex((p) => p === current)
    setPicked(waiting[Math.max(0, Math.min(waiting.length - 1, at + by))]?.code ?? null)
  }
  useKeys({ ArrowDown: () => move(1), ArrowUp: () => move(-1) })
  const down = useMemo(() => [...order].reverse(), [order])
  // Screws that are on and not final are asked for at once; 'later' leaves them for the end, or until they are picked.
  const [later, setLater] = useState<ReadonlySet<string>>(new Set())
  const joints = order.filter(
    (p) => isFastened(p) && (jointOf(open.state, p, open.body)?.phase ?? null) !== null,
  )
  const turning = joints.find((p) => !later.has(p.code))
  const due = current ? dueBefore(open.state, sheets, current, open.body) : []
  const [asked, setAsked] = useState(0)
  if (current && !turning && due.length > 0)
    return (
      <SettingBench
        open={open}
        settings={due}
        index={asked % due.length}
        move={(by) => setAsked((now) => (now + by + due.length) % due.length)}
        why={`before the ${current.name.toLowerCase()} goes on`}
      />
    )
  return (
    <>
      <OnStrip>
        <Tray open={open} />
      </OnStrip>
      <Main $ask={420}>
        <UnitBoard
          sheets={sheets}
          marks={marksOf(claimsOf(open.state, sheets, open.body, open.known))}
          title="Assembly"
          legend="dashed: in a tray · blue: now · solid: installed"
          order={down}
          off={stillOff}
          current={turning ?? current}
          next={waiting.filter((p) => p !== current).map((p) => p.code)}
          beside={<BuildLadder open={open} now={(turning ?? current)?.code} />}
        />
        {turning ? (
          <JointBench
            key={turning.code}
            open={open}
            position={turning}
            joint={jointOf(open.state, turning, open.body)!}
            later={() => setLater(new Set([...later, turning.code]))}
          />
        ) : current ? (
          <PartOn
            key={current.code}
            open={open}
            position={current}
            left={waiting.length}
            done={() => setPicked(null)}
            move={move}
          />
        ) : (
          <AllOn
            open={open}
            joints={joints}
            pick={(code) => setLater(new Set([...later].filter((other) => other !== code)))}
          />
        )}
      </Main>
    </>
  )
}
