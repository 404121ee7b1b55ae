import type { Finish, OfficeSetup } from '@/core/setup';

/** Where a call ends, as it is written in a form: an extension or a number; a mailbox is that of whoever has the extension; empty: nowhere. */
export function finishText(finish: Finish | undefined, { people, teams }: OfficeSetup): string {
  switch (finish?.kind) {
    case 'forward':
      return finish.to;
    case 'mailbox':
      return people.find(({ id }) => id === finish.personId)?.extension ?? '';
    case 'teamMailbox':
      return teams.find(({ id }) => id === finish.teamId)?.extension ?? '';
    default:
      return '';
  }
}

/** What was written. One that the form can't say stays as it is, unless another is given. */
export function readFinish(text: string, before: Finish | undefined, setup: OfficeSetup): Finish | undefined {
  if (before && finishText(before, setup) === text) return before;
  return text === '' ? undefined : { kind: 'forward', to: text };
}
