import { BLOCKER_WORDS, faultName, measureName, PLACE_WORDS } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import { REFERENCE_HEIGHT_IN } from '@inchstep/core/intake';
import { cautionsFor, drillsClash, setupFor } from '@inchstep/core/prescription';
import { useState } from 'react';
import { Link } from 'react-router';
import { Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { DosePanel } from './DosePanel.tsx';
import { DrillActions } from './DrillActions.tsx';
import { loadsText, needsText } from './drillText.ts';
import { useLibrary } from './library.tsx';
import { SetupCard } from './SetupCard.tsx';

const HEIGHTS_IN = [60, REFERENCE_HEIGHT_IN, 78] as const;
const STRENGTHS = ['', 'a little', 'well', 'first of all'] as const;

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
        <legend className="sr-only">Drawn for</legend>
        {HEIGHTS_IN.map((h) => (
          <button
            key={h}
            type="button"
            aria-pressed={heightIn === h}
            className={`btn ${heightIn === h ? 'btn-primary' : ''}`}
            onClick={() => setHeightIn(h)}
          >
            {length(h, 0)} tall
          </button>
        ))}
        <button
          type="button"
          aria-pressed={left}
          className={`btn ${left ? 'btn-primary' : ''}`}
          onClick={() => setLeft(!left)}
        >
          Left-handed
        </button>
      </fieldset>
      <SetupCard
        drill={id}
        setup={setupFor(drill, file)}
        cautions={cautionsFor(drill, file)}
        heightIn={heightIn}
        left={left}
      />
      <dl className="mt-4 grid gap-x-6 gap-y-2 sm:grid-cols-2">
        <Fact term="Mends">
          {drill.fixes.map((f) => `${faultName(f.fault)} (${STRENGTHS[f.strength]})`).join(', ')}
        </Fact>
        <Fact term="Moves">{drill.moves.map(measureName).join(', ') || 'nothing that is measured'}</Fact>
        <Fact term="Needs">{needsText(drill)}</Fact>
        <Fact term="Done at">{drill.places.map((p) => PLACE_WORDS[p]).join(', ')}</Fact>
        <Fact term="Loads">{loadsText(drill)}</Fact>
        <Fact term="Overdone, makes">{drill.overdo ? faultName(drill.overdo) : 'nothing known'}</Fact>
        {drill.needsFaceAndArms && <Fact term="First">{Object.values(BLOCKER_WORDS).join(' ')}</Fact>}
        {drill.after && <Fact term="Comes after">{library.nameOf(drill.after)}</Fact>}
        {drill.cyclePart && <Fact term="Cycle">Part {drill.cyclePart} of three, ten balls each.</Fact>}
        {fights.length > 0 && (
          <Fact term="Fights">
            {fights.map((other, i) => (
              <span key={other.id}>
                {i > 0 && ', '}
                <Link className="underline" to={`/library/${other.id}`}>
                  {library.nameOf(other.id)}
                </Link>
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
