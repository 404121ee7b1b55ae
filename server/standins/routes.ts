import { json, Router, text } from 'express';
import { z } from 'zod';

import { fromHereOnly } from '../telling/routes';
import type { MailIn } from './MailIn';

/** A webhook that came in, as Outside shows it. */
export interface ReceivedWebhook {
  at: number;
  id: string;
  timestamp: string;
  signature: string;
  body: string;
  /** What the stand-in answered. */
  status: number;
}

const mostKept = 50;
const mostNames = 100;
const mailsSchema = z.object({ addresses: z.array(z.string()).max(50) });
const answerSchema = z.object({ status: z.number().int().min(200).max(599) });

/**
 * The stand-in receivers: `POST /webhooks/:name` is a program's door, `POST /webhooks/:name/seen` what came to it,
 * `POST /webhooks/:name/answer` sets what it answers from now on, `POST /mails` what came for some addresses.
 */
export function standInRoutes(mailIn: MailIn | null): Router {
  const routes = Router();
  const received = new Map<string, ReceivedWebhook[]>();
  const answers = new Map<string, number>();
  routes.post('/webhooks/:name', text({ type: () => true, limit: '16mb' }), (request, response) => {
    const { name } = request.params;
    if (!received.has(name) && received.size >= mostNames) return void response.sendStatus(404);
    const status = answers.get(name) ?? 204;
    const one = {
      at: Date.now(),
      id: request.get('webhook-id') ?? '',
      timestamp: request.get('webhook-timestamp') ?? '',
      signature: request.get('webhook-signature') ?? '',
      body: String(request.body),
      status,
    };
    received.set(name, [one, ...(received.get(name) ?? [])].slice(0, mostKept));
    response.sendStatus(status);
  });
  routes.use(fromHereOnly, json());
  routes.post('/webhooks/:name/seen', (request, response) => {
    response.json(received.get(request.params.name) ?? []);
  });
  routes.post('/webhooks/:name/answer', (request, response) => {
    const asked = answerSchema.safeParse(request.body);
    if (!asked.success) return void response.sendStatus(400);
    answers.set(request.params.name, asked.data.status);
    response.json({});
  });
  routes.post('/mails', (request, response) => {
    const asked = mailsSchema.safeParse(request.body);
    if (asked.success) response.json(mailIn?.of(asked.data.addresses) ?? []);
    else response.sendStatus(400);
  });
  return routes;
}
