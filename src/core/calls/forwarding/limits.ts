/** From when on the office forwards voices and pictures, and of how much each who is there is sent. */
export const forwardLimits = {
  /** So many pictures, and ends with a browser, go from each to each. */
  mesh: { pictures: 4, ends: 8 },
  /** Voices that are forwarded to one end at once: the loudest of those that it hears. */
  voices: 3,
  /** Pictures that are forwarded to one end at once: nine that are looked at, and a screen. */
  pictures: 10,
  /** A camera comes in two sizes; up to so many rows the smaller one is forwarded. */
  smallRows: 180,
} as const;

/** Whether there is too much to send it from each to each. What is forwarded once stays so, that nothing goes to and fro. */
export function needsForwarding({ pictures, ends }: { pictures: number; ends: number }): boolean {
  const { mesh } = forwardLimits;
  return pictures > mesh.pictures || ends > mesh.ends;
}
