import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { faultName } from '@inchstep/contract/words';
import { BELIEVED } from '@inchstep/core/diagnosis';
import { scaleLinear, scaleTime } from 'd3';
import { dayOf, dayText, Panel } from '../../platform/parts.tsx';
import { useDiagnoses } from '../diagnosis/index.ts';
import { FAULT_STORY_WORDS } from './words.ts';

export interface StoryLine {
  readonly fault: string;
  readonly points: readonly {
    readonly at: string;
    /** Steps beyond the band; null where it was not believed. */
    readonly steps: number | null;
    readonly root: boolean;
  }[];
}

/** Every fault that was ever believed, by date, oldest first; roots that came up first stand first. */
export function faultStory(diagnoses: readonly Pick<DiagnosisRecord, 'at' | 'result'>[]): StoryLine[] {
  const inOrder = [...diagnoses].sort((a, b) => (a.at < b.at ? -1 : 1));
  const believed = inOrder.flatMap(({ result }) => [
    ...result.roots.map((root) => root.fault),
    ...Object.keys(result.faults).filter((id) => (result.faults[id] ?? 0) > BELIEVED),
  ]);
  return [...new Set(believed)].map((fault) => ({
    fault,
    points: inOrder.map(({ at, result }) => ({
      at,
      steps: (result.faults[fault] ?? 0) > BELIEVED ? (result.strengths[fault] ?? 0) : null,
      root: result.roots.some((root) => root.fault === fault),
    })),
  }));
}

const WIDTH = 760;
const NAME_WIDTH = 190;
const ROW = 44;
const MOST_STEPS = 3;

/** Each fault as a line of posts: how far beyond its band, day by day; a filled post was the root. */
export function FaultStory({ studentId, today }: { readonly studentId: string; readonly today: string }) {
  const diagnoses = useDiagnoses(studentId);
  const story = faultStory(diagnoses.data ?? []);
  if (story.length === 0) return null;
  const days = story[0]?.points.map((p) => new Date(p.at)) ?? [];
  const first = days[0] as Date;
  const last = days.at(-1) as Date;
  const span = Math.max(last.getTime() - first.getTime(), 86_400_000);
  const x = scaleTime([first, new Date(first.getTime() + span)], [NAME_WIDTH + 24, WIDTH - 40]);
  const tall = scaleLinear([0, MOST_STEPS], [3, ROW - 14]).clamp(true);
  const said = story.map(
    ({ fault, points }) =>
      `${faultName(fault)}: ${points.map((p) => (p.steps === null ? FAULT_STORY_WORDS.notThere : FAULT_STORY_WORDS.stepsOut(p.steps.toFixed(1)))).join(FAULT_STORY_WORDS.between)}`,
  );
  return (
    <Panel title={FAULT_STORY_WORDS.faultStory}>
      <svg
        viewBox={`0 0 ${WIDTH} ${story.length * ROW + 30}`}
        className="w-full"
        role="img"
        aria-label={said.join('. ')}
      >
        {story.map(({ fault, points }, row) => {
          const foot = (row + 1) * ROW;
          return (
            <g key={fault}>
              <text x={0} y={foot - 8} fontSize={14} fill="currentColor">
                {faultName(fault)}
              </text>
              <line x1={NAME_WIDTH} x2={WIDTH} y1={foot} y2={foot} stroke="currentColor" strokeWidth={0.8} />
              {points.map(({ at, steps, root }) =>
                steps === null ? (
                  <path
                    key={at}
                    d={`M${x(new Date(at)) - 6} ${foot - 3} h12`}
                    stroke="currentColor"
                    strokeWidth={2}
                  />
                ) : (
                  <rect
                    key={at}
                    x={x(new Date(at)) - 7}
                    width={14}
                    y={foot - tall(steps)}
                    height={tall(steps)}
                    fill={root ? 'currentColor' : 'var(--tape)'}
                    stroke="currentColor"
                    strokeWidth={1.5}
                  />
                ),
              )}
            </g>
          );
        })}
        {[...new Set(story[0]?.points.map((p) => dayOf(p.at)))].map((day) => (
          <text
            key={day}
            x={x(new Date(`${day}T12:00:00`))}
            y={story.length * ROW + 20}
            fontSize={12}
            textAnchor="middle"
            fill="currentColor"
          >
            {dayText(day, today)}
          </text>
        ))}
      </svg>
      <p className="text-sm text-base-content/80">{FAULT_STORY_WORDS.postStepsBeyond}</p>
    </Panel>
  );
}
