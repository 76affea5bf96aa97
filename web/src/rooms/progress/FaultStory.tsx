import { faultName } from '@inchstep/contract/words';
import { faultStory } from '@inchstep/core/progress';
import { scaleLinear, scaleTime } from 'd3';
import { dayOf, dayText, Panel } from '../../platform/parts.tsx';
import { useDiagnoses } from '../diagnosis/index.ts';
import { FAULT_STORY_WORDS } from './words.ts';

const WIDTH = 760;
const NAME_WIDTH = 190;
const ROW = 44;
/** How far a follower's name stands in from its root's. */
const SET_IN = 20;
const MOST_STEPS = 3;

/** Each fault as a line of posts: how far beyond its band, day by day; a filled post was the root, and what goes with it hangs from it. */
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
    ({ fault, follows, points }) =>
      `${faultName(fault)}${follows === null ? '' : FAULT_STORY_WORDS.goesWith(faultName(follows))}: ${points.map((p) => (p.steps === null ? FAULT_STORY_WORDS.notThere : FAULT_STORY_WORDS.stepsOut(p.steps.toFixed(1)))).join(FAULT_STORY_WORDS.between)}`,
  );
  return (
    <Panel title={FAULT_STORY_WORDS.faultStory}>
      <svg
        viewBox={`0 0 ${WIDTH} ${story.length * ROW + 30}`}
        className="w-full"
        role="img"
        aria-label={said.join('. ')}
      >
        {story.map(({ fault, follows, points }, row) => {
          const foot = (row + 1) * ROW;
          return (
            <g key={fault}>
              {follows !== null && (
                <path d={`M6 ${foot - ROW + 2} v${ROW - 15} h9`} fill="none" stroke="currentColor" />
              )}
              <text x={follows === null ? 0 : SET_IN} y={foot - 8} fontSize={14} fill="currentColor">
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
