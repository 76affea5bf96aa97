import type { Laid } from '@inchstep/core/measures';
import { Download, ImageDown } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Failed } from '../../platform/parts.tsx';
import type { PairMode } from './drawPair.ts';
import { type ClipSide, exportPair, saveFile } from './exportPair.ts';
import { PAIR_EXPORT_WORDS } from './words.ts';

/** This picture as PNG, both swings as WebM: made here, with progress, and stopped when wanted. */
export function PairExport({
  then,
  now,
  mode,
  laid,
  name,
}: {
  readonly then: ClipSide | null;
  readonly now: ClipSide | null;
  readonly mode: PairMode;
  readonly laid: Laid | null;
  readonly name: string;
}) {
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const stop = useRef(new AbortController());
  useEffect(() => () => stop.current.abort(), []);
  const savePicture = () => {
    const canvas = document.querySelector<HTMLCanvasElement>('#pair');
    canvas?.toBlob((blob) => blob && saveFile(blob, `${name}.png`), 'image/png');
  };
  const saveClip = async () => {
    if (!now) return;
    stop.current = new AbortController();
    setError(null);
    setShare(0);
    try {
      const blob = await exportPair(then, now, mode, laid, setShare, stop.current.signal);
      saveFile(blob, `${name}.webm`);
    } catch (reason) {
      if ((reason as Error).name !== 'AbortError') setError(reason as Error);
    } finally {
      setShare(null);
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <button type="button" className="btn" onClick={savePicture} disabled={!now}>
        <ImageDown aria-hidden size={18} /> {PAIR_EXPORT_WORDS.picturePng}
      </button>
      <button type="button" className="btn" onClick={() => void saveClip()} disabled={!now || share !== null}>
        <Download aria-hidden size={18} /> {PAIR_EXPORT_WORDS.clipWebm}
      </button>
      {share !== null && (
        <>
          <progress
            className="progress w-40"
            value={share}
            max={1}
            aria-label={PAIR_EXPORT_WORDS.makingTheClip}
          />
          <span role="status">{Math.round(100 * share)} %</span>
          <button type="button" className="btn" onClick={() => stop.current.abort()}>
            {PAIR_EXPORT_WORDS.stop}
          </button>
        </>
      )}
      {error && <Failed error={error} />}
    </div>
  );
}
