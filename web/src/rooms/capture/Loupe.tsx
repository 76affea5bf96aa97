import { useEffect, useRef } from 'react';

const SIZE = 150;
const TIMES = 4;

/** A magnifier beside the finger, so that the finger hides nothing. */
export function Loupe({
  picture,
  view,
  u,
  v,
}: {
  readonly picture: ImageBitmap;
  readonly view: { widthPx: number; heightPx: number };
  readonly u: number;
  readonly v: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const span = SIZE / TIMES;
    context.fillStyle = '#000';
    context.fillRect(0, 0, SIZE, SIZE);
    context.imageSmoothingEnabled = false;
    context.drawImage(picture, u - span / 2, v - span / 2, span, span, 0, 0, SIZE, SIZE);
    context.strokeStyle = '#f2dc9b';
    context.lineWidth = 1.5;
    context.beginPath();
    context.moveTo(SIZE / 2, 0);
    context.lineTo(SIZE / 2, SIZE / 2 - 6);
    context.moveTo(SIZE / 2, SIZE / 2 + 6);
    context.lineTo(SIZE / 2, SIZE);
    context.moveTo(0, SIZE / 2);
    context.lineTo(SIZE / 2 - 6, SIZE / 2);
    context.moveTo(SIZE / 2 + 6, SIZE / 2);
    context.lineTo(SIZE, SIZE / 2);
    context.stroke();
  }, [picture, u, v]);
  const leftHalf = u < view.widthPx / 2;
  return (
    <canvas
      ref={canvas}
      width={SIZE}
      height={SIZE}
      aria-hidden
      className={`pointer-events-none absolute top-2 rounded-full border-4 border-[var(--tape)] ${leftHalf ? 'right-2' : 'left-2'}`}
    />
  );
}
