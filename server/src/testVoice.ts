import { BufferTarget, EncodedAudioPacketSource, EncodedPacket, Output, WebMOutputFormat } from 'mediabunny';

/** Silence as Opus writes it: 20 ms. */
const SILENCE = new Uint8Array([0xf8, 0xff, 0xfe]);
const PACKET_S = 0.02;

/** A second of voice, more or less, as a coach's browser records it; for the tests. */
export async function silentVoice(seconds = 1): Promise<Buffer> {
  const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
  const source = new EncodedAudioPacketSource('opus');
  output.addAudioTrack(source);
  await output.start();
  const decoderConfig = { codec: 'opus', numberOfChannels: 1, sampleRate: 48_000 };
  for (let i = 0; i < seconds / PACKET_S; i++)
    await source.add(new EncodedPacket(SILENCE, 'key', i * PACKET_S, PACKET_S), { decoderConfig });
  await output.finalize();
  return Buffer.from(output.target.buffer as ArrayBuffer);
}
