import { findAlike, type Alike } from '@/core/people/alike';
import type { JoinedContact } from '@/core/people/contacts';

export interface AlikeTask {
  people: readonly Pick<JoinedContact, 'id' | 'name' | 'firm' | 'numbers' | 'mails' | 'places' | 'note'>[];
  apart: readonly string[];
}

/** So many are compared faster on the page than a worker starts. */
const fewPeople = 1_000;

/** Who may be there twice; beside the page where many are compared. Gives what stops it. */
export function findAlikeBeside(
  contacts: readonly JoinedContact[],
  apart: readonly string[],
  onFound: (alike: Alike[]) => void,
): () => void {
  const onPage = () => onFound(findAlike(contacts, new Set(apart)));
  if (contacts.length <= fewPeople) {
    onPage();
    return () => undefined;
  }
  const worker = new Worker(new URL('./alike.worker', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<Alike[]>) => onFound(data);
  // A worker that can't be fetched now costs a moment, and no more.
  worker.onerror = onPage;
  const people = contacts.map(({ cards: _, ...fields }) => fields);
  worker.postMessage({ people, apart } satisfies AlikeTask);
  return () => worker.terminate();
}
