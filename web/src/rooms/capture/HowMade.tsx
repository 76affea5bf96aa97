import type { Swing } from '@inchstep/contract/capture';
import { CLUB_WORDS, PLACE_WORDS } from '@inchstep/contract/words';
import { AID_STATES, CUE_STATES } from '@inchstep/core/capture';
import { CLUBS, PLACES } from '@inchstep/core/intake';
import type { ReactNode } from 'react';
import { type DrillNames, useDrillNames } from '../../platform/drillNames.tsx';
import { AID_STATE_WORDS, CUE_STATE_WORDS, HOW_MADE_WORDS, SPEED_WORDS } from './words.ts';

export type Made = Pick<Swing, 'club' | 'speed' | 'drill' | 'aid' | 'place' | 'cue'>;

export const madeOf = ({ club, speed, drill, aid, place, cue }: Made): Made => ({
  club,
  speed,
  drill,
  aid,
  place,
  cue,
});

interface HowMadeProps {
  readonly made: Made;
  readonly onChange: (made: Made) => void;
}

/** How a swing was made: gates, grid and retention sort it by this. What nobody knows is left open. */
export function HowMade({ made, onChange }: HowMadeProps) {
  const names = useDrillNames();
  const change = (part: Partial<Made>) => onChange({ ...made, ...part });
  return (
    <fieldset className="flex flex-wrap gap-2" data-testid="how-made">
      <legend className="sr-only">{HOW_MADE_WORDS.legend}</legend>
      <Pick
        label={HOW_MADE_WORDS.club}
        value={made.club}
        onPick={(club) => change({ club: club as Made['club'] })}
      >
        {CLUBS.map((club) => (
          <option key={club} value={club}>
            {CLUB_WORDS[club]}
          </option>
        ))}
      </Pick>
      <Pick
        label={HOW_MADE_WORDS.speed}
        value={made.speed}
        onPick={(speed) => change({ speed: speed as Made['speed'] })}
      >
        {Object.entries(SPEED_WORDS).map(([speed, word]) => (
          <option key={speed} value={speed}>
            {word}
          </option>
        ))}
      </Pick>
      <Pick
        label={HOW_MADE_WORDS.drill}
        wide
        value={made.drill ?? ''}
        onPick={(drill) => change({ drill: drill === '' ? null : drill })}
      >
        <option value="">{HOW_MADE_WORDS.noDrill}</option>
        {drillsFor(made.drill, names).map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Pick>
      <Open
        label={HOW_MADE_WORDS.aid}
        value={made.aid}
        all={AID_STATES}
        words={AID_STATE_WORDS}
        onPick={(aid) => change({ aid })}
      />
      <Open
        label={HOW_MADE_WORDS.place}
        value={made.place}
        all={PLACES}
        words={PLACE_WORDS}
        onPick={(place) => change({ place })}
      />
      <Open
        label={HOW_MADE_WORDS.cue}
        value={made.cue}
        all={CUE_STATES}
        words={CUE_STATE_WORDS}
        onPick={(cue) => change({ cue })}
      />
    </fieldset>
  );
}

/** Those that can be picked; one that has been put aside since stays where it was picked. */
const drillsFor = (drill: string | null, { all, nameOf }: DrillNames): DrillNames['all'] =>
  drill === null || all.some(({ id }) => id === drill) ? all : [{ id: drill, name: nameOf(drill) }, ...all];

/** The same in one line, beside the work; a press opens it. */
export function HowMadeLine({ made, onChange }: HowMadeProps) {
  const { nameOf } = useDrillNames();
  const said = [
    CLUB_WORDS[made.club],
    SPEED_WORDS[made.speed],
    made.drill && nameOf(made.drill),
    made.aid && AID_STATE_WORDS[made.aid],
    made.place && PLACE_WORDS[made.place],
    made.cue && (made.cue === 'before' ? HOW_MADE_WORDS.beforeCue : CUE_STATE_WORDS[made.cue]),
  ];
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 text-sm">
        <span className="font-semibold">{HOW_MADE_WORDS.legend}:</span>{' '}
        {said.filter(Boolean).join(', ').toLowerCase()}
      </summary>
      <HowMade made={made} onChange={onChange} />
    </details>
  );
}

interface PickProps {
  readonly label: string;
  readonly value: string;
  readonly onPick: (value: string) => void;
  /** Names of drills are longer than other words. */
  readonly wide?: boolean;
  readonly children: ReactNode;
}

const Pick = ({ label, value, onPick, wide = false, children }: PickProps) => (
  <label className="flex flex-col text-sm">
    {label}
    <select
      className={`select ${wide ? 'w-60' : 'w-36'}`}
      value={value}
      onChange={(e) => onPick(e.target.value)}
    >
      {children}
    </select>
  </label>
);

interface OpenProps<T extends string> {
  readonly label: string;
  readonly value: T | null;
  readonly all: readonly T[];
  readonly words: Readonly<Record<T, string>>;
  readonly onPick: (value: T | null) => void;
}

const Open = <T extends string>({ label, value, all, words, onPick }: OpenProps<T>) => (
  <Pick label={label} value={value ?? ''} onPick={(picked) => onPick(picked === '' ? null : (picked as T))}>
    <option value="">{HOW_MADE_WORDS.notSaid}</option>
    {all.map((one) => (
      <option key={one} value={one}>
        {words[one]}
      </option>
    ))}
  </Pick>
);
