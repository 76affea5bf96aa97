import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { ViewKind } from '@inchstep/core/intake';
import { useEffect, useState } from 'react';
import { holdForBench } from '../capture/index.ts';
import { BenchMarks } from './BenchMarks.tsx';
import { BenchViews } from './BenchViews.tsx';
import { Diagnose } from './Diagnose.tsx';
import { Layers, useThen } from './Layers.tsx';
import { ReadOut } from './ReadOut.tsx';
import { useAutosave } from './useAutosave.ts';
import { useBench } from './useBench.ts';
import { WhatTeachingDid } from './WhatTeachingDid.tsx';
import { BENCH_WORDS } from './words.ts';

/** Stations on the left, both views in the middle, what it comes to on the right. */
export function Bench({ student, swing }: { readonly student: Student; readonly swing: Swing }) {
  // What is in the coach's hands no reader of clips may change.
  useEffect(() => holdForBench(swing.id), [swing.id]);
  const box = useBench(student, swing);
  const { state, dispatch, fit, showTarget, setShowTarget, go } = box;
  const { answer, target } = fit;
  const [thenId, setThenId] = useState<string | null>(null);
  const then = useThen(student, thenId, fit);
  const saved = useAutosave(swing, state.work);
  return (
    <div className="grid gap-3 p-3 lg:grid-cols-[15.5rem_minmax(0,1fr)_21rem]">
      <BenchMarks box={box} />
      <BenchViews box={box} student={student} swing={swing} />
      <aside className="flex flex-col gap-2" aria-label={BENCH_WORDS.measures}>
        <Diagnose studentId={student.id} swingId={swing.id} marks={state.work.marks.length} saved={saved} />
        <ReadOut
          answer={answer}
          state={state}
          left={student.profile.handedness === 'left'}
          onStation={go}
          then={then}
          target={target?.poses.map(({ station, target: pose }) => ({ station, pose })) ?? []}
          layers={
            <Layers
              student={student}
              swing={swing}
              thenId={thenId}
              onThen={setThenId}
              showTarget={showTarget}
              onTarget={setShowTarget}
              target={target}
              station={state.station}
            />
          }
          teaching={<WhatTeachingDid student={student} work={state.work} fit={fit} />}
          onSwap={({ view, station }) => dispatch({ type: 'swap', view: view as ViewKind, station })}
        />
      </aside>
    </div>
  );
}
