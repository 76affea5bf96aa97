import type { BackupLine } from '@inchstep/contract/care';
import { plusDays } from '@inchstep/core/foundation';
import { scaleLinear } from 'd3';
import { useId } from 'react';
import { dayOf } from '../parts.tsx';
import { BACKUP_RAIL_WORDS } from './words.ts';

const DAYS = 28;
const WIDTH = 560;
const TOP = 16;
const HEIGHT = 26;

/** Four weeks of nights laid end to end: a notch where a backup stays, solid once it was read back whole. */
export function BackupRail({
  backups,
  now,
}: {
  readonly backups: readonly BackupLine[];
  readonly now: string;
}) {
  const title = useId();
  const today = dayOf(now);
  const days = Array.from({ length: DAYS }, (_, i) => plusDays(today, i - DAYS + 1));
  const x = scaleLinear([0, DAYS - 1], [14, WIDTH - 14]);
  const of = (day: string) => backups.filter(({ at }) => dayOf(at) === day);
  const shown = days.filter((day) => of(day).length > 0).length;
  return (
    <svg role="img" aria-labelledby={title} viewBox={`0 0 ${WIDTH} 66`} className="block w-full">
      <title id={title}>{BACKUP_RAIL_WORDS.backupsOf(shown, DAYS)}</title>
      <rect x={0} y={TOP} width={WIDTH} height={HEIGHT} rx={2} fill="var(--tape)" />
      {days.map((day, i) => {
        const made = of(day);
        const week = (DAYS - 1 - i) % 7 === 0;
        return (
          <g key={day}>
            <line
              x1={x(i)}
              x2={x(i)}
              y1={TOP + HEIGHT - (week ? 11 : 6)}
              y2={TOP + HEIGHT}
              stroke="var(--tape-ink)"
              strokeWidth={week ? 1.4 : 0.9}
            />
            {made.length > 0 && (
              <path
                d={`M${x(i) - 7} ${TOP} L${x(i) + 7} ${TOP} L${x(i)} ${TOP + 13} Z`}
                fill={made.some((b) => b.verifiedAt) ? 'var(--tape-ink)' : 'var(--tape)'}
                stroke="var(--tape-ink)"
                strokeWidth={1.5}
              />
            )}
            {week && (
              <text
                x={x(i)}
                y={60}
                textAnchor={i === DAYS - 1 ? 'end' : 'middle'}
                fontSize={12}
                fill="currentColor"
              >
                {i === DAYS - 1 ? 'today' : BACKUP_RAIL_WORDS.wkAgo((DAYS - 1 - i) / 7)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
