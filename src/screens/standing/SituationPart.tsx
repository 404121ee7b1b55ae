import { useState } from 'react';
import { View } from 'react-native';

import { readUntil } from '@/core/shared/parseTime';
import {
  selectMyId,
  selectMyStanding,
  selectOffice,
  selectZone,
  setDoNotDisturb,
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

import { usualPasses } from './DisturbPart';
import { EndPicker } from './EndPicker';
import { FollowsPart } from './FollowsPart';
import { SituationsSheet } from './SituationsSheet';
import { ringsNow, situationWords, untilWords } from './standingWords';
import { useEnd } from './useEnd';

const nowhere = 'none';

/** Which of my situations I am in: one tap, and what rings and what colleagues see is another. */
export function SituationPart() {
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const standing = useAppSelector((state) => selectMyStanding(state, now));
  const [word, setWord] = useState(standing.word);
  const end = useEnd('open');
  const [isChanging, setChanging] = useState(false);
  const me = office.people.get(myId);
  const situations = me?.situations ?? [];
  const nowhereWord = (me?.follows ?? []).length > 0 ? 'By its schedule' : 'No situation';
  const lineId = office.setup.lines.find(({ ownerId, urgent }) => ownerId === myId && !urgent)?.id ?? null;

  const choose = (id: string, until: number | null, words: string) => {
    const chosen = situations.find((each) => each.id === id);
    const said = `${chosen ? situationWords(chosen, words) : nowhereWord}${untilWords(until, clock.now(), zone)}`;
    void dispatch(setSituation(chosen && { id, word: words, until }, `${said}. Colleagues see it now.`));
  };
  const current = standing.follows ? nowhere : (standing.situation?.id ?? nowhere);
  // "In a meeting until three" says its end itself.
  const saidEnd = readUntil(word, now, zone);
  const keep = () => {
    const found = readUntil(word, clock.now(), zone);
    if (found) {
      setWord(found.words);
      choose(current, found.until, found.words);
      return;
    }
    const until = end.read(clock.now());
    if (until !== undefined) choose(current, until, word.trim());
  };
  const lines = office.setup.lines.filter(({ ownerId }) => ownerId === myId);
  const quietUntil = standing.follows || standing.doNotDisturb ? null : standing.until;
  const beQuiet = (until: number) =>
    void dispatch(
      setDoNotDisturb(
        { mode: 'quiet', until, ...usualPasses(lines) },
        `Do not disturb${untilWords(until, clock.now(), zone)}. It ends by itself.`,
      ),
    );
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
        onChoose={(id) => {
          // Words said of another situation do not go along.
          const words = word === standing.word ? '' : word.trim();
          setWord(words);
          choose(id, null, words);
        }}
      />
      {current === nowhere ? null : (
        <>
          <Field
            label="In your own words, for colleagues, such as “In a meeting until three”"
            value={word}
            onChange={setWord}
            onSubmit={keep}
          />
          {saidEnd ? null : <EndPicker label="It ends" of={end} />}
          <Plate
            word={
              saidEnd
                ? `Set “${saidEnd.words}”${untilWords(saidEnd.until, now, zone)}`
                : 'Set it, with its end'
            }
            onPress={keep}
          />
          {quietUntil === null ? null : (
            <Plate
              word={`Do not disturb${untilWords(quietUntil, now, zone)} too`}
              onPress={() => beQuiet(quietUntil)}
            />
          )}
        </>
      )}
      <Plate word="Add or change situations" onPress={() => setChanging(true)} />
      <FollowsPart situations={situations} />
      {isChanging ? <SituationsSheet onClose={() => setChanging(false)} /> : null}
    </View>
  );
}
