import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Random } from '@inchstep/core/foundation';
import {
  ALL_FORMATS,
  BufferSource,
  BufferTarget,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  Input,
  MkvOutputFormat,
  MovOutputFormat,
  Output,
} from 'mediabunny';
import { CLIPS } from '../program.ts';

export type Container = 'mp4' | 'mov' | 'webm';
export const CONTAINERS: readonly Container[] = ['mp4', 'mov', 'webm'];

/** A sound clip in each container, its pictures copied over as they are. */
export async function soundClips(): Promise<Readonly<Record<Container, Buffer>>> {
  const mp4 = readFileSync(join(CLIPS, 'wren.face_on.mp4'));
  return { mp4, mov: await repacked(mp4, 'mov'), webm: await repacked(mp4, 'webm') };
}

async function repacked(bytes: Buffer, container: 'mov' | 'webm'): Promise<Buffer> {
  const input = new Input({ source: new BufferSource(new Uint8Array(bytes).buffer), formats: ALL_FORMATS });
  const track = await input.getPrimaryVideoTrack();
  if (!track?.codec) throw new Error('soundClips: no film in the stand-in’s clip');
  const config = await track.getDecoderConfig();
  const output = new Output({
    format: container === 'mov' ? new MovOutputFormat() : new MkvOutputFormat(),
    target: new BufferTarget(),
  });
  const source = new EncodedVideoPacketSource(track.codec);
  output.addVideoTrack(source);
  await output.start();
  for await (const packet of new EncodedPacketSink(track).packets())
    await source.add(packet, config ? { decoderConfig: config } : undefined);
  await output.finalize();
  return Buffer.from(output.target.buffer as ArrayBuffer);
}

/** Where a container keeps what describes it: a change there does more than one in a picture. */
function headOf(bytes: Buffer, container: Container): [from: number, to: number] {
  if (container === 'webm') return [0, Math.min(bytes.length, 600)];
  const at = bytes.indexOf('moov', 0, 'latin1') - 4;
  return [at, at + bytes.readUInt32BE(at)];
}

const EXTREMES = [0, 1, 0x7fffffff, 0x80000000, 0xffffffff, 0xfffffff0, 0x10000];

/** A copy spoilt in one of the ways in which files are spoilt, or made to hurt. */
export function spoilt(sound: Buffer, container: Container, random: Random): Buffer {
  const bytes = Buffer.from(sound);
  const [from, to] = headOf(bytes, container);
  const inHead = () => from + Math.floor(random() * (to - from));
  const way = Math.floor(random() * 8);
  if (way <= 2) for (let i = 0; i <= 60 * random(); i++) bytes[inHead()] = Math.floor(random() * 256);
  else if (way <= 4)
    for (let i = 0; i < 1 + 3 * random(); i++)
      bytes.writeUInt32BE(
        EXTREMES[Math.floor(random() * EXTREMES.length)] as number,
        Math.min(inHead(), bytes.length - 4),
      );
  else if (way === 5) return bytes.subarray(0, Math.floor(random() * bytes.length));
  else if (way === 6) bytes.fill(random() < 0.5 ? 0 : 0xff, inHead(), inHead());
  else {
    const [a, b, length] = [inHead(), inHead(), Math.floor(random() * 200)];
    bytes.copy(bytes, a, b, Math.min(bytes.length, b + length));
  }
  return bytes;
}
