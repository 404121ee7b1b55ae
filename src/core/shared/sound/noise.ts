/** How much of the noise around somebody is taken out of what they send. */
export const noiseStrengths = ['off', 'light', 'strong'] as const;
export type NoiseStrength = (typeof noiseStrengths)[number];
