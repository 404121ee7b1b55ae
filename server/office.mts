import { createServer as createHttpServer, type IncomingMessage } from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import { mkdir } from 'node:fs/promises';
import { hostname } from 'node:os';
import { join } from 'node:path';

import { toString as qrCode } from 'qrcode';
import { createClient, type RedisClientType } from 'redis';

import { newOfficeSchema } from '@/core/setup';
import { hosted } from '@/offices/hosted';
import { iceServersSchema } from '@/office/socket';
import { servedStorage } from '@/state/offices';

import { createServer } from './createServer';
import { MailIn } from './standins/MailIn';
import { standInRoutes } from './standins/routes';
import { makeSendMail } from './telling/sendMail';
import { makeSendWebhook } from './telling/sendWebhook';
import { reachOfForwarder } from './forwarding/reachOfForwarder';
import { startForwarding } from './forwarding/startForwarding';
import { isOwnRequest, nameOf } from './guard/fromHere';
import { addressesOfThisMachine, listen } from './listening';
import { certificateFor } from './office/certificate';
import type { OfficeBackend } from './office/backend';
import { Figures } from './office/Figures';
import { giveOverRoute } from './office/giveOverRoute';
import { openLevel, openSharedLevel } from './office/levelBackend';
import { OfficePlace } from './office/OfficePlace';
import { serveOffices } from './office/serveOffices';
import { ownInRedis } from './office/shared/ownInRedis';
import { relayToOwner } from './office/shared/relayToOwner';
import { faultWords, makeLog } from './office/logs';
import { realCast, withoutGuest } from './office/realCast';
import { watchRoutes } from './office/watchRoutes';

const { env, argv } = process;
const firstPort = Number(env['PORT'] ?? 4320);
const portsToTry = 20;
const root = join(import.meta.dirname, '..');
const isSample = argv.includes('--sample');
/** Behind a proxy that speaks HTTPS itself, or on this machine alone. */
const isPlain = argv.includes('--http');
const isSimulated = isSample || env['CENDRO_SIMULATOR'] === '1';
const folder = join(env['CENDRO_DATA'] ?? join(root, '.data'), isSample ? 'sample-office' : 'office');
const listed = (name: string) =>
  (env[name] ?? '').split(',').flatMap((each) => each.trim().toLowerCase() || []);
/** Where there are several offices, the names by which each is asked for; null: the one there is. */
const several = listed('CENDRO_OFFICES');
const offices: readonly (string | null)[] = several.length === 0 ? [null] : several;
for (const name of several)
  if (!/^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/.test(name)) {
    console.error(`CENDRO_OFFICES: “${name}” is no name of a host, such as mill.example.`);
    process.exit(1);
  }
const names = [...listed('CENDRO_NAMES'), ...offices.flatMap((office) => office ?? [])];
const isPublic = env['CENDRO_PUBLIC'] === '1';
const reach = { names, isPublic };

/** What a new office begins with; all of it can be changed in the app. */
const asNew = (office: string | null) =>
  newOfficeSchema.parse({
    name: office ?? env['CENDRO_OFFICE'] ?? 'Our office',
    zone: env['CENDRO_ZONE'] ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
    personName: env['CENDRO_ADMIN'] ?? 'Administrator',
    extension: '201',
    country: env['CENDRO_COUNTRY'] ?? 'GB',
    lineName: 'Main',
    number: env['CENDRO_NUMBER'] ?? '+441632960100',
  });

await mkdir(folder, { recursive: true, mode: 0o700 });
const { hasChairs, ...beginning } = hosted[isSample ? 'sample' : 'own'];
const log = makeLog();
// Where those outside are played, so is who gets mail.
const mailIn = isSimulated && env['CENDRO_SMTP'] === undefined ? new MailIn() : null;
const smtp = env['CENDRO_SMTP'] ?? (await mailIn?.open());
const mailFrom = env['CENDRO_MAIL_FROM'] ?? 'Cendro <cendro@localhost>';
const isOwn = (request: IncomingMessage) => isOwnRequest(request, reach);

const hosts = [
  ...names,
  ...(isPlain ? ['localhost'] : ['localhost', hostname(), ...addressesOfThisMachine()]),
];
const given = { cert: env['CENDRO_CERT'], key: env['CENDRO_KEY'] };
const server = isPlain ? createHttpServer() : createHttpsServer(await certificateFor(folder, hosts, given));
const figures = new Figures();
const store = await openStore();
const port = await listen(server, firstPort, firstPort + portsToTry);
const scheme = isPlain ? 'http' : 'https';
const forwarding = startForwarding(
  join(import.meta.dirname, 'forwarding/thread.mjs'),
  reachOfForwarder(env['CENDRO_FORWARD_ADDRESSES'], env['CENDRO_FORWARD_PORTS']),
  (error) => log.error({ what: 'forwarding', error: faultWords(error) }),
);
const places = new Map(offices.map((office) => [office, placeOf(office)]));
const placeFor = (request: IncomingMessage) => places.get(null) ?? places.get(nameOf(request.headers.host));
const find = (request: IncomingMessage) => placeFor(request)?.opened ?? null;
const operatorToken = env['CENDRO_OPERATOR_TOKEN'];
const routes = {
  ...watchRoutes({ figures, faults, token: env['CENDRO_METRICS_TOKEN'] ?? null }),
  ...(isSimulated && { '/api/standins': standInRoutes(mailIn) }),
  ...(operatorToken !== undefined &&
    env['CENDRO_REDIS'] !== undefined && {
      '/give-over': giveOverRoute({
        token: operatorToken,
        giveOver: (request) => giveOver(placeFor(request)),
      }),
    }),
};
const served = {
  which: isSample ? ('sample' as const) : ('own' as const),
  isSimulated,
  isThere: (request: IncomingMessage) => placeFor(request) !== undefined,
};
server.on('request', createServer(join(root, 'dist'), routes, { ...reach, office: served }));
serveOffices(server, { find, isOwn, figures });
const hasOpened = relayToOwner({
  ...{ server, isOwn },
  isHere: (request) => find(request) !== null,
  findOwner: async (request) => (await placeFor(request)?.findOwner()) ?? null,
});
let isEnding = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    if (isEnding) return;
    isEnding = true;
    log.info({ what: 'ending', signal });
    server.close();
    void Promise.all([...places.values()].map((place) => place.close()))
      .then(() => Promise.all([store.close(), forwarding.close()]))
      .then(() => process.exit(0));
  });

await Promise.all(
  [...places].map(async ([office, place]) => {
    const owner = await place.findOwner();
    if (owner !== null)
      console.log(`\nAnother process (${owner}) has the office; this one hands on to it. Ctrl-C ends it.`);
    const opened = await place.open();
    hasOpened();
    await sayOpened(office, await opened.firstWayIn());
  }),
);
if (!isPlain && given.cert === undefined)
  console.log('The certificate is this machine’s own: the browser asks once whether to trust it.');
console.log(`What it keeps lies in ${folder}. Ctrl-C ends it.`);

// It serves everybody: what goes wrong for one of them never ends it.
log.info({ what: 'opened', port, isSimulated, offices: places.size });
process.on('unhandledRejection', (error) => log.error({ what: 'not handled', error: faultWords(error) }));

async function sayOpened(office: string | null, wayIn: { code: string; pin: string } | null): Promise<void> {
  const host = office ?? hosts.find((each) => each !== 'localhost' && each !== hostname()) ?? 'localhost';
  const address = `${scheme}://${host}:${port}`;
  const open = wayIn ? `${address}/join?code=${wayIn.code}` : address;
  console.log(
    office === null
      ? `\nThe office runs. Open it on this machine (${scheme}://localhost:${port}) or on a phone in the same network:\n`
      : `\nThe office of ${office} runs:\n`,
  );
  console.log(`  ${open}\n`);
  if (wayIn)
    console.log(
      `You run it: that link is for one device, once, with the PIN ${wayIn.pin}. Then choose your own.\n`,
    );
  if (office === null) console.log(await qrCode(open, { type: 'terminal', small: true }));
}

function placeOf(office: string | null): OfficePlace {
  return new OfficePlace({
    ...{ log, isSimulated, figures, ...store.of(office) },
    folder: office === null ? folder : join(folder, 'each', office),
    asNew: isSample ? null : asNew(office),
    beginning: {
      ...beginning,
      storage: servedStorage,
      hasChairs: isSample && hasChairs,
      isReal: !isSample,
      playsPhones: isSimulated,
      // By a link real browsers come.
      cast: isSimulated ? withoutGuest(beginning.cast) : realCast(beginning.cast),
    },
    ways: {
      iceServers: iceServersSchema.parse(JSON.parse(env['CENDRO_ICE'] ?? '[]')),
      relayOnly: env['CENDRO_RELAY_ONLY'] === '1',
    },
    forwardWith: (listener) => forwarding.of(office ?? '', listener),
    senders: {
      sendMail: smtp === undefined ? null : makeSendMail(smtp, mailFrom),
      mailFrom: /<([^<>]+)>\s*$/.exec(mailFrom)?.[1] ?? mailFrom,
      sendWebhook: makeSendWebhook(listed('CENDRO_ALLOW_PRIVATE')),
    },
  });
}

/** Another process runs the office from now on, and this one stands by. */
async function giveOver(place: OfficePlace | undefined): Promise<string | null> {
  if (!place?.opened) throw new Error('It is not open here.');
  log.info({ what: 'given over' });
  // Half given over, it would be kept from the others and served by nobody: without this process it is theirs.
  const end = (error: unknown): never => {
    log.error({ what: 'not given over', error: faultWords(error) });
    process.exit(1);
  };
  const owner = await place.giveOver().catch(end);
  void place.open().then(hasOpened, end);
  return owner;
}

/** Why offices can't be used now: one that another process has can. */
function faults(): Promise<(string | null)[]> {
  return Promise.all(
    [...places.values()].map(async (place) => {
      if (place.opened) return place.opened.fault();
      return (await place.findOwner()) === null ? 'The office is not open.' : null;
    }),
  );
}

/** This machine's disk; or, with `CENDRO_REDIS`, a store that other processes reach as well: an office is handed on to whichever has it until this one does. */
async function openStore() {
  const url = env['CENDRO_REDIS'];
  if (url === undefined) {
    const findOwner = async () => null;
    const own = (backend: OfficeBackend) => ({ backend, release: async () => undefined });
    const alone = () => ({ findOwner, own: async () => own(await openLevel(join(folder, 'office'))) });
    if (offices.includes(null)) return { of: alone, close: async () => undefined };
    const level = await openSharedLevel(join(folder, 'offices'));
    return {
      of: (office: string | null) => ({ findOwner, own: async () => own(level.of(office ?? '')) }),
      close: level.close,
    };
  }
  const redis: RedisClientType = createClient({ url });
  redis.on('error', (error) => log.error({ what: 'the store', error: faultWords(error) }));
  await redis.connect();
  const named = env['CENDRO_OFFICE_ID'] ?? (isSample ? 'sample' : 'own');
  return {
    of: (office: string | null) =>
      ownInRedis({
        redis,
        office: `cendro:${office ?? named}`,
        peer: env['CENDRO_PEER'] ?? `${scheme}://127.0.0.1:${port}`,
        onOwned: (token) => log.info({ what: 'owns the office', office, token }),
        // What it has done since then is kept nowhere: whoever watches over it starts it again.
        onLost: () => {
          log.error({ what: 'another process owns the office', office });
          process.exit(1);
        },
      }),
    close: () => redis.close(),
  };
}
