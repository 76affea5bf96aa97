import { type DrillForm, ownDrillSchema, pathText, toDrill } from '@inchstep/contract/formats';
import { problemText } from '@inchstep/contract/words';
import { checkDrill, isOwnDrillId, USUAL_HABITS } from '@inchstep/core/prescription';
import { type DrillLibrary, drillLibrary } from './drillLibrary.ts';
import { DRILL_FORM_WORDS } from './words.ts';

const BLANK: DrillForm = {
  drill: {
    id: '',
    phase: 'back',
    fixes: [],
    aids: [],
    places: ['home', 'range'],
    ball: 'no',
    loads: {},
    cue: { kind: 'external', side: 'both' },
    overdo: null,
    moves: [],
    schools: [],
    clashes: [],
    needsFaceAndArms: false,
    notWith: [],
    guard: null,
    thoughts: [],
    layers: [],
    setup: [],
    after: null,
    habits: USUAL_HABITS,
  },
  words: { name: '', purpose: '', steps: [], cue: '', counts: '', fake: '', tooMuch: '', layers: [] },
  basedOn: null,
  replaces: false,
  retired: false,
};

/** What the editor starts from: an own drill as it is, a copy of a built-in one, or nothing. */
export function startingForm(id: string, library: DrillLibrary): DrillForm | null {
  if (id === 'new') return BLANK;
  const own = library.own.find((entry) => entry.drill.id === id);
  if (own) return own;
  const drill = library.byId(id);
  const words = library.wordsOf(id);
  if (!drill || !words) return null;
  const { cyclePart: _, ours: __, ...rest } = copied(drill);
  const text = copied(words);
  return {
    ...BLANK,
    drill: { ...(rest as DrillForm['drill']), id: '' },
    words: { ...(text as DrillForm['words']), name: DRILL_FORM_WORDS.myWay(text.name) },
    basedOn: id,
  };
}

/** Drills are JSON by nature; the copy shares nothing with the original. */
const copied = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** "Coin under the knee" to own_coin_under_the_knee, with a figure behind it where that is taken. */
export function idFor(name: string, taken: (id: string) => boolean): string {
  const slug =
    name
      .toLowerCase()
      .normalize('NFD')
      .replace(/[^a-z0-9]+/g, '_')
      .replace(/^_+|_+$/g, '')
      .slice(0, 34) || 'drill';
  const base = `own_${slug}`;
  if (isOwnDrillId(base) && !taken(base)) return base;
  for (let n = 2; ; n += 1) {
    const id = `${base}_${n}`;
    if (!taken(id)) return id;
  }
}

export interface FormProblem {
  readonly path: string;
  readonly text: string;
}

/** Everything that keeps a form out of the library, in the order of the form; empty = fit. */
export function problemsOf(form: DrillForm, library: DrillLibrary): FormProblem[] {
  const read = ownDrillSchema.safeParse(form);
  if (!read.success) {
    return read.error.issues.map(({ path, message }) => ({ path: pathText(path), text: message }));
  }
  const others = drillLibrary(library.own.filter((own) => own.drill.id !== form.drill.id));
  return checkDrill(toDrill(read.data.drill), others).map((p) => ({
    path: `drill.${p.path}`,
    text: problemText(p),
  }));
}
