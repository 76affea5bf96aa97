import type { ShotSetLine, Swing } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { CLUB_WORDS, findingName, SHOT_WORDS, SIGN_WORDS } from '@inchstep/contract/words';
import { describeShots, FEWEST_SHOTS, SHOT_FIELDS, type Shot, shotSigns } from '@inchstep/core/capture';
import { Z95 } from '@inchstep/core/foundation';
import { Download } from 'lucide-react';
import { toast } from 'sonner';
import { dayText, Panel, Shown } from '../../platform/parts.tsx';
import { useChangeShots, useShotSet } from './deviceQueries.ts';
import { SHOTS_PANEL_WORDS } from './words.ts';

/** What the ball did, set by set: means with their uncertainty, and which signs that shows or rules out. */
export function ShotsPanel({
  studentId,
  sets,
  swings,
  today,
}: {
  readonly studentId: string;
  readonly sets: readonly ShotSetLine[];
  readonly swings: readonly Swing[];
  readonly today: string;
}) {
  return (
    <Panel title={SHOTS_PANEL_WORDS.shots}>
      <ul className="flex flex-col divide-y-[1.5px] divide-base-300">
        {sets.map((set) => (
          <li key={set.id} className="py-3 first:pt-0">
            <ShotSetPart studentId={studentId} set={set} swings={swings} today={today} />
          </li>
        ))}
      </ul>
    </Panel>
  );
}

function ShotSetPart({
  studentId,
  set,
  swings,
  today,
}: {
  readonly studentId: string;
  readonly set: ShotSetLine;
  readonly swings: readonly Swing[];
  readonly today: string;
}) {
  const change = useChangeShots(studentId);
  const putAway = () =>
    change.mutate(
      { id: set.id, change: 'discard' },
      {
        onSuccess: () =>
          toast(SHOTS_PANEL_WORDS.shotsPutAway, {
            action: {
              label: SHOTS_PANEL_WORDS.undo,
              onClick: () => change.mutate({ id: set.id, change: 'restore' }),
            },
          }),
      },
    );
  const rows = useShotSet(set.id);
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <span className="font-semibold">{dayText(set.recordedOn, today)}</span>
        <span>{SHOTS_PANEL_WORDS.shotsFrom(set.count, set.fileName)}</span>
        <label className="ml-auto flex items-center gap-2">
          {SHOTS_PANEL_WORDS.hit}
          <select
            className="select w-52"
            value={set.swingId ?? ''}
            onChange={(e) => change.mutate({ id: set.id, change: { swingId: e.target.value || null } })}
          >
            <option value="">{SHOTS_PANEL_WORDS.noMeasuredSwing}</option>
            {swings.map((s) => (
              <option key={s.id} value={s.id}>
                {dayText(s.recordedOn, today)}, {CLUB_WORDS[s.club]}
              </option>
            ))}
          </select>
        </label>
        <a className="btn" href={urlOf(wire.capture.shotsCsv, { id: set.id })} download>
          <Download aria-hidden size={18} /> {SHOTS_PANEL_WORDS.csv}
        </a>
        <button type="button" className="btn btn-ghost" onClick={putAway}>
          {SHOTS_PANEL_WORDS.putAway}
        </button>
      </div>
      <Shown query={rows} what={SHOTS_PANEL_WORDS.theShots}>
        {({ shots }) => <WhatTheBallDid shots={shots} />}
      </Shown>
    </div>
  );
}

function WhatTheBallDid({ shots }: { readonly shots: readonly Shot[] }) {
  const signs = shotSigns(shots);
  return (
    <>
      <dl className="grid grid-cols-2 gap-x-6 gap-y-1 sm:grid-cols-3">
        {SHOT_FIELDS.flatMap(({ id }) => {
          const values = shots.flatMap((shot) => shot[id] ?? []);
          return values.length === 0 ? [] : [<Mean key={id} id={id} values={values} />];
        })}
      </dl>
      {signs.length > 0 ? (
        <ul className="text-sm">
          {signs.map(({ finding, seen }) => (
            <li key={finding}>
              {findingName(finding)}: <span className="font-semibold">{SIGN_WORDS[seen]}</span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-sm">{SHOTS_PANEL_WORDS.signsOfAHabit(FEWEST_SHOTS)}</p>
      )}
    </>
  );
}

function Mean({ id, values }: { readonly id: keyof typeof SHOT_WORDS; readonly values: readonly number[] }) {
  const words = SHOT_WORDS[id];
  const { mean, standardError } = describeShots(values);
  const digits = Math.abs(mean) >= 20 ? 0 : 1;
  const side = words.plus && words.minus ? ` ${mean >= 0 ? words.plus : words.minus}` : '';
  return (
    <div className="flex flex-col">
      <dt className="text-sm">{words.name}</dt>
      <dd className="font-semibold">
        {(words.plus ? Math.abs(mean) : mean).toFixed(digits)} {words.unit}
        {side}
        {Number.isFinite(standardError) && (
          <span className="font-normal"> ± {(Z95 * standardError).toFixed(digits)}</span>
        )}
      </dd>
    </div>
  );
}
