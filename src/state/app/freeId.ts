/** An id that begins so and that none of those has: two things may be made at the same instant, and one of them dropped. */
export function freeId(stem: string, isTaken: (id: string) => boolean): string {
  for (let number = 1; ; number++) {
    const id = `${stem}-${number}`;
    if (!isTaken(id)) return id;
  }
}
