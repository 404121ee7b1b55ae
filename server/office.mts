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
import { isOwnRequest } from './guard/fromHere';
import { addressesOfThisMachine, listen } from './listening';
import { certificateFor } from './office/certificate';
import { openLevel } from './office/levelBackend';
import { openOffice } from './office/openOffice';
import { Lease } from './office/shared/Lease';
import { openRedis } from './office/shared/redisStore';
import { relayToOwner } from './office/shared/relayToOwner';
import { faultWords, makeLog } from './office/logs';
import { realCast } from './office/realCast';
import { waitingRoutes, watchRoutes } from './office/watchRoutes';

const { env, argv } = process;
const firstPort = Number(env['PORT'] ?? 4320);
const portsToTry = 20;
const root = join(import.meta.dirname, '..');
const isSample = argv.includes('--sample');
/** Behind a proxy that speaks HTTPS itself, or on this machine alone. */
const isPlain = argv.includes('--http');
const isSimulated = isSample || env['CENDRO_SIMULATOR'] === '1';
const folder = join(env['CENDRO_DATA'] ?? join(root, '.data'), isSample ? 'sample-office' : 'office');
const names = (env['CENDRO_NAMES'] ?? '').split(',').flatMap((name) => name.trim() || []);
const isPublic = env['CENDRO_PUBLIC'] === '1';
const reach = { names, isPublic };

/** What a new office begins with; all of it can be changed in the app. */
const asNew = newOfficeSchema.parse({
  name: env['CENDRO_OFFICE'] ?? 'Our office',
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
const served = {
  ...reach,
  office: { which: isSample ? ('sample' as const) : ('own' as const), isSimulated },
};
const dist = join(root, 'dist');
let findOwner: () => Promise<string | null> = async () => null;
const whoOwns = () => findOwner();
const stopRelaying = relayToOwner({ server, isOwn, findOwner: whoOwns });
let app = createServer(dist, waitingRoutes(whoOwns), served);
server.on('request', (request, response) => app(request, response));
const port = await listen(server, firstPort, firstPort + portsToTry);
const scheme = isPlain ? 'http' : 'https';

const storage = await openStorage();
const opened = await openOffice({
  ...{ log, folder, backend: storage.backend, asNew: isSample ? null : asNew },
  beginning: {
    ...beginning,
    storage: servedStorage,
    hasChairs: isSample && hasChairs,
    isReal: !isSample,
    playsPhones: isSimulated,
    cast: isSimulated ? beginning.cast : realCast(beginning.cast),
  },
  isSimulated,
  ways: {
    iceServers: iceServersSchema.parse(JSON.parse(env['CENDRO_ICE'] ?? '[]')),
    relayOnly: env['CENDRO_RELAY_ONLY'] === '1',
  },
  senders: {
    sendMail: smtp === undefined ? null : makeSendMail(smtp, mailFrom),
    sendWebhook: makeSendWebhook((env['CENDRO_ALLOW_PRIVATE'] ?? '').split(',').map((each) => each.trim())),
  },
  isOwn,
});
const routes = {
  ...watchRoutes({ ...opened, token: env['CENDRO_METRICS_TOKEN'] ?? null }),
  ...(isSimulated && { '/api/standins': standInRoutes(mailIn) }),
};
app = createServer(dist, routes, served);
opened.serve(server);
stopRelaying();

const host = hosts.find((each) => each !== 'localhost' && each !== hostname()) ?? 'localhost';
const address = `${scheme}://${host}:${port}`;
const wayIn = await opened.firstWayIn();
const open = wayIn ? `${address}/join?code=${wayIn.code}` : address;
console.log(
  `\nThe office runs. Open it on this machine (${scheme}://localhost:${port}) or on a phone in the same network:\n`,
);
console.log(`  ${open}\n`);
if (wayIn)
  console.log(
    `You run it: that link is for one device, once, with the PIN ${wayIn.pin}. Then choose your own.\n`,
  );
console.log(await qrCode(open, { type: 'terminal', small: true }));
if (!isPlain && given.cert === undefined)
  console.log('The certificate is this machine’s own: the browser asks once whether to trust it.');
console.log(`What it keeps lies in ${folder}. Ctrl-C ends it.`);

// It serves everybody: what goes wrong for one of them never ends it.
log.info({ what: 'opened', port, isSimulated });
process.on('unhandledRejection', (error) => log.error({ what: 'not handled', error: faultWords(error) }));

let isEnding = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    if (isEnding) return;
    isEnding = true;
    log.info({ what: 'ending', signal });
    server.close();
    void opened
      .close()
      .then(() => storage.release())
      .then(() => process.exit(0));
  });

/**
 * This machine's disk; or, with `CENDRO_REDIS`, a store that other processes reach as well, once this one owns the office: until then it
 * hands apps on to whichever does.
 */
async function openStorage() {
  const url = env['CENDRO_REDIS'];
  if (url === undefined)
    return {
      backend: await openLevel(join(folder, 'office')),
      release: async () => undefined,
    };
  const redis: RedisClientType = createClient({ url });
  redis.on('error', (error) => log.error({ what: 'the store', error: faultWords(error) }));
  await redis.connect();
  const office = `cendro:${env['CENDRO_OFFICE_ID'] ?? (isSample ? 'sample' : 'own')}`;
  const lease = new Lease({ redis, office, peer: env['CENDRO_PEER'] ?? `${scheme}://127.0.0.1:${port}` });
  findOwner = () => lease.owner();
  const owner = await findOwner();
  if (owner !== null)
    console.log(`\nAnother process (${owner}) has the office; this one hands on to it. Ctrl-C ends it.`);
  const token = await lease.own();
  log.info({ what: 'owns the office', token });
  // What it has done since then is kept nowhere, and told to nobody: whoever watches over it starts it again.
  const onLost = () => {
    log.error({ what: 'another process owns the office' });
    process.exit(1);
  };
  lease.keep(onLost);
  return {
    backend: openRedis({ redis, office, token, onFenced: onLost }),
    release: async () => {
      await lease.release();
      await redis.close();
    },
  };
}
