import { createServer as createHttpServer } from 'node:http';
import { join } from 'node:path';

import { mailOf, webhookBodyOf } from '@/core/inbox/notifications';

import { createServer } from './createServer';
import { addressesOfThisMachine, listen } from './listening';
import { MailIn } from './standins/MailIn';
import { standInRoutes } from './standins/routes';
import { Deliveries } from './telling/Deliveries';
import { tellingRoutes } from './telling/routes';
import { makeSendMail } from './telling/sendMail';
import { makeSendWebhook } from './telling/sendWebhook';

const { env } = process;
const firstPort = Number(env['PORT'] ?? 4310);
const portsToTry = 20;
const root = join(import.meta.dirname, '..');

const server = createHttpServer();
const port = await listen(server, firstPort, firstPort + portsToTry);
const hosts = ['localhost', ...addressesOfThisMachine()].map((host) => `${host}:${port}`);

// Without a mail server of its own, mail goes to the stand-in, which Outside shows.
const mailIn = env['CENDRO_SMTP'] === undefined ? new MailIn() : null;
const smtp = env['CENDRO_SMTP'] ?? (await mailIn?.open()) ?? '';
const sendMail = makeSendMail(smtp, env['CENDRO_MAIL_FROM'] ?? 'Cendro <cendro@orrinvale.example>');
// The stand-in webhook receiver is this server, which is inside by its nature.
const allowed = [...hosts, ...(env['CENDRO_ALLOW_PRIVATE'] ?? '').split(',').map((host) => host.trim())];
const sendWebhook = makeSendWebhook(allowed);
const deliveries = new Deliveries({
  folder: join(env['CENDRO_DATA'] ?? join(root, '.data'), 'deliveries'),
  tell: ({ id, notice, place }) =>
    place.kind === 'mail'
      ? sendMail(id, mailOf(notice), place.address)
      : sendWebhook(id, webhookBodyOf(notice), place.url, place.secret),
});
const routes = { '/api/telling': tellingRoutes(deliveries), '/api/standins': standInRoutes(mailIn) };
const names = (env['CENDRO_NAMES'] ?? '').split(',').map((name) => name.trim());
server.on(
  'request',
  createServer(join(root, 'dist'), routes, { names, isPublic: env['CENDRO_PUBLIC'] === '1' }),
);
// It serves the app as well: what goes wrong in telling never ends it.
process.on('unhandledRejection', (error) => console.error('Not handled:', error));

console.log('\nCendro is running. Open it on this machine:');
for (const [index, host] of hosts.entries())
  console.log(index === 0 ? `  http://${host}` : `or on a phone in the same network:\n  http://${host}`);
console.log('To be called, open Outside (in the place Office) and ring yourself. Ctrl-C ends it.');
