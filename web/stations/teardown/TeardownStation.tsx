import { claimsOf, marksOf } from '@ekrond/core/claims'
import { teardownOrder, settingKey, wayIn } from '@ekrond/core/sheets'
import { isTeardownUnlocked } from '@ekrond/core/bench/stations'
import type { PartMeasured } from '@ekrond/core/log'
import { useMemo, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { Ask, AskFoot, Main } from '../../shell/frame'
import { OnStrip } from '../../shell/OnStrip'
import { Key, MainButton, QuietButton } from '../../ui'
import { useKeys } from '../../ui/keys'
import { withSheets, type SheetedProps } from '../withSheets'
import { KindTiles, NewPart } from '../../teach/NewPart'
import { Otherwise } from '../../teach/Otherwise'
import { useNewPart } from '../../teach/useNewPart'
import { WayIn } from './WayIn'
import { Tray } from './Tray'
import { PlateLight } from '../../drawing/PlateLight'
import { UnitBoard } from '../../shell/UnitBoard'
import { InTheBowl } from './InTheBowl'
import { Locked } from './Locked'
import { PartOff } from './PartOff'
import { openTasks, type Task } from './tasks'
import { Together } from './Together'
import { Exposed } from './Exposed'

export default withSheets('take apart', Teardown)

function Teardown({ open }: SheetedProps) {
  const { state, sheets } = open
  const body = open.here
  const order = useMemo(() => teardownOrder(sheets.build), [sheets])
  const off = useMemo(() => new Set(Object.keys(body.off)), [body.off])
  const [search] = useSearchParams()
  const [more, setMore] = useState(false)
  const [otherwise, setOtherwise] = useState<string | null>(null)
  const [measured, setMeasured] = useState<PartMeasured | null>(null)
  const [tapped, setTapped] = useState<readonly [number, number] | null>(null)
  const [picked, setPicked] = useState<string | null>(search.get('part'))
  const unlocked = isTeardownUnlocked(state, sheets, open.body)
  const tasks = openTasks(sheets, order, body)
  const chosen = picked ? sheets.build.positions.find((p) => p.code === picked) : undefined
  const task: Task | undefined = chosen ? { kind: 'part', position: chosen } : tasks[0]
  const position = task?.kind === 'part' ? task.position : undefined
  const after = order.filter((p) => !off.has(p.code) && p.code !== position?.code).map((p) => p.code)
  const browse = [...order, ...sheets.build.positions.filter((p) => p.stays && p.deciding)]
  const move = (by: number) => {
    const at = browse.findIndex((p) => p.code === position?.code)
    setPicked(browse[Math.max(0, Math.min(browse.length - 1, at + by))]?.code ?? null)
  }
  // Asked with the cover, and after it until somebody said.
  const cover = sheets.build.positions.find((p) => p.kind === 'cover')
  const asksBowl =
    cover !== undefined &&
    (position === cover || (off.has(cover.code) && !body.on[cover.code] && body.sediment === null))
  useKeys({ ArrowDown: () => move(1), ArrowUp: () => move(-1) })
  const part = useNewPart(open, {
    layer: position?.layer ?? 1,
    at: tapped,
    done: () => {
      setMore(false)
      setTapped(null)
      setPicked(null)
    },
  })

  return (
    <>
      <OnStrip>
        <Tray open={open} />
      </OnStrip>
      <Main $ask={420}>
        <UnitBoard
          sheets={(more && part.follows?.sheets) || sheets}
          marks={marksOf(claimsOf(open.state, sheets, open.body, open.known))}
          title="Teardown"
          legend={
            body.taught
              ? 'dashed: removed and recorded · blue: now · grey: its family has one here'
              : 'dashed: removed · blue: now · solid: still on'
          }
          order={order}
          off={off}
          current={more ? (part.follows?.position ?? position) : position}
          next={after}
          onTap={more ? setTapped : undefined}
          head={
            unlocked &&
            !more &&
            task?.kind === 'part' && (
              <>
                {!body.taught && !off.has(task.position.code) && otherwise === null && (
                  <QuietButton onPress={() => setOtherwise(task.position.code)}>
                    Missing or different
                  </QuietButton>
                )}
                <QuietButton onPress={() => setMore(true)}>
                  {body.taught ? 'Something else was removed' : 'Not in the book'}
                </QuietButton>
              </>
            )
          }
          instead={
            !more &&
            measured?.what === 'light' &&
            position?.deciding?.what === 'light' && (
              <PlateLight measured={measured} allowMm={position.deciding.allowMm} />
            )
          }
        >
          {more ? (
            <KindTiles view={part} />
          ) : asksBowl ? (
            <InTheBowl open={open} />
          ) : (
            unlocked && off.size === 0 && <WayIn lines={wayIn(sheets.spec, sheets.build)} />
          )}
        </UnitBoard>
        {!unlocked ? (
          <Locked open={open} />
        ) : more ? (
          <NewPart view={part} />
        ) : position && otherwise === position.code ? (
          <Otherwise open={open} position={position} done={() => setOtherwise(null)} />
        ) : task?.kind === 'exposed' ? (
          <Exposed key={settingKey(task.setting)} open={open} task={task} />
        ) : task ? (
          <PartOff
            key={task.position.code}
            open={open}
            position={task.position}
            number={browse.indexOf(task.position) + 1}
            of={browse.length}
            done={() => setPicked(null)}
            move={move}
            shows={setMeasured}
            next={[task.position, ...order.filter((p) => after.includes(p.code))].slice(0, 3)}
          />
        ) : (
          <AllOff open={open} />
        )}
      </Main>
    </>
  )
}

function AllOff({ open }: SheetedProps) {
  const navigate = useNavigate()
  const go = () => void navigate(open.to('parts'))
  useKeys({ Enter: go })
  return (
    <Ask>
      <h2>Everything is off and judged.</h2>
      <Together open={open} />
      <p style={{ fontSize: 17 }}>
        Use the arrows to go back to a part. A second verdict is kept beside the first.
      </p>
      <AskFoot>
        <MainButton onPress={go} autoFocus>
          Go to Parts <Key>Enter</Key>
        </MainButton>
      </AskFoot>
    </Ask>
  )
}
