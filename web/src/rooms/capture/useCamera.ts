import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';

export type CameraState = 'off' | 'asking' | 'on' | 'refused' | 'busy' | 'none';

/** By the browser's names for it; another program that holds the camera makes it unreadable. */
const WHY: Readonly<Record<string, CameraState>> = {
  NotAllowedError: 'refused',
  NotReadableError: 'busy',
  AbortError: 'busy',
};

/**
 * The device's camera in a video element; given back when the screen is left. `deviceId` names one of several; without it
 * the one that looks away from the screen.
 */
export function useCamera(video: RefObject<HTMLVideoElement | null>, deviceId: string | null = null) {
  const [state, setState] = useState<CameraState>('off');
  const stream = useRef<MediaStream | null>(null);
  const asked = useRef(0);
  const stop = useCallback(() => {
    asked.current++;
    for (const track of stream.current?.getTracks() ?? []) track.stop();
    stream.current = null;
    setState('off');
  }, []);
  const start = useCallback(async () => {
    setState('asking');
    const mine = ++asked.current;
    try {
      const which = deviceId === null ? { facingMode: 'environment' } : { deviceId: { exact: deviceId } };
      const wish = { ...which, frameRate: { ideal: 60 }, height: { ideal: 1280 } };
      const found = await navigator.mediaDevices.getUserMedia({ video: wish, audio: false });
      // The screen was left, or the camera turned off, while the browser asked.
      if (mine !== asked.current) {
        for (const track of found.getTracks()) track.stop();
        return;
      }
      stream.current = found;
      if (video.current) {
        video.current.srcObject = found;
        await video.current.play();
      }
      setState('on');
    } catch (reason) {
      if (mine !== asked.current) return;
      setState(WHY[(reason as Error).name] ?? 'none');
    }
  }, [video, deviceId]);
  useEffect(() => stop, [stop]);
  return { state, start, stop, track: () => stream.current?.getVideoTracks()[0] ?? null };
}
