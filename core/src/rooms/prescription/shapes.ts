export type Point = readonly [acrossIn: number, upIn: number];
export type Tone = 'body' | 'club' | 'object' | 'solid' | 'ground';

export type ViewId = 'front' | 'side' | 'above';

/** Shapes in inches. Across: toward the target, from the side toward the ball. Up: off the ground, from above toward the ball. */
export type Shape =
  | {
      readonly kind: 'limb';
      readonly from: Point;
      readonly to: Point;
      readonly widthIn: number;
      readonly tone: Tone;
    }
  | { readonly kind: 'disc'; readonly at: Point; readonly radiusIn: number; readonly tone: Tone }
  | {
      readonly kind: 'box';
      readonly at: Point;
      readonly wideIn: number;
      readonly tallIn: number;
      readonly tone: Tone;
    }
  | {
      readonly kind: 'dimension';
      readonly from: Point;
      readonly to: Point;
      /** Which set-up distance this is. */
      readonly id: string;
      readonly valueIn: number;
    }
  | {
      /** Here is what the checkpoints with these numbers look at. */
      readonly kind: 'look';
      readonly at: Point;
      readonly layers: readonly number[];
    };

export const limb = (from: Point, to: Point, widthIn: number, tone: Tone): Shape => ({
  kind: 'limb',
  from,
  to,
  widthIn,
  tone,
});
export const dimension = (id: string, valueIn: number, from: Point, to: Point): Shape => ({
  kind: 'dimension',
  id,
  valueIn,
  from,
  to,
});
