import { json, Router, text } from 'express';
import { z } from 'zod';

import { notFromAnotherSite } from '../guard/fromHere';
import { bodyBudget, perMinute } from '../guard/limits';
import { jsonOnly } from '../telling/routes';
import type { MailIn } from './MailIn';
import { Shelf } from './Shelf';

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

/** What is kept of all that came, for all names together. */
const mostKept = 200;
const mostCharacters = 50_000_000;
const mostNames = 100;
/** A voicemail of the longest kind, with its sound, in bytes. */
const largest = 16_000_000;
const largestTogether = 48_000_000;
const requestsPerMinute = 1_200;
const mailsSchema = z.object({ addresses: z.array(z.string()).max(50) });
const answerSchema = z.object({ status: z.number().int().min(200).max(599) });

/**
 * The stand-in receivers: `POST /webhooks/:name` is a program's door, `POST /webhooks/:name/seen` what came to it,
 * `POST /webhooks/:name/answer` sets what it answers from now on, `POST /mails` what came for some addresses.
 */
export function standInRoutes(mailIn: MailIn | null): Router {
  const routes = Router();
  const received = new Shelf<ReceivedWebhook & { name: string }>(mostKept, mostCharacters);
  const answers = new Map<string, number>();
  // Who may ask is looked at before a byte is read.
  routes.use(notFromAnotherSite, perMinute(requestsPerMinute), bodyBudget(largest, largestTogether));
  routes.post('/webhooks/:name', text({ type: () => true, limit: largest }), (request, response) => {
    const name = String(request.params['name']);
    const status = answers.get(name) ?? 204;
    const body = String(request.body);
    const one = {
      name,
      at: Date.now(),
      id: request.get('webhook-id') ?? '',
      timestamp: request.get('webhook-timestamp') ?? '',
      signature: request.get('webhook-signature') ?? '',
      body,
      status,
    };
    received.add(one, body.length);
    response.sendStatus(status);
  });
  routes.use(jsonOnly, json());
  routes.post('/webhooks/:name/seen', (request, response) => {
    response.json(received.all().filter(({ name }) => name === request.params.name));
  });
  routes.post('/webhooks/:name/answer', (request, response) => {
    const asked = answerSchema.safeParse(request.body);
    if (!asked.success || (answers.size >= mostNames && !answers.has(request.params.name)))
      return void response.sendStatus(400);
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
