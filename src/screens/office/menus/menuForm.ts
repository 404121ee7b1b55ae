import { z } from 'zod';

import { hoursWords, readHours } from '@/core/plans/hours';
import { whereTo, type Finish, type Menu, type OfficeIndex, type OfficeSetup } from '@/core/setup';
import { freeExtension } from '@/core/setup/changes';
import { editOf, freeId, type Edit } from '@/core/setup/edits';

import { finishText, readFinish } from '../form/finishText';

export const menuFormSchema = z.object({
  name: z.string().trim().min(1, 'Say what the menu is called.').max(60, 'That is too long.'),
  extension: z.string().trim().min(1, 'Give the menu an extension.'),
  text: z.string().trim().min(1, 'A menu that says nothing tells nobody its keys.'),
  /** Said at certain hours instead. */
  greetings: z.array(
    z.object({
      hours: z
        .string()
        .trim()
        .min(1, 'Say when: Mon–Fri 8–17.')
        .superRefine((hours, context) => {
          const read = readHours(hours);
          if (!read.ok) context.addIssue({ code: 'custom', message: read.sentence });
        }),
      text: z.string().trim().min(1, 'A menu that says nothing tells nobody its keys.'),
    }),
  ),
  /** Spoken to whoever presses its key, in this menu and the next. */
  languages: z.array(
    z.object({
      key: z
        .string()
        .trim()
        .regex(/^[0-9*#]$/, 'One of 0 to 9, * and #.'),
      language: z.string().trim().min(1, 'Say which language.').max(30, 'That is too long.'),
      text: z.string().trim().min(1, 'A menu that says nothing tells nobody its keys.'),
    }),
  ),
  keys: z
    .array(
      z.object({
        key: z
          .string()
          .trim()
          .regex(/^[0-9*#]$/, 'One of 0 to 9, * and #.'),
        to: z.string().trim().min(1, 'Say where it leads.'),
      }),
    )
    .min(1, 'Give it a key: nobody could choose anything.'),
  dialsExtensions: z.boolean(),
  /** Empty: there is none. */
  nameKey: z
    .string()
    .trim()
    .regex(/^[0-9*#]?$/, 'One of 0 to 9, * and #; empty for none.'),
  waitSeconds: z.number().positive(),
  turns: z.number().int().min(1).max(5),
  /** Where it ends when nothing is chosen: an extension or a number; empty: in busy tone. */
  finishTo: z.string().trim(),
  keeperId: z.string().min(1, 'Say who is told of callers that leave.'),
});
export type MenuForm = z.infer<typeof menuFormSchema>;

const welcome = ({ name }: OfficeSetup) => `Welcome to ${name}.`;

/** What the menu says of its keys, each by the name of where it leads. */
export function spokenMenu(
  { keys, dialsExtensions, nameKey }: Pick<MenuForm, 'keys' | 'dialsExtensions' | 'nameKey'>,
  office: OfficeIndex,
): string {
  const said = keys.flatMap(({ key, to }) =>
    to.trim() === '' ? [] : [`For ${whereTo(to.trim(), office)}, press ${keyWords[key] ?? key}.`],
  );
  const others = [
    ...(dialsExtensions ? ['If you know the extension, dial it.'] : []),
    ...(nameKey.trim() === ''
      ? []
      : [`To spell a name, press ${keyWords[nameKey.trim()] ?? nameKey.trim()}.`]),
  ];
  return [welcome(office.setup), ...said, ...others].join(' ');
}
const keyWords: Record<string, string> = { '*': 'star', '#': 'hash' };

export function asMenuForm(setup: OfficeSetup, menu: Menu | null): MenuForm {
  if (!menu)
    return {
      ...{ name: '', extension: freeExtension(setup) ?? '', waitSeconds: 5, turns: 2, finishTo: '' },
      text: welcome(setup),
      keys: [{ key: '1', to: '' }],
      ...{ dialsExtensions: false, nameKey: '', greetings: [], languages: [] },
      keeperId: setup.people[0]?.id ?? '',
    };
  const { name, extension, text, keys, waitSeconds, turns, finish, keeperId } = menu;
  const { dialsExtensions = false, nameKey = '', greetings = [], languages = [] } = menu;
  return {
    ...{ name, extension, text, keys, dialsExtensions, nameKey, waitSeconds, turns, keeperId },
    languages: languages.map((each) => ({ ...each })),
    greetings: greetings.map((each) => ({ hours: hoursWords(each.hours), text: each.text })),
    finishTo: finishText(finish, setup),
  };
}

export function menuEdits(seen: OfficeSetup, menu: Menu | null, form: MenuForm): Edit[] {
  const { finishTo: to, dialsExtensions, nameKey, greetings: typed, languages, ...rest } = form;
  const greetings = typed.flatMap(({ hours, text }) => {
    const read = readHours(hours);
    return read.ok
      ? [{ hours: read.value.map((window) => ({ ...window, days: [...window.days] })), text }]
      : [];
  });
  const id = menu?.id ?? freeId(seen, 'menus', 'm');
  const finish: Finish = readFinish(to, menu?.finish, seen) ?? { kind: 'busy' };
  const dialled = {
    ...(dialsExtensions && { dialsExtensions }),
    ...(nameKey !== '' && { nameKey }),
    ...(greetings.length > 0 && { greetings }),
    ...(languages.length > 0 && { languages }),
  };
  return [editOf(seen, 'menus', id, { ...rest, ...dialled, id, finish })];
}
