// `npm run bench:soak`: half an hour (BENCH_MINUTES) of calls, and of apps that come and go, in an office on a server; what it holds at the end that
// it did not hold after the first tenth.
import { asTable } from '../figures';
import { call, type CallTimes } from './calls';
import { connect, devicesOf, pause, withOffice, type Device, type Server } from './load';

const minutes = Number(process.env['BENCH_MINUTES'] ?? 30);
const peopleCount = 12;
const devicesEach = 3;
/** Each calls so often, and an app of the last one comes and goes so often, in milliseconds. */
const callEveryMs = 200;
const comeEveryMs = 500;
const lookEveryMs = 250;

/** The least that was held at any time of a stretch is what is left once all garbage is taken out. */
class Stretches {
  private readonly least: number[] = [];

  note(share: number, bytes: number): void {
    const at = Math.min(9, Math.floor(10 * share));
    this.least[at] = Math.min(this.least[at] ?? Infinity, bytes);
  }

  get all(): number[] {
    return this.least;
  }
}

async function soak(server: Server, devices: readonly Device[]): Promise<void> {
  const all = await connect(server, devices.slice(0, -devicesEach));
  const began = performance.now();
  const lastsMs = minutes * 60_000;
  const isOver = () => performance.now() - began > lastsMs;
  const times: CallTimes = { ring: [], stop: [] };
  const of = (person: number) => all.slice(person * devicesEach, (person + 1) * devicesEach);
  const calling = [0, 1, 2, 3, 4].map(async (lane) => {
    const [caller] = of(2 * lane);
    while (caller && !isOver()) {
      await call(caller, of(2 * lane + 1), times);
      await pause(callEveryMs);
    }
  });
  let visits = 0;
  const visiting = (async () => {
    while (!isOver()) {
      const [there] = await connect(server, devices.slice(-1), `visit${visits++}`);
      await pause(comeEveryMs);
      there?.leave();
    }
  })();
  const heap = new Stretches();
  while (!isOver()) {
    await pause(lookEveryMs);
    heap.note((performance.now() - began) / lastsMs, await server.figure('nodejs_heap_size_used_bytes'));
  }
  await Promise.all([...calling, visiting]);
  const mb = (bytes = NaN) => Number((bytes / 2 ** 20).toFixed(1));
  console.log(`Heap in each tenth: ${heap.all.map((bytes) => mb(bytes)).join(', ')} MB`);
  const grown = mb(heap.all.at(-1)) - mb(heap.all[1]);
  console.log(
    asTable([
      { name: `calls in ${minutes} minutes`, value: times.ring.length, unit: '', aim: 'many' },
      { name: 'apps that came and went', value: visits, unit: '', aim: 'many' },
      { name: 'heap after the first tenth', value: mb(heap.all[1]), unit: 'MB', aim: 'less' },
      { name: 'more at the end', value: Number(grown.toFixed(1)), unit: 'MB', aim: '≤ 5', most: 5 },
    ]),
  );
}

const devices = devicesOf(peopleCount, devicesEach);
void withOffice(devices, (server) => soak(server, devices)).then(() => process.exit(0));
