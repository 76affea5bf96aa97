import {
  BufferTarget,
  MediaStreamVideoTrackSource,
  Output,
  QUALITY_HIGH,
  WebMOutputFormat,
} from 'mediabunny';

export interface Take {
  /** Ends the take and answers its clip. */
  finish(): Promise<File>;
  cancel(): Promise<void>;
}

/** Records a camera's track into a clip that can be stepped frame by frame. */
export async function recordTake(track: MediaStreamVideoTrack): Promise<Take> {
  const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
  // A key frame often, so that stepping back is quick on the bench.
  const source = new MediaStreamVideoTrackSource(track, {
    codec: 'vp8',
    bitrate: QUALITY_HIGH,
    keyFrameInterval: 0.25,
  });
  output.addVideoTrack(source);
  await output.start();
  return {
    finish: async () => {
      await output.finalize();
      return new File([output.target.buffer as ArrayBuffer], 'take.webm', { type: 'video/webm' });
    },
    cancel: () => output.cancel(),
  };
}
