import { listsOf, priorities } from '@/core/inbox/followUps';
import { selectWork, useAppSelector } from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { Txt } from '@/ui/text';

import { ReadMoment } from '../shared/ReadMoment';
import { typedTime, type FollowUpDraft } from './useFollowUpDraft';

/** By when a follow-up is to be done. */
export function DueField({ draft, label }: { draft: FollowUpDraft; label: string }) {
  const { when, whens, typed, error, change } = draft;
  return (
    <>
      <Choice
        asStrip
        label={label}
        value={when}
        options={whens}
        onChoose={(value) => change({ when: value })}
      />
      {when === typedTime ? (
        <>
          <Field
            label="A time, such as 14:30 or Fri 8:00"
            value={typed}
            onChange={(value) => change({ typed: value })}
            error={error}
          />
          <ReadMoment text={typed} />
        </>
      ) : null}
    </>
  );
}

/** How urgent a follow-up is, and where it stands. */
export function SortingFields({ draft, onSubmit }: { draft: FollowUpDraft; onSubmit: () => void }) {
  const { priority, list, words, change } = draft;
  const items = useAppSelector(selectWork);
  const { lists } = listsOf(items.filter((item) => item.kind === 'followUp'));
  return (
    <>
      <Choice
        asStrip
        label="Priority"
        value={priority}
        options={priorities.map((value) => ({ value, word: value }))}
        onChoose={(value) => change({ priority: value })}
      />
      <Field label="List" value={list} onChange={(value) => change({ list: value })} />
      {lists.length === 0 ? null : <Txt as="small">{`In use: ${lists.join(', ')}`}</Txt>}
      <Field
        label="Words to filter by, separated by commas"
        value={words}
        onChange={(value) => change({ words: value })}
        onSubmit={onSubmit}
      />
    </>
  );
}
