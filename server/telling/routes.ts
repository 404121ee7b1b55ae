import { json, Router, type RequestHandler } from 'express';
import { z } from 'zod';

import { deliverySchema } from '@/core/inbox/notifications';

import { notFromAnotherSite } from '../guard/fromHere';
import { bodyBudget, perMinute } from '../guard/limits';
import type { Deliveries } from './Deliveries';

const idsSchema = z.object({ ids: z.array(z.string()).max(500) });
const idSchema = z.object({ id: z.string() });
/** A voicemail of the longest kind, as base64, in bytes. */
const largest = 16_000_000;
const largestTogether = 64_000_000;
const requestsPerMinute = 1_200;

/** Another site's page can send no JSON without being asked first, which is never answered. */
export const jsonOnly: RequestHandler = (request, response, next) => {
  if (request.is('application/json')) return next();
  response.sendStatus(403);
};

/** `POST /` takes a delivery on, `POST /progress` says how some stand, `POST /again` tries one now. */
export function tellingRoutes(deliveries: Deliveries): Router {
  const routes = Router();
  routes.use(notFromAnotherSite, jsonOnly, perMinute(requestsPerMinute));
  routes.use(bodyBudget(largest, largestTogether), json({ limit: largest }));
  routes.post('/', (request, response) => {
    const delivery = deliverySchema.safeParse(request.body);
    if (!delivery.success) return void response.sendStatus(400);
    const progress = deliveries.take(delivery.data);
    if (progress) response.status(202).json(progress);
    else response.sendStatus(507);
  });
  routes.post('/progress', (request, response) => {
    const asked = idsSchema.safeParse(request.body);
    if (asked.success) response.json(deliveries.progressOf(asked.data.ids));
    else response.sendStatus(400);
  });
  routes.post('/again', (request, response) => {
    const asked = idSchema.safeParse(request.body);
    const progress = asked.success ? deliveries.again(asked.data.id) : null;
    if (progress) response.json(progress);
    else response.sendStatus(404);
  });
  return routes;
}
