import { tooLateMs, type Probe } from '@/core/calls/quality';

interface LinkProbing {
  count: number;
  everyMs: number;
}

/** Sends probes to the office one after the other, at the pace of a voice, and waits for their answers. `echo` rejects where none came in time. */
export async function probeLink(
  echo: (withinMs: number) => Promise<void>,
  { count, everyMs }: LinkProbing,
): Promise<Probe[]> {
  const underway: Promise<Probe>[] = [];
  for (let sent = 0; sent < count; sent++) {
    const sentMs = performance.now();
    underway.push(
      echo(2 * tooLateMs).then(
        () => ({ sentMs, cameMs: performance.now() }),
        () => ({ sentMs, cameMs: null }),
      ),
    );
    await new Promise((resolve) => setTimeout(resolve, everyMs));
  }
  return Promise.all(underway);
}
