import { join } from 'node:path';

import pino, { type Logger } from 'pino';

import type { AccessChange } from '@/core/office';
import type { OfficeStep } from '@/office/hosted';

/** What the server does, as lines of JSON. Neither words nor digits of anybody, nor anything secret, is ever said to it. */
export const makeLog = (): Logger =>
  pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, pino.destination(2));

/** What kind of fault it was, and where it arose; its own words may hold what somebody has said. */
export function faultWords(error: unknown): string {
  if (!(error instanceof Error)) return 'unknown';
  const [at = ''] = /at .+/.exec(error.stack ?? '') ?? [];
  return `${error.name} ${at}`;
}

/** Who came in or did not, and who changed what of the office: for whoever has to answer for it. A file that only grows. */
export function makeAudit(folder: string) {
  const file = pino.destination({
    dest: join(folder, 'audit.jsonl'),
    append: true,
    mkdir: true,
    mode: 0o600,
    sync: true,
  });
  const audit = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, file);
  return {
    took: ({ accessRows, rows }: Pick<OfficeStep, 'accessRows' | 'rows'>) => {
      for (const change of accessRows) {
        const entry = entryOf(change);
        if (entry) audit.info(entry);
      }
      for (const row of rows)
        if (row.table === 'setupLog' && row.now)
          audit.info({
            what: 'office changed',
            personId: row.now.byId,
            entry: row.id,
            tables: [...new Set(row.now.rows.map(({ table }) => table))],
          });
    },
    close: () => file.end(),
  };
}

/** So much of the name of a sign-in tells it from others, and is no use to anybody. */
const short = (id: string) => id.slice(0, 8);

/** null: nothing that anybody would ask about. */
function entryOf({ kind, id, now }: AccessChange): object | null {
  switch (kind) {
    case 'pin':
      return now?.kind === 'pin'
        ? { what: now.isGiven ? 'PIN given' : 'PIN chosen', personId: id }
        : { what: 'PIN gone', personId: id };
    case 'tries':
      return now?.kind === 'tries'
        ? { what: 'wrong PIN', personId: id, wrong: now.wrong, pausedUntil: now.pausedUntil }
        : null;
    case 'invitation':
      if (now?.kind !== 'invitation') return { what: 'link taken back', link: short(id) };
      return {
        what: now.usedAt === null ? 'link made' : 'link used',
        personId: now.personId,
        link: short(id),
      };
    case 'signIn':
      if (now?.kind !== 'signIn') return { what: 'signed out', device: short(id) };
      // A device that was there again has not signed in.
      return now.at === now.lastAt
        ? { what: 'signed in', personId: now.personId, name: now.name, device: short(id) }
        : null;
  }
}
