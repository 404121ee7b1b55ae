const frameSeconds = 0.02;
/** Shares of the frames, the quietest first, that stand for the noise and for the speech. */
const noiseShare = 0.1;
const speechShare = 0.9;
/** Nothing sounds lower, in dB of full scale: a microphone that is off gives zeros. */
const silenceDb = -120;

/**
 * How far speech stands over the noise around it: between the level that a tenth of the frames of 20 ms stay under, and the one that a tenth
 * go over.
 *
 * @param samples -1 to 1; one second or more
 * @returns dB; 0 where nothing stands out
 */
export function speechOverNoise(samples: Float32Array, sampleRate: number): number {
  const length = Math.round(frameSeconds * sampleRate);
  const levels: number[] = [];
  for (let from = 0; from + length <= samples.length; from += length)
    levels.push(levelDb(samples.subarray(from, from + length)));
  levels.sort((a, b) => a - b);
  const at = (share: number) => levels[Math.floor(share * (levels.length - 1))] ?? silenceDb;
  return at(speechShare) - at(noiseShare);
}

/** The mean level (RMS) of samples between -1 and 1. @returns dB of full scale, at least -120 */
export function levelDb(samples: Float32Array): number {
  let power = 0;
  for (const sample of samples) power += sample * sample;
  return Math.max(silenceDb, 10 * Math.log10(power / Math.max(1, samples.length)));
}
