import type { Borrowed } from '../../../sheets/index.ts'
import type { FamilyName } from '../names.ts'
import diaphragm from './diaphragm.json' with { type: 'json' }
import downdraft from './downdraft.json' with { type: 'json' }
import fourBarrel from './four-barrel-downdraft.json' with { type: 'json' }
import slide from './slide.json' with { type: 'json' }
import smallOneBarrel from './small-one-barrel.json' with { type: 'json' }
import twinUpdraft from './twin-updraft.json' with { type: 'json' }
import updraft from './updraft.json' with { type: 'json' }

/** The usual positions, settings and geometry of a family. */
interface Template extends Borrowed {
  family: FamilyName
}

/** JSON is read as wide types; `templates.test.ts` puts each through the sheets' schema. */
const read = (file: unknown) => file as Template

export const templates: Readonly<Record<FamilyName, Template>> = {
  slide: read(slide),
  diaphragm: read(diaphragm),
  'small one-barrel': read(smallOneBarrel),
  updraft: read(updraft),
  'twin updraft': read(twinUpdraft),
  downdraft: read(downdraft),
  'four-barrel downdraft': read(fourBarrel),
}
