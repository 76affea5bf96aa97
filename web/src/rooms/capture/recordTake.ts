import {
  BufferTarget,
  getFirstEncodableVideoCodec,
  MediaStreamVideoTrackSource,
  Mp4OutputFormat,
  Output,
  QUALITY_HIGH,
  WebMOutputFormat,
} from 'mediabunny';
import { ToldError } from '../../platform/httpError.ts';
import { TAKE_WORDS } from './words.ts';

export interface Take {
  /** Ends the take and answers its clip. */
  finish(): Promise<File>;
  cancel(): Promise<void>;
}

/** Records a camera's track into a clip that can be stepped frame by frame. */
export async function recordTake(track: MediaStreamVideoTrack): Promise<Take> {
  const codec = await getFirstEncodableVideoCodec(['vp8', 'vp9', 'avc']);
  if (!codec) throw new ToldError(TAKE_WORDS.noRecorder);
  const webm = codec !== 'avc';
  const format = webm ? new WebMOutputFormat() : new Mp4OutputFormat();
  const output = new Output({ format, target: new BufferTarget() });
  // A key frame often, so that stepping back is quick on the bench.
  const source = new MediaStreamVideoTrackSource(track, {
    codec,
    bitrate: QUALITY_HIGH,
    keyFrameInterval: 0.25,
  });
  output.addVideoTrack(source);
  await output.start();
  return {
    finish: async () => {
      await output.finalize();
      const kind = webm ? 'webm' : 'mp4';
      return new File([output.target.buffer as ArrayBuffer], `take.${kind}`, { type: `video/${kind}` });
    },
    cancel: () => output.cancel(),
  };
}
