import { complaintWords, showNumber, warrantyOf } from '@ekrond/core/log'
import { returnSheets } from '@ekrond/core/bench/return-sheet'
import { Link } from 'react-router'
import { useShop } from '../../data/shop'
import { Fraction, Label } from '../../ui'
import { useEarlierJob } from './earlier'

/** The job that it comes back from: what it was complained of then, what was set, what was left. */
export function Comeback({ number }: { number: number }) {
  const { state, sheets, error } = useEarlierJob(number)
  const shop = useShop().data
  if (error)
    return <p style={{ color: 'var(--red)' }}>{error.message} Check the number of the earlier job.</p>
  if (!state || !sheets) return <p>Loading job {number} …</p>
  const pages = returnSheets(state, sheets, number)
  const warranty = shop
    ? warrantyOf(state.returned?.at.slice(0, 10) ?? null, shop.today, shop.warrantyDays)
    : null
  return (
    <section aria-label={`Earlier job ${number}`}>
      <Label>
        Comeback of <Link to={`/jobs/${number}`}>{showNumber(number)}</Link>
        {state.returned ? `, returned ${state.returned.at.slice(0, 10)}` : ', not returned yet'}
      </Label>
      <p style={{ fontWeight: 600 }}>
        “{state.opened && complaintWords(state.opened.complaint)}”
        {state.answer ? `, ${state.answer.explained ? 'explained' : 'not explained'}` : ''}
      </p>
      {warranty && <p style={{ fontWeight: warranty.within ? 600 : 400 }}>{warranty.words}</p>}
      {pages[0]?.standing && (
        <p style={{ fontSize: 15 }}>
          <b>{pages[0].standing.word}.</b> {pages[0].standing.rests}
        </p>
      )}
      {pages.map((page) => (
        <div key={page.body?.number ?? 1} style={{ fontSize: 15, lineHeight: 1.4 }}>
          {page.body && <b>Carburetor {page.body.number}: </b>}
          <span>
            set:{' '}
            {page.rows
              .filter((row) => row.asLeft !== '·' && row.asLeft !== 'as found')
              .map((row, i) => (
                <span key={row.name}>
                  {i > 0 && ', '}
                  {row.name.toLowerCase()} <Fraction text={row.asLeft} />
                </span>
              ))}
            .
          </span>
          {page.foundAndDone
            .filter((line) => !line.startsWith('Renewed as always'))
            .slice(0, 3)
            .map((line) => (
              <p key={line}>{line}</p>
            ))}
          {page.left.map((item) => (
            <p key={item.what}>
              <b>Left:</b> {item.what}: {item.why}
            </p>
          ))}
        </div>
      ))}
    </section>
  )
}
