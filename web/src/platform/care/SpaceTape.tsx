import type { Care } from '@inchstep/contract/care';
import { scaleLinear } from 'd3';
import { useId } from 'react';
import { SPACE_TAPE_WORDS, sizeText } from './words.ts';

const WIDTH = 560;
const TOP = 6;
const HEIGHT = 26;
const MEGABYTE = 1024 ** 2;

/** What is kept, as a length of tape: the record is solid, films hatched, ticks in megabytes. */
export function SpaceTape({ storage }: { readonly storage: Care['storage'] }) {
  const title = useId();
  const hatch = useId();
  const record = storage.databaseBytes / MEGABYTE;
  const films = storage.clipBytes / MEGABYTE;
  const scale = scaleLinear([0, Math.max(1, (record + films) * 1.15)], [0, WIDTH]);
  const text = SPACE_TAPE_WORDS.ofRecordInFilms(
    sizeText(storage.databaseBytes),
    sizeText(storage.clipBytes),
    storage.clips,
    sizeText(storage.freeBytes),
  );
  return (
    <figure>
      <svg role="img" aria-labelledby={title} viewBox={`0 0 ${WIDTH} 52`} className="block w-full">
        <title id={title}>{text}</title>
        <defs>
          <pattern
            id={hatch}
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="6" stroke="var(--tape-ink)" strokeWidth="2.5" />
          </pattern>
        </defs>
        <rect x={0} y={TOP} width={WIDTH} height={HEIGHT} rx={2} fill="var(--tape)" />
        <rect x={0} y={TOP + 4} width={Math.max(2, scale(record))} height={8} fill="var(--tape-ink)" />
        <rect
          x={scale(record)}
          y={TOP + 4}
          width={Math.max(0, scale(films))}
          height={8}
          fill={`url(#${hatch})`}
        />
        {scale.ticks(8).map((tick) => (
          <g key={tick}>
            <line
              x1={scale(tick)}
              x2={scale(tick)}
              y1={TOP + HEIGHT - 9}
              y2={TOP + HEIGHT}
              stroke="var(--tape-ink)"
              strokeWidth={1.3}
            />
            <text
              x={Math.max(2, scale(tick))}
              y={48}
              textAnchor={tick === 0 ? 'start' : 'middle'}
              fontSize={12}
              fill="currentColor"
            >
              {tick === 0 ? '0 MB' : tick}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="mt-1 flex flex-wrap gap-x-5 text-sm">
        <span>
          <b>{SPACE_TAPE_WORDS.solid}</b> {SPACE_TAPE_WORDS.record(sizeText(storage.databaseBytes))}
        </span>
        <span>
          <b>{SPACE_TAPE_WORDS.hatched}</b>{' '}
          {SPACE_TAPE_WORDS.films(storage.clips, sizeText(storage.clipBytes))}
        </span>
        <span>{SPACE_TAPE_WORDS.freeOnThisDisk(sizeText(storage.freeBytes))}</span>
      </figcaption>
    </figure>
  );
}
