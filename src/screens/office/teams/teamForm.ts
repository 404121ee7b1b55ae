import { z } from 'zod';

import type { OfficeSetup, Team } from '@/core/setup';
import { freeExtension } from '@/core/setup/changes';
import { editOf, freeId, type Edit } from '@/core/setup/edits';

export const teamFormSchema = z
  .object({
    name: z.string().trim().min(1, 'Say what the team is called.').max(60, 'That is too long.'),
    extension: z.string().trim().min(1, 'Give the team an extension.'),
    memberIds: z.array(z.string()).min(1, 'Nobody would ring: a team needs somebody.'),
    /** What nobody takes: a mailbox of the team, or busy tone. */
    otherwise: z.enum(['busy', 'mailbox']),
    greeting: z.string().trim(),
  })
  .refine(({ otherwise, greeting }) => otherwise === 'busy' || greeting !== '', {
    path: ['greeting'],
    message: 'Say what callers hear before they leave a message.',
  });
export type TeamForm = z.infer<typeof teamFormSchema>;

export function asTeamForm(setup: OfficeSetup, team: Team | null): TeamForm {
  if (!team)
    return {
      ...{ name: '', extension: freeExtension(setup) ?? '', memberIds: [], otherwise: 'mailbox' },
      greeting: `This is ${setup.name}. Nobody can take your call now. Please say who you are and what it is about.`,
    };
  const { name, extension, memberIds, mailbox } = team;
  const otherwise = mailbox ? 'mailbox' : 'busy';
  return { name, extension, memberIds, otherwise, greeting: mailbox?.text ?? '' };
}

export function teamEdits(seen: OfficeSetup, team: Team | null, form: TeamForm): Edit[] {
  const { name, extension, memberIds, otherwise, greeting } = form;
  const id = team?.id ?? freeId(seen, 'teams', 't');
  const row = {
    ...{ id, name, extension, memberIds },
    ...(otherwise === 'mailbox' && { mailbox: { text: greeting } }),
  };
  return [editOf(seen, 'teams', id, row)];
}
