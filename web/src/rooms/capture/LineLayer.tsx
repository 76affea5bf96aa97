import type { LineId } from '@inchstep/core/measures';
import type { PictureLine } from './inPicture.ts';
import { LINE_LAYER_WORDS } from './words.ts';

/** What each line is for: a short name at its upper end. */
const LINE_WORDS: Record<LineId, string> = {
  lead_leg: LINE_LAYER_WORDS.leadLeg,
  trail_leg: LINE_LAYER_WORDS.trailLeg,
  seat: LINE_LAYER_WORDS.seatAtTheTop,
  trail_thigh: LINE_LAYER_WORDS.thighAtTheTop,
  spine: 'spine',
};

/** `k` scales the clip's pixels to the drawn picture. Chalk lines over the picture: dotted where they mark a place, drawn through for the spine. */
export function LineLayer({ lines, k }: { readonly lines: readonly PictureLine[]; readonly k: number }) {
  return (
    <>
      {lines.map(({ id, station, from, to }) => (
        <g key={`${id}${station}`}>
          <line
            x1={from[0] * k}
            y1={from[1] * k}
            x2={to[0] * k}
            y2={to[1] * k}
            stroke="#17242b"
            strokeWidth={5}
            opacity={0.45}
          />
          <line
            x1={from[0] * k}
            y1={from[1] * k}
            x2={to[0] * k}
            y2={to[1] * k}
            stroke="#f7f3e6"
            strokeWidth={2}
            strokeDasharray={id === 'spine' ? undefined : '2 5'}
            strokeLinecap="round"
          />
          {id !== 'spine' && (
            <text
              // The thigh's line stands close to the leg's: its name hangs at the other end.
              x={(id === 'trail_thigh' ? from[0] : to[0]) * k}
              y={id === 'trail_thigh' ? from[1] * k + 20 : to[1] * k - 8}
              fontSize={17}
              textAnchor="middle"
              fill="#f7f3e6"
              stroke="#17242b"
              strokeWidth={3}
              paintOrder="stroke"
            >
              {LINE_WORDS[id as LineId]}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

/** The pose this body would have inside every band: dashed limbs over the picture. */
export function GhostLayer({ lines, k }: { readonly lines: readonly PictureLine[]; readonly k: number }) {
  return (
    <g data-testid="ghost">
      {lines.map(({ id, from, to }) => {
        const ends = { x1: from[0] * k, y1: from[1] * k, x2: to[0] * k, y2: to[1] * k };
        return (
          <g key={`${id}${from[0]}`}>
            <line {...ends} stroke="#17242b" strokeWidth={7} opacity={0.55} strokeLinecap="round" />
            <line {...ends} stroke="#f2dc9b" strokeWidth={3.5} strokeDasharray="9 6" />
          </g>
        );
      })}
    </g>
  );
}
