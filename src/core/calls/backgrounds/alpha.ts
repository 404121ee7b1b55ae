/** Surer than the one it is somebody, less sure than the other it is not; between them the edge is soft. */
const [surely, surelyNot] = [0.7, 0.3];
/** How much of an edge is as it was in the picture before: else it trembles. */
const kept = 0.35;

/**
 * Writes how much of each point of a picture is somebody, from 0 to 255, into `alpha` (as many as there are points), which holds how it was in the
 * picture before.
 * @param confidences from 0 (surely not) to 1, row by row
 */
export function alphaOf(confidences: Float32Array, alpha: Uint8ClampedArray): void {
  for (let at = 0; at < alpha.length; at++) {
    const share = Math.min(1, Math.max(0, ((confidences[at] ?? 0) - surelyNot) / (surely - surelyNot)));
    // Without a corner at either end (smoothstep).
    const soft = share * share * (3 - 2 * share);
    alpha[at] = 255 * soft * (1 - kept) + (alpha[at] ?? 0) * kept;
  }
}
