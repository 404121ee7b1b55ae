import { z } from 'zod';

/** Asked of the server this app came from. `null`: it can't be reached; a number: what it answered instead. */
export type Asked<T> = { ok: true; value: T } | { ok: false; status: number | null };

export async function askServer<T>(path: string, body: unknown, schema: z.ZodType<T>): Promise<Asked<T>> {
  let response: Response;
  try {
    response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  } catch {
    return { ok: false, status: null };
  }
  if (!response.ok) return { ok: false, status: response.status };
  const answer = schema.safeParse(await response.json().catch(() => null));
  return answer.success ? { ok: true, value: answer.data } : { ok: false, status: response.status };
}

export const receivedMailSchema = z.object({
  at: z.number(),
  to: z.string(),
  subject: z.string(),
  text: z.string(),
  files: z.array(z.object({ name: z.string(), contentType: z.string(), base64: z.string() })),
});
export type ReceivedMail = z.infer<typeof receivedMailSchema>;

export const receivedWebhookSchema = z.object({
  at: z.number(),
  id: z.string(),
  timestamp: z.string(),
  signature: z.string(),
  body: z.string(),
  status: z.number(),
});
export type ReceivedWebhook = z.infer<typeof receivedWebhookSchema>;

/** What came for these addresses at the stand-in mail server, newest first. */
export const seeMails = (addresses: readonly string[]) =>
  askServer('/api/standins/mails', { addresses }, z.array(receivedMailSchema));

const doorOf = (name: string) => `/api/standins/webhooks/${encodeURIComponent(name)}`;
/** The stand-in program's web address, which can be told. */
export const webhookDoor = (name: string): string => window.location.origin + doorOf(name);
/** What came to it, newest first. */
export const seeWebhooks = (name: string) =>
  askServer(`${doorOf(name)}/seen`, {}, z.array(receivedWebhookSchema));
/** What it answers from now on: 204 takes everything, 503 nothing. */
export const setWebhookAnswer = (name: string, status: number) =>
  askServer(`${doorOf(name)}/answer`, { status }, z.object({}));
