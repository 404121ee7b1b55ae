import type { NoiseStrength } from '@/core/shared/sound';

/** Fetched as they come from their package (`scripts/build.mjs`). */
const folder = '/noise';
/**
 * What comes out of the suppressor is so much later: RNNoise overlaps frames of 480 samples, and the worklet gathers 512 until there is one.
 */
export const suppressedAfterSeconds = (480 + 512) / 48_000;
/** The suppressor knows sound of this rate alone. */
export const suppressingRate = 48_000;
/** Of `light`, so much stays as it was: noise goes down by 16 dB at most, and nothing sounds cut out. */
const keptOfLight = 0.15;

let binary: Promise<ArrayBuffer> | null = null;

/**
 * Takes noise out of what comes from a source, by RNNoise (a recurrent network: Valin 2018) in an audio worklet.
 *
 * @param context of 48 kHz
 * @returns where it comes out. Rejects where this browser has no worklets, or it could not be fetched.
 */
export async function suppressNoise(
  context: BaseAudioContext,
  source: AudioNode,
  strength: Exclude<NoiseStrength, 'off'>,
): Promise<AudioNode> {
  const { loadRnnoise, RnnoiseWorkletNode } = await import('@sapphi-red/web-noise-suppressor');
  binary ??= loadRnnoise({ url: `${folder}/rnnoise.wasm`, simdUrl: `${folder}/rnnoise_simd.wasm` });
  try {
    await Promise.all([binary, context.audioWorklet.addModule(`${folder}/worklet.js`)]);
  } catch (error) {
    binary = null;
    throw error;
  }
  const suppressor = new RnnoiseWorkletNode(context as AudioContext, {
    wasmBinary: await binary,
    maxChannels: 1,
  });
  source.connect(suppressor);
  const out = new GainNode(context);
  suppressor
    .connect(new GainNode(context, { gain: strength === 'light' ? 1 - keptOfLight : 1 }))
    .connect(out);
  if (strength === 'light')
    source
      .connect(new DelayNode(context, { delayTime: suppressedAfterSeconds }))
      .connect(new GainNode(context, { gain: keptOfLight }))
      .connect(out);
  return out;
}
