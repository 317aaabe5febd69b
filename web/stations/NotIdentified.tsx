import { useNavigate } from 'react-router'
import type { OpenJob } from '../data/job'
import { Main, Board, BoardTitle, Ask } from '../shell/frame'
import { MainButton, Key } from '../ui'

/** What a station says that works to a sheet where there is none yet, with the first step. */
export function NotIdentified({ open, what }: { open: OpenJob; what: string }) {
  const navigate = useNavigate()
  const loading = open.here.ident !== null
  return (
    <Main>
      <Board>
        <BoardTitle>
          <div>
            <h1>{loading ? 'Loading its sheets …' : `Nothing to ${what} yet`}</h1>
            <p>
              {loading
                ? 'they come from the library'
                : 'parts, values and drawings come from its list number’s sheets'}
            </p>
          </div>
        </BoardTitle>
      </Board>
      <Ask>
        {!loading && (
          <>
            <h2>Identify it first.</h2>
            <p>Read the marks on the castings, measure a bore, and choose its list number.</p>
            <MainButton autoFocus onPress={() => void navigate(open.to('identify'))}>
              Go to Identify <Key>Enter</Key>
            </MainButton>
          </>
        )}
      </Ask>
    </Main>
  )
}
