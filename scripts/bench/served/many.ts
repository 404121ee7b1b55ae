// `npm run bench:many`: a large office on a server. 5,000 devices that do nothing, 1,000 calls at once in which something is
// always done, and a meeting of a hundred.
import { asTable, percentile, type Figure } from '../figures';
import { begin, type CallTimes } from './calls';
import { joinRoom, toldToAll } from './meeting';
import { connect, devicesOf, pause, withOffice, type Connected, type Device, type Server } from './load';

const idlePeople = Number(process.env['BENCH_PEOPLE'] ?? 1_667);
const callsAtOnce = Number(process.env['BENCH_CALLS'] ?? 1_000);
const peopleMet = Number(process.env['BENCH_MEETING'] ?? 100);
const settlingMs = 20_000;
const idleMs = 20_000;
const actingMs = 20_000;
/** So many ask at once. */
const lanes = 16;

const round = (value: number) => Number(value.toFixed(1));

async function idle(server: Server, devices: readonly Device[]): Promise<Figure[]> {
  const memory = () => server.figure('process_resident_memory_bytes');
  const cpu = () => server.figure('process_cpu_seconds_total');
  const before = await memory();
  const began = performance.now();
  const { length: count } = await connect(server, devices);
  const tookMs = performance.now() - began;
  await pause(settlingMs);
  const each = ((await memory()) - before) / count / 1024;
  const used = await cpu();
  await pause(idleMs);
  const share = ((await cpu()) - used) / (idleMs / 1000);
  return [
    { name: `${count} sign-ins taken up`, value: round((count / tookMs) * 1000), unit: '/s', aim: 'more' },
    { name: 'memory for each of them', value: round(each), unit: 'KB', aim: '≤ 40', most: 40 },
    { name: 'CPU while they do nothing', value: round(100 * share), unit: '%', aim: '≤ 10', most: 10 },
  ];
}

/** Calls stand while somebody in them is always muted, or heard again. */
async function busy(server: Server, devices: readonly Device[]): Promise<Figure[]> {
  const all = await connect(server, devices);
  const times: CallTimes = { ring: [], stop: [] };
  const legs: { at: Connected; legId: string }[] = [];
  await inLanes(callsAtOnce, async (number) => {
    const [from, to] = [all[2 * number], all[2 * number + 1]];
    if (from && to) legs.push({ at: to, legId: await begin(from, [to], times) });
  });
  const there = await server.figure('cendro_calls');
  const took: number[] = [];
  const until = performance.now() + actingMs;
  await inLanes(Infinity, async (number) => {
    const { at, legId } = legs[number % legs.length] ?? {};
    if (!at || legId === undefined || performance.now() >= until) return false;
    const isMuted = Math.floor(number / legs.length) % 2 === 0;
    const asked = performance.now();
    const reply = await at.link.send({ type: isMuted ? 'mute' : 'unmute', legId });
    if (!reply.ok) throw new Error(`Refused: ${reply.reason.code}`);
    took.push(performance.now() - asked);
    return true;
  });
  const rate = (took.length / actingMs) * 1000;
  return [
    { name: 'calls at once', value: there, unit: '', aim: `${callsAtOnce}`, least: callsAtOnce },
    {
      name: 'ring of one among them, p99',
      value: round(percentile(times.ring, 0.99)),
      unit: 'ms',
      aim: 'less',
    },
    { name: 'requests in them, kept and told', value: round(rate), unit: '/s', aim: '≥ 2,000', least: 2_000 },
    { name: 'such a request, p99', value: round(percentile(took, 0.99)), unit: 'ms', aim: '≤ 50', most: 50 },
  ];
}

/** A hundred people, each at their browser, come into one meeting; then each of them is muted, is heard again, and raises a hand. */
async function met(server: Server, devices: readonly Device[]): Promise<Figure[]> {
  const all = await connect(server, devices);
  const joining: number[] = [];
  const acting: number[] = [];
  const there: Connected[] = [];
  const legs: { of: Connected; legId: string }[] = [];
  for (const one of all) {
    there.push(one);
    const began = performance.now();
    const legId = await joinRoom(one, there);
    joining.push(performance.now() - began);
    legs.push({ of: one, legId });
  }
  const cpu = await server.figure('process_cpu_seconds_total');
  const began = performance.now();
  for (const { of, legId } of legs)
    for (const act of [
      { type: 'mute', legId },
      { type: 'unmute', legId },
      { type: 'inMeeting', legId, act: { act: 'raiseHand' } },
    ] as const)
      acting.push(await toldToAll(of, act, there));
  const tookMs = performance.now() - began;
  const used = (await server.figure('process_cpu_seconds_total')) - cpu;
  const who = `${all.length} in one meeting`;
  const [p95, p99] = [percentile(joining, 0.95), percentile(acting, 0.99)];
  return [
    { name: `${who}: joined, told to all, p95`, value: round(p95), unit: 'ms', aim: '< 1,500', most: 1_500 },
    { name: `${who}: an act, told to all, p99`, value: round(p99), unit: 'ms', aim: '≤ 250', most: 250 },
    {
      name: `${who}: an act, of the server’s core`,
      value: round((1_000 * used) / acting.length),
      unit: 'ms',
      aim: 'less',
    },
    { name: `${who}: acts`, value: round((1_000 * acting.length) / tookMs), unit: '/s', aim: 'more' },
  ];
}

/** Several at once, each next one as one of them is done, until there are so many or one of them says that it is enough. */
async function inLanes(count: number, act: (number: number) => Promise<boolean | void>): Promise<void> {
  let next = 0;
  const lane = async () => {
    while (next < count) if ((await act(next++)) === false) return;
  };
  await Promise.all(Array.from({ length: lanes }, lane));
}

async function main() {
  const measured = async (devices: Device[], measure: typeof idle) =>
    console.log(asTable(await withOffice(devices, (server) => measure(server, devices))));
  await measured(devicesOf(idlePeople, 3), idle);
  await measured(devicesOf(2 * callsAtOnce, 1), busy);
  await measured(devicesOf(peopleMet, 1), met);
  process.exit(0);
}

void main();
