import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';

export type CameraState = 'off' | 'asking' | 'on' | 'refused' | 'none';

/** The device's camera in a video element; given back when the screen is left. */
export function useCamera(video: RefObject<HTMLVideoElement | null>) {
  const [state, setState] = useState<CameraState>('off');
  const stream = useRef<MediaStream | null>(null);
  const stop = useCallback(() => {
    for (const track of stream.current?.getTracks() ?? []) track.stop();
    stream.current = null;
    setState('off');
  }, []);
  const start = useCallback(async () => {
    setState('asking');
    try {
      const wish = { facingMode: 'environment', frameRate: { ideal: 60 }, height: { ideal: 1280 } };
      const found = await navigator.mediaDevices.getUserMedia({ video: wish, audio: false });
      stream.current = found;
      if (video.current) {
        video.current.srcObject = found;
        await video.current.play();
      }
      setState('on');
    } catch (reason) {
      setState((reason as Error).name === 'NotAllowedError' ? 'refused' : 'none');
    }
  }, [video]);
  useEffect(() => stop, [stop]);
  return { state, start, stop, track: () => stream.current?.getVideoTracks()[0] ?? null };
}
