import { type DrillForm, ownDrillSchema, toDrill } from '@inchstep/contract/formats';
import { referenceCase } from '@inchstep/core/diagnosis';
import { REFERENCE_HEIGHT_IN } from '@inchstep/core/intake';
import { cautionsFor, setupFor } from '@inchstep/core/prescription';
import { useForm, useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { useFormDraft } from '../../platform/drafts.ts';
import { DraftNote, Empty, Failed, Loading, Panel } from '../../platform/parts.tsx';
import { DistancesPart } from './DistancesPart.tsx';
import { MendsPart, WordsPart } from './DrillEditorParts.tsx';
import { FitPart } from './DrillFitPart.tsx';
import { type FormProblem, idFor, problemsOf, startingForm } from './drillForm.ts';
import { drillLibrary } from './drillLibrary.ts';
import { LayersPart } from './LayersPart.tsx';
import { LibraryOf, useLibrary } from './library.tsx';
import { libraryFigure, useKeepDrill, useOwnDrills } from './queries.ts';
import { SetupCard } from './SetupCard.tsx';
import { BLANK_WORDS, DRILL_EDITOR_SCREEN_WORDS, EDITOR_WORDS, FIELD_WORDS } from './words.ts';

/** A drill of the coach's own: written new, copied from a built-in one, or changed. */
export function DrillEditorScreen() {
  const { drillId = 'new' } = useParams();
  const library = useLibrary();
  const own = useOwnDrills();
  if (own.isPending) return <Loading what={DRILL_EDITOR_SCREEN_WORDS.theLibrary} />;
  const start = startingForm(drillId, library);
  if (!start) {
    return (
      <div className="mx-auto max-w-3xl p-4">
        <Empty
          title={DRILL_EDITOR_SCREEN_WORDS.noSuchDrill}
          action={
            <Link className="btn btn-primary" to="/library">
              {DRILL_EDITOR_SCREEN_WORDS.toTheLibrary}
            </Link>
          }
        >
          {DRILL_EDITOR_SCREEN_WORDS.itMayHaveBeen}
        </Empty>
      </div>
    );
  }
  return <Editor key={drillId} start={start} draftKey={drillId} />;
}

function Editor({ start, draftKey }: { readonly start: DrillForm; readonly draftKey: string }) {
  const library = useLibrary();
  const navigate = useNavigate();
  const keep = useKeepDrill();
  const form = useForm<DrillForm>({ defaultValues: start });
  const draft = useFormDraft(form, `drill.${draftKey}`);
  const now = useWatch({ control: form.control }) as DrillForm;
  const isNew = start.drill.id === '';
  const id = isNew ? idFor(now.words.name, (known) => library.byId(known) !== undefined) : start.drill.id;
  const whole: DrillForm = { ...now, drill: { ...now.drill, id } };
  const problems = problemsOf(whole, library);
  const save = () =>
    keep.mutate(whole, {
      onSuccess: () => {
        draft.done();
        toast(isNew ? EDITOR_WORDS.kept : EDITOR_WORDS.changed);
        void navigate(`/library/${id}`);
      },
    });
  return (
    <form
      className="mx-auto grid max-w-[80rem] items-start gap-4 p-4 lg:grid-cols-[1fr_30rem]"
      onSubmit={(event) => {
        event.preventDefault();
        if (problems.length === 0) save();
      }}
      noValidate
    >
      <div className="flex flex-col gap-4">
        <h1 className="text-3xl">{title(start, library.nameOf)}</h1>
        <DraftNote draft={draft} />
        <WordsPart form={form} />
        <MendsPart form={form} />
        <FitPart form={form} />
        <LayersPart form={form} />
        <DistancesPart form={form} />
      </div>
      <div className="flex flex-col gap-4 lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:overflow-y-auto">
        <Verdict problems={problems} />
        {start.basedOn && (
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" className="checkbox" {...form.register('replaces')} />
            {EDITOR_WORDS.replaces(library.nameOf(start.basedOn))}
          </label>
        )}
        {keep.error && <Failed error={keep.error} />}
        <div className="flex gap-2">
          <button type="submit" className="btn btn-primary" disabled={problems.length > 0 || keep.isPending}>
            {EDITOR_WORDS.keep}
          </button>
          <Link className="btn" to={isNew ? `/library/${start.basedOn ?? ''}` : `/library/${id}`}>
            {EDITOR_WORDS.leave}
          </Link>
        </div>
        <Preview form={whole} />
      </div>
    </form>
  );
}

function title(start: DrillForm, nameOf: (id: string) => string): string {
  if (start.drill.id !== '') return start.words.name;
  return start.basedOn ? EDITOR_WORDS.from(nameOf(start.basedOn)) : EDITOR_WORDS.newDrill;
}

function Verdict({ problems }: { readonly problems: readonly FormProblem[] }) {
  if (problems.length === 0) {
    return (
      <p role="status" className="panel p-3 font-semibold">
        {EDITOR_WORDS.fine}
      </p>
    );
  }
  return (
    <div role="status" className="panel border-warning p-3">
      <p className="font-semibold">{EDITOR_WORDS.missing}</p>
      <ul className="mt-1 text-sm">
        {problems.slice(0, 6).map(({ path, text }) => (
          <li key={path + text}>
            <span className="font-semibold">{FIELD_WORDS[path.replace(/\[.*$/, '')] ?? path}:</span> {text}
          </li>
        ))}
        {problems.length > 6 && <li>{EDITOR_WORDS.more(problems.length - 6)}</li>}
      </ul>
    </div>
  );
}

/** The card as the student would see it, drawn anew with every change. */
function Preview({ form }: { readonly form: DrillForm }) {
  const library = useLibrary();
  // What is typed half-way is shown as far as it can be; the verdict below says what is missing.
  const shown = ownDrillSchema.safeParse({
    ...form,
    words: {
      ...form.words,
      name: form.words.name || BLANK_WORDS.name,
      purpose: form.words.purpose || BLANK_WORDS.purpose,
      steps: form.words.steps.length > 0 ? form.words.steps : [BLANK_WORDS.step],
      cue: form.words.cue || BLANK_WORDS.cue,
      counts: form.words.counts || BLANK_WORDS.line,
      fake: form.words.fake || BLANK_WORDS.line,
      tooMuch: form.words.tooMuch || BLANK_WORDS.line,
    },
    drill: {
      ...form.drill,
      fixes: form.drill.fixes.length > 0 ? form.drill.fixes : [{ fault: 'sway', strength: 1 }],
    },
  });
  if (!shown.success) return null;
  const file = referenceCase({ heightIn: REFERENCE_HEIGHT_IN });
  const drill = toDrill(shown.data.drill);
  return (
    <Panel title={EDITOR_WORDS.preview}>
      <LibraryOf own={drillLibrary([...library.own.filter((o) => o.drill.id !== drill.id), shown.data]).own}>
        <SetupCard
          drill={drill.id}
          setup={setupFor(drill, file)}
          cautions={cautionsFor(drill, file)}
          heightIn={REFERENCE_HEIGHT_IN}
          left={false}
          layers={drill.layers}
          guard={drill.guard}
          {...(form.basedOn ? { figureAt: libraryFigure(form.basedOn) } : {})}
        />
      </LibraryOf>
    </Panel>
  );
}
