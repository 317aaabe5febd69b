import { lower } from '../base/words/index.ts'
/** Why an entry is not admitted: a code that programs tell apart, a sentence that people act on, the field where there is one. */
export interface NotAdmitted {
  code: string
  sentence: string
  field?: string
}

type Said = readonly [sentence: string, field?: string]

/** Every reason for which an entry is turned down, with its sentence. */
const REFUSALS = {
  kind: (kind: string): Said => [
    `This program does not know entries of the kind “${kind}”. Reload the page.`,
    'kind',
  ],
  newer: (): Said => ['This entry comes from a newer version. Reload the page.', 'v'],
  data: (sentence: string, field?: string): Said => [sentence, field],
  'not open': (): Said => ['There is no such job yet: its first entry opens it.'],
  'as of': (): Said => ['This is how it stood then. Go back to now to enter something.'],
  closed: (why: string): Said => [`The job is closed (${why}). Reopen it first.`],
  'went back': (): Said => ['It was released. Notes and corrections can be added; reopen the job for more.'],
  'return stands': (): Said => ['A return cannot be undone: the sheet went out with it. Reopen the job.'],
  body: (body: number, most: number): Said => [
    most === 1 ? 'This job has one body.' : `This job has ${most} bodies; there is no carburetor ${body}.`,
    'body',
  ],
  'no target': (): Said => ['What this corrects is not in the job’s log.', 'corrects'],
  'other thing': (): Said => ['A correction must be of the same thing as what it corrects.', 'corrects'],
  superseded: (sentence: string): Said => [sentence, 'corrects'],
  'later ones': (which: string, why: string): Said => [
    `${which} rests on it: ${why} Take that back first.`,
    'corrects',
  ],
  'hangs on': (): Said => ['It belongs to an entry that was not taken. Put that right first.', 'after'],
  together: (why: string): Said => [`It was entered together with one that was not taken: ${why}`, 'after'],
  corrects: (): Said => ['An undo must name what it undoes.', 'corrects'],
  broke: (name: string): Said => [`${name} broke here: another one goes on.`, 'from'],
  end: (why: string): Said => [`Say why it is ${why}, in a few words: it stands on its paper.`, 'words'],
  'made here': (name: string): Said => [
    `${name} needs no adapter: it is made here, or the return lets it pass with a reason.`,
    'proof',
  ],
  narrowed: (): Said => [
    'It is open already: ask the customer before less is done, and note who said yes.',
    'agreed',
  ],
  'why after': (): Said => [
    'It went back with its sheet: say why this is taken back. The next revision says so.',
    'why',
  ],
  unseen: (field: string): Said => [`Type the ${field} in letters that can be read.`, field],
  aircraft: (): Said => [
    'Carburetors of aircraft are not serviced here: they belong to a certificated repair station. Nothing was opened.',
    'aircraft',
  ],
  promise: (day: string): Said => [
    `${day} was over when it was taken in. Promise that day or a later one.`,
    'promise',
  ],
  opened: (): Said => ['This job is open already.'],
  open: (): Said => ['The job is open already.'],
  apart: (body: string, bodies: number): Said => [
    `Teardown of carburetor ${body} has begun: this stays a job of ${bodies}. Open a second job for the others.`,
    'bodies',
  ],
  'has entries': (body: number): Said => [
    `Carburetor ${body} has entries of its own. Take those back first, then it can go.`,
    'bodies',
  ],
  estimate: (): Said => ['There is no estimate to agree to. Make one first.'],
  mark: (why: string): Said => [why, 'text'],
  revision: (sentence: string): Said => [sentence, 'specRev'],
  'not taught': (): Said => [
    'This unit stands on its library’s sheets. What is wrong there is corrected in the library.',
  ],
  'was there': (name: string): Said => [
    `${name} came off already, so it was there. Take that back first.`,
    'position',
  ],
  'no such evidence': (): Said => ['That is not among what was seen. Read or measure it first.', 'what'],
  'no such source': (): Said => ['That value is not in the log any more. Choose one that stands.', 'source'],
  'no reading before': (): Said => [
    'Read the float’s height first: a bend tells something between two readings.',
  ],
  published: (listNumber: string): Said => [
    `It is in the library as ${listNumber} already. What is wrong there makes its next revision.`,
    'listNumber',
  ],
  'identify first': (): Said => [
    'Nothing can be set before it is identified: the values come from its sheet.',
  ],
  derived: (raw: string, value: number): Said => [
    `“${raw.slice(0, 40)}” does not read as ${value}. Type it again.`,
    'value',
  ],
  setting: (listNumber: string, setting: string): Said => [
    `${listNumber} has no setting ${setting}.`,
    'code',
  ],
  position: (listNumber: string, code: string): Said => [`${listNumber} has no part ${code}.`, 'position'],
  'blow twice': (): Said => ['A port stands twice in this blow. Tap it once.', 'in'],
  'blow unseen': (): Said => ['Say where air came out, or where it did not.', 'open'],
  stays: (name: string): Said => [`${name} stays in. Taking it out risks damage.`, 'position'],
  'still on': (name: string): Said => [`${name} is still on. Take it off, then judge it.`, 'position'],
  'off twice': (name: string, by: string, tray: string): Said => [
    `${name} is off already: ${by} took it off into tray ${tray}.`,
    'position',
  ],
  'not off': (name: string): Said => [`${name} never came off.`, 'position'],
  'on twice': (name: string, by: string): Said => [`${name} is on already: ${by} put it on.`, 'position'],
  'no proof': (listNumber: string, name: string): Said => [
    `${listNumber} has nothing to prove there: ${name}. Reload the page.`,
    'proof',
  ],
  'not on': (name: string): Said => [`${name} is not on yet.`, 'position'],
  'name taken': (name: string): Said => [
    `${name} stands on the sheet already. Give this one a name of its own, or say what is otherwise with that one.`,
    'name',
  ],
  'cannot lack': (name: string): Said => [
    `No unit runs without its ${lower(name)}. If it is lost, give it the verdict Replace: then a new one is ordered.`,
    'absent',
  ],
  'not amended': (): Said => ['Nothing of this unit differs from its book there.', 'of'],
  'no book': (): Said => [
    'This unit has no page of its own in the library: it stays this unit’s alone.',
    'how',
  ],
  'no bore': (name: string): Said => [
    `${name} has no bore on its sheet: no other size of it can be chosen.`,
    'of',
  ],
  port: (listNumber: string, code: string): Said => [`${listNumber} has no port ${code}.`, 'port'],
  'never capped': (name: string): Said => [
    `${name} is never capped: it has to breathe or drain. Leave it open.`,
    'state',
  ],
  'joined to what': (name: string): Said => [`Enter what ${name} is connected to.`, 'to'],
  'in the bath': (name: string): Said => [`${name} is in the bath already.`, 'positions'],
  'not in the bath': (name: string): Said => [`${name} is in no bath.`, 'positions'],
  'no bath': (name: string, why: string): Said => [`${name} stays out of the bath: ${why}.`, 'positions'],
  'too hot': (name: string, celsius: number, most: number): Said => [
    `${celsius} °C is too hot for ${name}: ${most} at most.`,
    'celsius',
  ],
  'no such look': (listNumber: string): Said => [
    `${listNumber} has no such thing to look at from outside. Take the sheet again and look.`,
    'look',
  ],
  'not sealed': (name: string): Said => [`${name} has no seal on its sheet.`, 'code'],
  'no photograph': (): Said => ['That photograph is not on this job.', 'photo'],
  'no such fastener': (name: string, count: number): Said => [
    `${name}: there ${count === 1 ? 'is one' : `are ${count}`}.`,
    'at',
  ],
  'not all started': (name: string, left: number): Said => [
    `${name}: ${left} ${left === 1 ? 'is' : 'are'} not started yet. Start all of them by hand before any is tight.`,
    'to',
  ],
  'not final': (name: string): Said => [
    `${name}: what is not final yet cannot be checked again. Tighten it first.`,
    'to',
  ],
  'why slack': (name: string): Said => [`Say why ${name} is left slack: it is printed on the card.`, 'why'],
  condemned: (name: string): Said => [`${name} is condemned. Fit another, or judge it again.`, 'from'],
  'not here': (name: string, from: string): Said => [
    `No new ${lower(name)} has come ${from === 'kit' ? 'with a kit' : from === 'shelf' ? 'from the shelf' : 'as a loose part'} for this job. Order it, take it in, or put the old one on.`,
    'from',
  ],
  order: (): Said => ['This job has no such order.', 'order'],
  arrived: (): Said => ['This order has arrived already.', 'order'],
  'second missing': (): Said => ['Two people let it pass: choose the second name.', 'second'],
  'own work': (name: string): Said => [
    `${name} did this work: somebody else says that it may stay so.`,
    'second',
  ],
  'two looks': (): Said => [
    'Two people look before it is condemned: choose who looked a second time.',
    'second',
  ],
  ended: (body: number, why: string): Said => [
    `Carburetor ${body} has ended (${why}). Reopen the job first.`,
  ],
  second: (): Said => ['The second name must be somebody else’s: two people let it pass.', 'second'],
  returned: (): Said => ['It went back already.'],
  gate: (points: string): Said => [`It cannot go back yet: ${points}.`],
} as const

export type RefusalCode = keyof typeof REFUSALS

/** Turns an entry down for one of the reasons, in its words. */
export function notAdmitted<C extends RefusalCode>(
  code: C,
  ...given: Parameters<(typeof REFUSALS)[C]>
): NotAdmitted {
  const say = REFUSALS[code] as (...given: unknown[]) => Said
  const [sentence, field] = say(...given)
  return field ? { code, sentence, field } : { code, sentence }
}
