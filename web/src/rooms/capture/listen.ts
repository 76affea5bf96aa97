import { hear, LISTENING, type SoundBlock, STRIKE_RULES, type StrikeEar } from '@inchstep/core/capture';

export interface Listening {
  stop(): void;
}

/**
 * Listens for strikes with the device's microphone. `onStrike` is told how many ms ago it was, `onLevel` how loud it is
 * against the background, in dB. Nothing of the sound is kept or sent. Throws as the browser does where it may not.
 */
export async function listen(
  ear: StrikeEar,
  onStrike: (agoMs: number) => void,
  onLevel: (aboveDb: number) => void,
): Promise<Listening> {
  // What makes a voice clear takes a strike away.
  const audio = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };
  const stream = await navigator.mediaDevices.getUserMedia({ audio, video: false });
  const context = new AudioContext();
  const stop = () => {
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
  try {
    const { default: worklet } = await import('./strikeWorklet.ts?worker&url');
    await context.audioWorklet.addModule(worklet);
    const node = new AudioWorkletNode(context, 'inchstep-ear', { numberOfOutputs: 0 });
    let state = LISTENING;
    node.port.onmessage = ({ data }: MessageEvent<readonly SoundBlock[]>) => {
      let loudest = Number.NEGATIVE_INFINITY;
      for (const block of data) {
        loudest = Math.max(loudest, block.levelDb);
        const step = hear(state, block, STRIKE_RULES[ear]);
        state = step.state;
        if (step.strikeMs !== null) onStrike(Math.max(0, 1000 * context.currentTime - step.strikeMs));
      }
      onLevel(loudest - state.backgroundDb);
    };
    context.createMediaStreamSource(stream).connect(node);
    await context.resume();
  } catch (reason) {
    stop();
    throw reason;
  }
  return { stop };
}
