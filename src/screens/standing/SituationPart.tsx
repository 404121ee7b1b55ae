import { useState } from 'react';
import { View } from 'react-native';

import { formatClock } from '@/core/time';
import {
  selectMyStanding,
  selectOffice,
  selectZone,
  setSituation,
  useAppDispatch,
  useAppSelector,
  useNow,
  useServices,
} from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { EndPicker } from './EndPicker';
import { FollowsPart } from './FollowsPart';
import { ringsNow } from './standingWords';
import { useEnd } from './useEnd';

const nowhere = 'none';

/** Which of my situations I am in: one tap, and what rings and what colleagues see is another. */
export function SituationPart() {
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector((state) => state.office.me?.personId ?? '');
  const now = useNow(60_000);
  const standing = useAppSelector((state) => selectMyStanding(state, now));
  const [word, setWord] = useState(standing.word);
  const end = useEnd('open');
  const me = office.people.get(myId);
  const situations = me?.situations ?? [];
  const nowhereWord = (me?.follows ?? []).length > 0 ? 'By its schedule' : 'No situation';
  const lineId = office.setup.lines.find(({ ownerId, urgent }) => ownerId === myId && !urgent)?.id ?? null;

  const choose = (id: string, until: number | null) => {
    const name = situations.find((each) => each.id === id)?.name ?? nowhereWord;
    const situation = id === nowhere ? undefined : { id, word: word.trim(), until };
    const ending = until === null ? '' : ` until ${formatClock(until, zone)}`;
    void dispatch(setSituation(situation, `${name}${ending}. Colleagues see it now.`));
  };
  const current = standing.follows ? nowhere : (standing.situation?.id ?? nowhere);
  const keep = () => {
    const until = end.read(clock.now());
    if (until !== undefined) choose(current, until);
  };
  return (
    <View style={{ gap: space.m }} role="region" aria-label="Situation">
      <Txt as="heading" level={2}>
        Situation
      </Txt>
      <Choice
        label="Where I am"
        value={current}
        options={[
          ...situations.map(({ id, name }) => ({
            value: id,
            word: name,
            detail: `Then: ${ringsNow(office, myId, lineId, now, id)}`,
          })),
          { value: nowhere, word: nowhereWord },
        ]}
        onChoose={(id) => choose(id, null)}
      />
      {current === nowhere ? null : (
        <>
          <Field label="In your own words, for colleagues" value={word} onChange={setWord} onSubmit={keep} />
          <EndPicker label="It ends" of={end} />
          <Plate word="Set this, with its end" onPress={keep} />
        </>
      )}
      <FollowsPart situations={situations} />
    </View>
  );
}
