import type { Student } from '@inchstep/contract/intake';
import { SCHOOL_PRESETS } from '@inchstep/core/intake';
import { expect, test } from '@jest/globals';
import { renderHook, waitFor } from '@testing-library/react';
import { workInline } from '../../testing/inlineWorker.ts';
import { useFit } from './useFit.ts';

const student = {
  profile: {
    handedness: 'right',
    heightIn: 70,
    outerHipWidthIn: null,
    hipJointsApartIn: null,
    flexibility: 'usual',
    armSwing: 'usual',
  },
  school: SCHOOL_PRESETS.centre_and_turn,
} as unknown as Student;
const mark = (landmark: 'lead_hip' | 'trail_hip' | 'lead_knee' | 'trail_knee', u: number) =>
  ({ view: 'face_on', station: 'address', landmark, u, v: 400, sdPx: 3 }) as const;
const work = (u: number) => ({
  club: 'mid_iron' as const,
  views: [
    {
      kind: 'face_on' as const,
      clipId: null,
      widthPx: 640,
      heightPx: 960,
      camera: {},
      groundMarks: [],
      stationTimes: { address: 0 },
    },
  ],
  marks: [mark('lead_hip', u), mark('trail_hip', 300), mark('lead_knee', 330), mark('trail_knee', 290)],
});

test('marks that rest are fitted once more from nothing, as the server does', async () => {
  const asked: boolean[] = [];
  workInline({
    fit: (_: unknown, anew = false) => {
      asked.push(anew);
      return { measures: [], ms: asked.length };
    },
    next: () => [],
    targets: () => ({ poses: [], lines: [] }),
  });
  const { rerender, result } = renderHook(({ u }) => useFit(student, WORKS[u] as never, false), {
    initialProps: { u: 0 },
  });
  await waitFor(() => expect(asked).toEqual([false]));
  rerender({ u: 1 });
  await waitFor(() => expect(asked).toEqual([false, false]));
  await waitFor(() => expect(asked).toEqual([false, false, true]), { timeout: 4000 });
  await waitFor(() => expect(result.current.answer?.ms).toBe(3));
});
const WORKS = [work(340), work(341)];
