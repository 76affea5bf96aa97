import { gaussian, type Random } from '../../../foundation/index.ts';
import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import type { Axis } from './teachTable.ts';
import { aloneShare, FACTORS, frameKindOf, loadingsOf } from './togetherTable.ts';

/** One bell of a landmark's own sd; `where` is the frame, or the clip, in which landmarks go wrong together. */
type Bell = (view: ViewKind, where: Station | 'clip', landmark: Landmark, axis: Axis) => number;

/** Draws errors as the model says they come: asked again, the same place has the same. */
export function bellsTogether(random: Random): Bell {
  const drawn = new Map<string, readonly number[]>();
  const bells = (of: string, many: number): readonly number[] => {
    const known = drawn.get(of) ?? Array.from({ length: many }, () => gaussian(random));
    drawn.set(of, known);
    return known;
  };
  return (view, where, landmark, axis) => {
    const loadings = loadingsOf(view, landmark, where === 'clip' ? 'any' : frameKindOf(where))[axis];
    const together = bells(`${view} ${where} ${axis}`, FACTORS);
    const alone = bells(`${view} ${where} ${axis} ${landmark}`, 1)[0] as number;
    return together.reduce((sum, z, i) => sum + z * (loadings[i] as number), aloneShare(loadings) * alone);
  };
}
