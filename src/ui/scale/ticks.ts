/** Seconds at which a scale of that length has its marks: at most six of them. */
export function ticksOf(span: number): number[] {
  const step = [5, 10, 15, 30, 60, 120].find((seconds) => span / seconds <= 5) ?? 300;
  return Array.from({ length: Math.floor(span / step) + 1 }, (_, index) => index * step);
}
