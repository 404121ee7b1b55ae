import { json, Router, type RequestHandler } from 'express';
import { z } from 'zod';

import { deliverySchema } from '@/core/notices';

import type { Deliveries } from './Deliveries';

const idsSchema = z.object({ ids: z.array(z.string()).max(500) });
const idSchema = z.object({ id: z.string() });
/** A voicemail of the longest kind, as base64. */
const largest = '16mb';

/** Only the app itself may ask: another site's page can neither send JSON nor claim to be of this one. */
export const fromHereOnly: RequestHandler = (request, response, next) => {
  const site = request.get('sec-fetch-site') ?? 'same-origin';
  if (request.is('application/json') && ['same-origin', 'none'].includes(site)) return next();
  response.sendStatus(403);
};

/** `POST /` takes a delivery on, `POST /progress` says how some stand, `POST /again` tries one now. */
export function tellingRoutes(deliveries: Deliveries): Router {
  const routes = Router();
  routes.use(fromHereOnly, json({ limit: largest }));
  routes.post('/', (request, response) => {
    const delivery = deliverySchema.safeParse(request.body);
    if (!delivery.success) return void response.sendStatus(400);
    const progress = deliveries.take(delivery.data);
    if (progress) response.status(202).json(progress);
    else response.sendStatus(503);
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
