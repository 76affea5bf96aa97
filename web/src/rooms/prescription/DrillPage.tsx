import {
  BLOCKER_WORDS,
  courseSeedOf,
  faultName,
  measureName,
  PLACE_WORDS,
  quarrelText,
  ROUTINE_WORDS,
} from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import { REFERENCE_HEIGHT_IN } from '@inchstep/core/intake';
import {
  amountsFor,
  cautionsFor,
  drillsClash,
  quarrelBetween,
  setupFor,
  trainsTurnThrough,
} from '@inchstep/core/prescription';
import { useState } from 'react';
import { Link } from 'react-router';
import { Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { DosePanel } from './DosePanel.tsx';
import { DrillActions } from './DrillActions.tsx';
import { loadsText, needsText } from './drillText.ts';
import { useLibrary } from './library.tsx';
import { libraryFigure } from './queries.ts';
import { SetupCard } from './SetupCard.tsx';
import { habitsText } from './words.habits.ts';
import { DRILL_PAGE_WORDS } from './words.ts';

const HEIGHTS_IN = [60, REFERENCE_HEIGHT_IN, 78] as const;
const STRENGTHS = ['', DRILL_PAGE_WORDS.aLittle, 'well', DRILL_PAGE_WORDS.firstOfAll] as const;

/** All there is to know of one drill, drawn for a body of the reader's choice. */
export function DrillPage({ id }: { readonly id: string }) {
  const [heightIn, setHeightIn] = useState<number>(REFERENCE_HEIGHT_IN);
  const [left, setLeft] = useState(false);
  const { length } = useUnits();
  const library = useLibrary();
  const drill = library.byId(id);
  if (!drill) return null;
  const file = referenceCase({ heightIn, handedness: left ? 'left' : 'right' });
  const fights = library.drills.filter((other) => other.id !== id && drillsClash(drill, other.id, library));
  return (
    <Panel title={library.nameOf(id)} aside={<DrillActions id={id} />}>
      <fieldset className="mb-3 flex flex-wrap gap-2">
        <legend className="sr-only">{DRILL_PAGE_WORDS.drawn}</legend>
        {HEIGHTS_IN.map((h) => (
          <button
            key={h}
            type="button"
            aria-pressed={heightIn === h}
            className={`btn ${heightIn === h ? 'btn-primary' : ''}`}
            onClick={() => setHeightIn(h)}
          >
            {DRILL_PAGE_WORDS.tall(length(h, 0))}
          </button>
        ))}
        <button
          type="button"
          aria-pressed={left}
          className={`btn ${left ? 'btn-primary' : ''}`}
          onClick={() => setLeft(!left)}
        >
          {DRILL_PAGE_WORDS.leftHanded}
        </button>
      </fieldset>
      <SetupCard
        drill={id}
        setup={setupFor(drill, file)}
        cautions={cautionsFor(drill, file)}
        heightIn={heightIn}
        left={left}
        layers={drill.layers}
        guard={drill.guard}
        amounts={amountsFor(drill, file)}
        figureAt={libraryFigure(id, heightIn)}
      />
      <dl className="mt-4 grid gap-x-6 gap-y-2 sm:grid-cols-2">
        <Fact term={DRILL_PAGE_WORDS.mends}>
          {drill.fixes.map((f) => `${faultName(f.fault)} (${STRENGTHS[f.strength]})`).join(', ')}
        </Fact>
        <Fact term={DRILL_PAGE_WORDS.moves}>
          {drill.moves.map(measureName).join(', ') || DRILL_PAGE_WORDS.nothingThatIsMeasured}
        </Fact>
        <Fact term={DRILL_PAGE_WORDS.needs}>{needsText(drill)}</Fact>
        <Fact term={DRILL_PAGE_WORDS.done}>{drill.places.map((p) => PLACE_WORDS[p]).join(', ')}</Fact>
        <Fact term={DRILL_PAGE_WORDS.loads}>{loadsText(drill)}</Fact>
        <Fact term={DRILL_PAGE_WORDS.overdoneMakes}>
          {drill.overdo ? faultName(drill.overdo) : DRILL_PAGE_WORDS.nothingKnown}
        </Fact>
        {trainsTurnThrough(drill) && (
          <Fact term={DRILL_PAGE_WORDS.first}>{Object.values(BLOCKER_WORDS).join(' ')}</Fact>
        )}
        {drill.after && <Fact term={DRILL_PAGE_WORDS.comesAfter}>{library.nameOf(drill.after)}</Fact>}
        <Fact term={DRILL_PAGE_WORDS.ladder}>{habitsText(drill.habits)}</Fact>
        {drill.habits.courseForm && (
          <Fact term={ROUTINE_WORDS.toCourse}>
            {ROUTINE_WORDS.seed(courseSeedOf(drill.id, library.wordsOf(id)?.cue ?? ''))}
          </Fact>
        )}
        {drill.cyclePart && (
          <Fact term={DRILL_PAGE_WORDS.cycle}>{DRILL_PAGE_WORDS.partOfThreeTen(drill.cyclePart)}</Fact>
        )}
        {fights.length > 0 && (
          <Fact term={DRILL_PAGE_WORDS.fights}>
            {fights.map((other, i) => (
              <span key={other.id}>
                {i > 0 && ', '}
                <Link className="underline" to={`/library/${other.id}`}>
                  {library.nameOf(other.id)}
                </Link>
                {quarrelText(quarrelBetween(id, other.id))}
              </span>
            ))}
          </Fact>
        )}
      </dl>
      <DosePanel drill={drill} />
    </Panel>
  );
}

function Fact({ term, children }: { readonly term: string; readonly children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-sm text-base-content/80">{term}</dt>
      <dd>{children}</dd>
    </div>
  );
}
