import type { Student } from '@inchstep/contract/intake';
import { type Capture, checkCapture } from '@inchstep/core/capture';
import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { FitAnswer, FitWorker } from '../../workers/fit.worker.ts';
import type { SwingWork } from './benchState.ts';

/** The open capture of the work on the bench. */
export function captureFor(student: Student, work: SwingWork): Capture {
  const { profile } = student;
  return {
    golfer: {
      handedness: profile.handedness,
      heightIn: profile.heightIn,
      outerHipWidthIn: profile.outerHipWidthIn,
      hipJointsApartIn: profile.hipJointsApartIn,
      flexibility: profile.flexibility,
      armSwing: profile.armSwing,
    },
    club: work.club,
    school: student.school,
    views: work.views.map(({ kind, widthPx, heightPx, camera, groundMarks }) => ({
      id: kind,
      kind,
      widthPx,
      heightPx,
      camera,
      groundMarks,
    })),
    marks: work.marks,
  };
}

const WAIT_MS = 120;
/** Fewer marks than this say nothing worth showing. */
const FEW_MARKS = 4;

/** Refits in a worker shortly after each change; an older answer never overtakes a newer one. */
export function useFit(student: Student, work: SwingWork): FitAnswer | null {
  const [answer, setAnswer] = useState<FitAnswer | null>(null);
  const turn = useRef(0);
  const worker = useRef<Remote<FitWorker> | null>(null);
  useEffect(() => {
    const thread = new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<FitWorker>(thread);
    return () => thread.terminate();
  }, []);
  useEffect(() => {
    const capture = captureFor(student, work);
    if (work.marks.length < FEW_MARKS || !checkCapture(capture).ok) {
      setAnswer(null);
      return;
    }
    const mine = ++turn.current;
    const timer = setTimeout(() => {
      void worker.current?.fit(capture).then((next) => {
        if (mine === turn.current) setAnswer(next as FitAnswer);
      });
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [student, work]);
  return answer;
}
