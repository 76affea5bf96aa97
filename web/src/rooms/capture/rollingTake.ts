import {
  ALL_FORMATS,
  BlobSource,
  BufferTarget,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  Input,
  Mp4OutputFormat,
  Output,
  WebMOutputFormat,
} from 'mediabunny';
import { recordTake, type Take } from './recordTake.ts';

/** A record begins anew so often: what lies before is of no use. */
const ANEW_S = 20;
/** The new one runs beside the old so long, so that a swing at the change is whole in one of them. */
const BESIDE_S = 6;

interface Running {
  readonly take: Take;
  readonly sinceMs: number;
}

/** Films without end and gives the last seconds when asked. */
export interface Rolling {
  /** The last `seconds` up to now, as a clip; filming goes on. */
  cut(seconds: number): Promise<File>;
  stop(): void;
}

type Record = (track: MediaStreamVideoTrack) => Promise<Take>;

export async function rollingTake(
  track: MediaStreamVideoTrack,
  record: Record = recordTake,
  trim: typeof lastSeconds = lastSeconds,
): Promise<Rolling> {
  let stopped = false;
  const begin = async (): Promise<Running> => ({ take: await record(track), sinceMs: performance.now() });
  let older = await begin();
  let younger: Running | null = null;
  // One change at a time: the clock's and the strike's.
  let turn: Promise<unknown> = Promise.resolve();
  const next = <T>(work: () => Promise<T>): Promise<T> => {
    const done = turn.then(work);
    turn = done.catch(() => undefined);
    return done;
  };
  const age = ({ sinceMs }: Running) => (performance.now() - sinceMs) / 1000;
  const tick = setInterval(
    () =>
      void next(async () => {
        if (stopped) return;
        if (!younger && age(older) > ANEW_S) younger = await begin();
        if (younger && age(younger) > BESIDE_S) {
          const gone = older;
          older = younger;
          younger = null;
          await gone.take.cancel();
        }
      }),
    500,
  );
  return {
    cut: (seconds) =>
      next(async () => {
        const cut = older;
        older = younger ?? (await begin());
        younger = null;
        return trim(await cut.take.finish(), seconds);
      }),
    stop: () => {
      stopped = true;
      clearInterval(tick);
      void next(async () => {
        await older.take.cancel();
        await younger?.take.cancel();
      });
    },
  };
}

/** The end of a clip, from the key frame before: pictures are copied as they are, none is coded anew. */
async function lastSeconds(file: File, seconds: number): Promise<File> {
  const input = new Input({ source: new BlobSource(file), formats: ALL_FORMATS });
  const track = await input.getPrimaryVideoTrack();
  const sink = track && new EncodedPacketSink(track);
  const from = track && (await track.computeDuration()) - seconds;
  const first = from && from > 0 ? await sink?.getKeyPacket(from) : null;
  const codec = await track?.getCodec?.();
  if (!track || !sink || !first || !codec) return file;
  const webm = file.type === 'video/webm';
  const output = new Output({
    format: webm ? new WebMOutputFormat() : new Mp4OutputFormat(),
    target: new BufferTarget(),
  });
  const source = new EncodedVideoPacketSource(codec);
  output.addVideoTrack(source);
  await output.start();
  const decoderConfig = (await track.getDecoderConfig()) ?? undefined;
  for await (const packet of sink.packets(first)) {
    const moved = packet.clone({ timestamp: packet.timestamp - first.timestamp });
    await source.add(moved, decoderConfig && { decoderConfig });
  }
  await output.finalize();
  return new File([output.target.buffer as ArrayBuffer], file.name, { type: file.type });
}
