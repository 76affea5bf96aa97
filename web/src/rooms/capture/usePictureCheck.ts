import {
  checkPicture,
  levelFromGravity,
  type Picture,
  type PictureFinding,
  seenBody,
} from '@inchstep/core/measures';
import { transfer, wrap } from 'comlink';
import { type RefObject, useEffect, useState } from 'react';
import type { Region } from './decode.ts';
import type { PoseFinder } from './poser.worker.ts';

const REST_MS = 900;

interface PictureSeen {
  readonly findings: readonly PictureFinding[] | null;
  /** The network could not be loaded or run. */
  readonly failed: boolean;
}

/** Looks at what the camera sees again and again while `on`: the body in it, and by the phone's level how it stands. */
export function usePictureCheck(
  video: RefObject<HTMLVideoElement | null>,
  bodyIn: number,
  on: boolean,
): PictureSeen {
  const [findings, setFindings] = useState<readonly PictureFinding[] | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    setFindings(null);
    setFailed(false);
    if (!on) return;
    let left = false;
    const network = new Worker('/networks/poser.js');
    const poser = wrap<PoseFinder>(network);
    const level = watchLevel();
    let stood: readonly Region[] = [];
    const look = async () => {
      await poser.load(`${location.origin}/networks/`);
      while (!left) {
        const seen = video.current;
        if (seen && seen.videoWidth > 0) {
          const picture = await createImageBitmap(seen);
          const { width: widthPx, height: heightPx } = picture;
          const [found] = await poser.everybody(transfer(picture, [picture]), stood, false);
          stood = found ? [found.points.next] : [];
          // Lead and trail don't matter here: both sides are asked the same.
          const body = found ? seenBody(0, found.points, false) : null;
          if (!left) setFindings(checkPicture(body, { widthPx, heightPx, bodyIn, level: level.now() }));
        }
        await new Promise((done) => setTimeout(done, REST_MS));
      }
    };
    const broken = () => !left && setFailed(true);
    network.onerror = broken;
    look().catch(broken);
    return () => {
      left = true;
      level.stop();
      network.terminate();
    };
  }, [on, bodyIn, video]);
  return { findings, failed };
}

/** Asks for the motion sensor where the browser wants a press for it. */
export async function allowMotion(): Promise<void> {
  const asks = globalThis.DeviceMotionEvent as unknown as
    | { requestPermission?: () => Promise<string> }
    | undefined;
  await asks?.requestPermission?.().catch(() => undefined);
}

function watchLevel() {
  let level: Picture['level'] = null;
  const hear = ({ accelerationIncludingGravity: g }: DeviceMotionEvent) => {
    // A phone held sideways has its axes turned: there its level is left out.
    const upright = (screen.orientation?.angle ?? 0) === 0;
    level = upright && g ? levelFromGravity(g.x ?? 0, g.y ?? 0, g.z ?? 0) : null;
  };
  window.addEventListener('devicemotion', hear);
  return { now: () => level, stop: () => window.removeEventListener('devicemotion', hear) };
}
