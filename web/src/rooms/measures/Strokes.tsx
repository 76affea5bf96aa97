import type { Stroke } from './usePen.ts';

/** Lines drawn by hand, `k` of the drawn picture's units to one of the clip's pixels: tape with an inked edge. */
export function Strokes({ strokes, k }: { readonly strokes: readonly Stroke[]; readonly k: number }) {
  return (
    <g data-testid="strokes">
      {strokes.map((stroke, i) => {
        // A tap is a dot.
        const points = (stroke.length > 1 ? stroke : [...stroke, ...stroke])
          .map(([u, v]) => `${u},${v}`)
          .join(' ');
        const line = { points, fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
        return (
          <g key={i}>
            <polyline {...line} stroke="#17242b" strokeWidth={14 * k} opacity={0.6} />
            <polyline {...line} stroke="#f2dc9b" strokeWidth={8 * k} />
          </g>
        );
      })}
    </g>
  );
}
