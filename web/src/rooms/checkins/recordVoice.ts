import {
  BufferTarget,
  getFirstEncodableAudioCodec,
  MediaStreamAudioTrackSource,
  Mp4OutputFormat,
  Output,
  WebMOutputFormat,
} from 'mediabunny';
import { ToldError } from '../../platform/httpError.ts';
import { ALONG_STAGE_WORDS } from './words.enclosed.ts';

export interface Voice {
  /** Ends it and answers the file. */
  finish(): Promise<File>;
  cancel(): void;
}

/** A clear voice, and 180 kB a minute. */
const BITS_PER_SECOND = 24_000;

/** Records the device's microphone. Throws a sentence where it may not or can't. */
export async function recordVoice(): Promise<Voice> {
  const stream = await microphone();
  const [track] = stream.getAudioTracks();
  const codec = await getFirstEncodableAudioCodec(['opus', 'aac'], { numberOfChannels: 1 });
  const free = () => {
    for (const one of stream.getTracks()) one.stop();
  };
  if (!track || !codec) {
    free();
    throw new ToldError(ALONG_STAGE_WORDS.noRecorder);
  }
  const webm = codec === 'opus';
  const output = new Output({
    format: webm ? new WebMOutputFormat() : new Mp4OutputFormat(),
    target: new BufferTarget(),
  });
  output.addAudioTrack(new MediaStreamAudioTrackSource(track, { codec, bitrate: BITS_PER_SECOND }));
  try {
    await output.start();
  } catch (reason) {
    free();
    throw reason;
  }
  return {
    finish: async () => {
      await output.finalize();
      free();
      const kind = webm ? 'webm' : 'mp4';
      return new File([output.target.buffer as ArrayBuffer], `talk.${kind}`, { type: `audio/${kind}` });
    },
    cancel: () => {
      free();
      void output.cancel();
    },
  };
}

async function microphone(): Promise<MediaStream> {
  if (!navigator.mediaDevices) throw new ToldError(ALONG_STAGE_WORDS.none);
  try {
    return await navigator.mediaDevices.getUserMedia({ audio: { channelCount: 1 } });
  } catch (reason) {
    const { name } = reason as Error;
    if (name === 'NotAllowedError') throw new ToldError(ALONG_STAGE_WORDS.refused);
    if (name === 'NotFoundError') throw new ToldError(ALONG_STAGE_WORDS.none);
    throw reason;
  }
}
