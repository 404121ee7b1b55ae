import { useState } from 'react';

import { handleToTake, teamOf, triedAt, type LooseEnd } from '@/core/inbox/looseEnds';
import { selectLooseEnds, selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { askAsColleague } from '@/state/outside';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';

import { Section } from './Section';

const about = (end: LooseEnd) => ({
  key: handleToTake(end),
  teamId: teamOf(end) ?? '',
  since: triedAt(end),
  insteadOf: end.takenById,
});

/** Play a colleague who takes on somebody that waits for the team. */
export function TeamWork() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const open = useAppSelector(selectLooseEnds)?.open;
  const waiting = (open ?? []).filter((end) => teamOf(end) !== null);
  const [key, setKey] = useState<string | null>(null);
  const end = waiting.find(({ who }) => who.key === key) ?? waiting[0];
  const members = office.teams.get((end && teamOf(end)) ?? '')?.memberIds ?? [];
  return (
    <Section title="The team" sentence="A colleague takes on somebody who waits for all of you.">
      {end ? (
        <Choice
          asStrip
          label="Who waits for the team"
          value={end.who.key}
          options={waiting.map(({ who }) => ({ value: who.key, word: who.name }))}
          onChoose={setKey}
        />
      ) : (
        <Txt as="small">Nobody waits for a team. Call one (250), and let it ring.</Txt>
      )}
      {members
        .filter((id) => id !== myId)
        .map((id) => (
          <Plate
            key={id}
            word={`${office.people.get(id)?.name ?? id} takes it on`}
            disabled={end?.takenById === id}
            onPress={() => end && void dispatch(askAsColleague(id, { type: 'takeOn', ...about(end) }))}
          />
        ))}
      {end && end.takenById !== null && end.takenById !== myId ? (
        <Plate
          word="They let go of it"
          onPress={() =>
            void dispatch(
              askAsColleague(end.takenById ?? '', {
                type: 'letGo',
                key: handleToTake(end),
                teamId: teamOf(end) ?? '',
              }),
            )
          }
        />
      ) : null}
    </Section>
  );
}
