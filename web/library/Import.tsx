import { TABLES, type ImportAnswer } from '@ekrond/contract/library'
import { useRef, useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useSend } from '../data/useSend'
import { Page } from '../shell/Page'
import { figures } from '../theme/global'
import { ErrorLine, Fraction, Label, MainButton, QuietButton } from '../ui'

const Columns = styled.div`
  display: grid;
  grid-template-columns: 420px minmax(0, 1fr);
  min-height: 100%;
  & > section {
    padding: 22px 26px;
  }
  & > section + section {
    border-left: 1px solid var(--ink);
  }
  & h2 {
    font-size: 22px;
    margin-bottom: 8px;
  }
  & table {
    border-collapse: collapse;
    width: 100%;
  }
  & td,
  & th {
    border-bottom: 1px solid var(--rule);
    padding: 7px 14px 7px 0;
    text-align: left;
    vertical-align: top;
    font-weight: 400;
  }
  & td.figure {
    font: 500 16px/1.4 ${figures};
    letter-spacing: -0.03em;
  }
  & input[type='file'] {
    font-size: 16px;
    min-height: 44px;
    width: 100%;
  }
  & input[type='file']::file-selector-button {
    min-height: 48px;
    margin-right: 12px;
    padding: 6px 16px;
    border: 2px solid var(--ink);
    border-radius: 2px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    cursor: pointer;
  }
  @media (max-width: 999px) {
    grid-template-columns: minmax(0, 1fr);
  }
`

/** What a catalogue's folder is made of; anything else that lies in it stays at home. */
const WANTED = /(^|\/)(catalogue\.json|models\/[^/]+\.json|[^/]+\.csv)$/

/** A catalogue's folder, looked at before it is taken in: all of it or nothing. */
export default function Import() {
  const [files, setFiles] = useState<Record<string, string>>({})
  const [answer, setAnswer] = useState<ImportAnswer | null>(null)
  const [taking, setTaking] = useState(false)
  /** of how many files how many were read; nothing while none are */
  const [reading, setReading] = useState<readonly [read: number, of: number] | null>(null)
  /** whether anybody still waits for what the server says of the folder */
  const [wants, setWants] = useState(true)
  /** which folder is looked at: what an older one still brings is left alone */
  const turn = useRef(0)
  const sending = useSend<ImportAnswer>({
    path: '/api/import',
    // All of what is shown may be another after a catalogue was taken in.
    stale: taking ? [[]] : [],
    done: (its) => {
      if (wants) setAnswer(its)
    },
  })
  const { wrong, setWrong } = sending
  const send = (sent: Record<string, string>, take: boolean) => {
    setTaking(take)
    sending.send({ files: sent, take })
  }
  const choose = async (list: FileList | null) => {
    setAnswer(null)
    const wanted = [...(list ?? [])].filter((file) => WANTED.test(pathOf(file)))
    if (wanted.length === 0)
      return setWrong(
        'There is no catalog in that folder. It needs a catalogue.json, a models folder and CSV tables.',
      )
    const mine = ++turn.current
    const read: Record<string, string> = {}
    for (const [i, file] of wanted.entries()) {
      setReading([i, wanted.length])
      read[pathOf(file)] = await file.text()
      if (turn.current !== mine) return
    }
    setReading(null)
    setFiles(read)
    setWants(true)
    send(read, false)
  }
  const leave = () => {
    turn.current++
    setReading(null)
    setWants(false)
  }
  const preview = answer?.preview
  return (
    <Page title="library" head={<Link to="/library">all list numbers</Link>}>
      <Columns>
        <section>
          <h2>Import a folder</h2>
          <p style={{ marginBottom: 14 }}>
            A catalog: models, list numbers, parts, kits, prices. It is checked first. Nothing is imported
            until you confirm, and then all of it or nothing.
          </p>
          <label>
            <Label>The folder</Label>
            <input
              type="file"
              multiple
              // The check of a folder that was left still runs at the server.
              disabled={sending.busy}
              // Not in React's own list of attributes.
              {...{ webkitdirectory: '' }}
              onChange={(event) => void choose(event.target.files)}
            />
          </label>
          {(reading ?? (sending.busy && wants)) && (
            <Progress
              words={reading ? 'Reading the folder' : taking ? 'Importing' : 'Checking against the library'}
              {...(reading ? { far: reading } : {})}
              {...(taking ? {} : { leave })}
            />
          )}
          {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
          {answer?.errors.length === 0 && !answer.taken && (
            <MainButton style={{ marginTop: 16, width: '100%' }} onPress={() => send(files, true)}>
              Import
            </MainButton>
          )}
          {answer?.taken && (
            <p style={{ marginTop: 16, fontSize: 18, fontWeight: 600 }} role="status">
              Imported. <Link to="/library">To the library</Link>
            </p>
          )}
        </section>
        <section>
          {!answer && <WhatGoesIn />}
          {answer && answer.errors.length > 0 && <Faults errors={answer.errors} />}
          {preview && <Changes preview={preview} taken={answer.taken} />}
        </section>
      </Columns>
    </Page>
  )
}

/** How far a long task is, in files where they can be counted; a check may be left, an import is done whole or not at all. */
function Progress({
  words,
  far,
  leave,
}: {
  words: string
  far?: readonly [done: number, of: number]
  leave?: () => void
}) {
  return (
    <div style={{ marginTop: 14, display: 'grid', gap: 6 }}>
      <p role="status">{far ? `${words}: file ${far[0] + 1} of ${far[1]} …` : `${words} …`}</p>
      <progress
        aria-label={words}
        style={{ width: '100%' }}
        {...(far ? { value: far[0], max: far[1] } : {})}
      />
      {leave ? (
        <QuietButton style={{ justifySelf: 'start' }} onPress={leave}>
          Cancel
        </QuietButton>
      ) : (
        <p>You may leave this page: it is imported whole or not at all.</p>
      )}
    </div>
  )
}

const FILES: [string, string][] = [
  ['catalogue.json', 'the shop, its zone and days, its makers'],
  ['models/*.json', 'a model and its list numbers: spec sheet, build sheet, geometry'],
  ...Object.entries(TABLES).map(([file, columns]): [string, string] => [
    file,
    Object.keys(columns).join(', '),
  ]),
]

/** Before anything is chosen: what such a folder is made of, by the very columns that it is read by. */
function WhatGoesIn() {
  return (
    <>
      <h2>What such a folder holds</h2>
      <table>
        <tbody>
          {FILES.map(([file, what]) => (
            <tr key={file}>
              <td className="figure">{file}</td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p style={{ color: 'var(--pencil)', marginTop: 12 }}>
        You see here what would change before anything does, and each error by file, row and column.
      </p>
    </>
  )
}

const pathOf = (file: File) => file.webkitRelativePath || file.name

function Faults({ errors }: { errors: ImportAnswer['errors'] }) {
  return (
    <>
      <h2>
        {errors.length} {errors.length === 1 ? 'error' : 'errors'}: nothing was imported.
      </h2>
      <table>
        <thead>
          <tr>
            {['File', 'Row', 'Column', 'What is wrong'].map((title) => (
              <th key={title} scope="col">
                <Label>{title}</Label>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {errors.slice(0, 60).map((error, i) => (
            <tr key={i}>
              <td className="figure">{error.file}</td>
              <td className="figure">{error.row ?? ''}</td>
              <td className="figure">{error.column ?? ''}</td>
              <td style={{ color: 'var(--red)' }}>{error.sentence}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

function Changes({ preview, taken }: { preview: NonNullable<ImportAnswer['preview']>; taken: boolean }) {
  const { newListNumbers, changed } = preview
  const nothing = newListNumbers.length + changed.length === 0
  return (
    <>
      <h2>
        {taken
          ? 'Import finished.'
          : nothing
            ? 'No sheet would change.'
            : `${newListNumbers.length} list numbers are new, ${changed.length} sheets get a new revision.`}
      </h2>
      <p>
        {preview.listNumbers} list numbers, {preview.parts} parts, {preview.kits} kits in the folder.
      </p>
      {newListNumbers.length > 0 && (
        <p className="figures" style={{ marginTop: 10 }}>
          new: {newListNumbers.slice(0, 40).join(', ')}
          {newListNumbers.length > 40 ? ` and ${newListNumbers.length - 40} more` : ''}
        </p>
      )}
      <table style={{ marginTop: 10 }}>
        <tbody>
          {changed.slice(0, 60).flatMap(({ listNumber, kind, differences }) =>
            (differences.length ? differences : [{ name: 'words only', a: '', b: '' }]).map((row, i) => (
              <tr key={`${listNumber} ${kind} ${row.name}`}>
                <td className="figure">{i === 0 ? listNumber : ''}</td>
                <td>{row.name}</td>
                <td className="figure">
                  <Fraction text={row.a} />
                </td>
                <td className="figure">
                  <Fraction text={row.b} />
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </>
  )
}
