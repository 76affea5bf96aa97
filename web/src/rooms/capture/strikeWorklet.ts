import { type EarState, levelOf, QUIET_EAR } from '@inchstep/core/capture';

// What the browser gives a sound worklet; its types know nothing of it.
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: unknown): void;
declare const sampleRate: number;
declare const currentTime: number;

/** Blocks that are told together: a message a block would be 400 a second. */
const TOGETHER = 12;

/** Levels of what the microphone hears, block by block; the sound itself goes nowhere. */
class Ear extends AudioWorkletProcessor {
  private ear: EarState = QUIET_EAR;
  private blocks: { readonly atMs: number; readonly levelDb: number }[] = [];

  process(inputs: readonly (readonly Float32Array[])[]): boolean {
    const samples = inputs[0]?.[0];
    if (!samples) return true;
    const { levelDb, ear } = levelOf(samples, sampleRate, this.ear);
    this.ear = ear;
    this.blocks.push({ atMs: 1000 * (currentTime + samples.length / sampleRate), levelDb });
    if (this.blocks.length === TOGETHER) {
      this.port.postMessage(this.blocks);
      this.blocks = [];
    }
    return true;
  }
}

registerProcessor('inchstep-ear', Ear);
