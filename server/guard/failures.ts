import type { ErrorRequestHandler } from 'express';

const sentences: Readonly<Record<number, string>> = {
  400: 'That could not be read.',
  413: 'That is too large.',
};

/** What went wrong, without a word of how this server is made or of what was sent. */
export const plainFailures: ErrorRequestHandler = (error, _request, response, next) => {
  if (response.headersSent) return next(error);
  const status = statusOf(error);
  if (status >= 500) console.error(error instanceof Error ? error.message : 'A request failed.');
  response.status(status).json({ error: sentences[status] ?? 'That did not work.' });
};

function statusOf(error: unknown): number {
  const status = (error as { status?: unknown } | null)?.status;
  return typeof status === 'number' && status >= 400 && status < 600 ? status : 500;
}
