import { bodyNumbers } from '@ekrond/core/log'
import { bankGrid, type BankRow } from '@ekrond/core/bench/stations'
import { Dialog, Heading, Modal } from 'react-aria-components'
import { Link } from 'react-router'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { figures } from '../theme/global'
import { Button } from '../ui'
import { Overlay } from './Person'

const Grid = styled.table`
  border-collapse: collapse;
  font-size: 16px;
  & th {
    text-align: left;
    font-weight: 600;
    padding: 6px 12px;
    border-bottom: 2px solid var(--ink);
  }
  & td {
    padding: 6px 12px;
    border: 1px solid var(--rule);
    font: 400 16px/1.3 ${figures};
    min-width: 96px;
  }
  & td:first-child {
    font: inherit;
    border-left: 0;
  }
  & td[data-state='nobody'] {
    border: 2px dashed var(--line);
    color: var(--pencil);
  }
  & td[data-state='open'] {
    color: var(--pencil);
  }
  & tr[data-uneven] td[data-state='nobody'] {
    border-color: var(--red);
    color: var(--red);
  }
`

/** A bank body by body and check by check: what was found, what is set, and what nobody looked at. */
export function BankGrid({ open, close }: { open: OpenJob; close: () => void }) {
  const rows = bankGrid(open.state, open.all)
  const bodies = bodyNumbers(open.state)
  const missed = rows.reduce(
    (sum, row) => sum + (row.uneven ? row.cells.filter(({ state }) => state === 'nobody').length : 0),
    0,
  )
  return (
    <Overlay isOpen isDismissable onOpenChange={(now) => !now && close()}>
      <Modal style={{ maxHeight: '94vh', overflow: 'auto', maxWidth: '96vw' }}>
        <Dialog style={{ outline: 'none' }}>
          <Heading slot="title">The bank, check by check</Heading>
          <p style={{ fontSize: 16, margin: '4px 0 10px' }}>
            {missed === 0
              ? 'Every check was made on all carburetors of the bank.'
              : `${missed} ${missed === 1 ? 'check was' : 'checks were'} made on some carburetors and not on others.`}
          </p>
          <Grid>
            <thead>
              <tr>
                <th>Check</th>
                {bodies.map((body) => (
                  <th key={body}>Carburetor {body}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.key} data-uneven={row.uneven || undefined}>
                  <td>{row.name}</td>
                  {row.cells.map((cell, i) => (
                    <td key={bodies[i]} data-state={cell.state}>
                      {cell.state === 'nobody' ? (
                        row.uneven ? (
                          <Link onClick={close} to={placeOf(open, row, bodies[i]!)}>
                            nobody
                          </Link>
                        ) : (
                          'nobody'
                        )
                      ) : (
                        cell.words
                      )}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Grid>
          <Button onPress={close} style={{ marginTop: 12 }}>
            Close
          </Button>
        </Dialog>
      </Modal>
    </Overlay>
  )
}

function placeOf(open: OpenJob, { what, key }: BankRow, body: number): string {
  const address = open.to(what === 'part' ? 'teardown' : 'set', body)
  return what === 'part'
    ? `${address}${address.includes('?') ? '&' : '?'}part=${encodeURIComponent(key)}`
    : address
}
