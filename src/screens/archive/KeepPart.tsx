import { StyleSheet, View } from 'react-native';

import type { KeepDays } from '@/core/inbox/retention';
import {
  keepDaysChosen,
  selectChosenKeepDays,
  selectKeptAtMost,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectExpired } from '@/state/inbox';
import { Choice } from '@/ui/field';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

const hourMs = 3_600_000;

const spans: { value: string; word: string; days: number | null }[] = [
  { value: '30', word: '30 days', days: 30 },
  { value: '60', word: '60 days', days: 60 },
  { value: '365', word: 'a year', days: 365 },
  { value: 'good', word: 'for good', days: null },
];

const parts: { name: keyof KeepDays; label: string; noun: string }[] = [
  { name: 'voicemails', label: 'Voicemails that were heard', noun: 'voicemails' },
  { name: 'texts', label: 'Texts and messages that were read', noun: 'texts' },
  { name: 'faxes', label: 'Faxes that were read or sent', noun: 'faxes' },
  { name: 'recordings', label: 'Recordings of calls', noun: 'recordings' },
];

/** How long what is done with is kept, and what that would drop. */
export function KeepPart() {
  const dispatch = useAppDispatch();
  const now = useNow(hourMs);
  const keepDays = useAppSelector(selectChosenKeepDays);
  const atMost = useAppSelector(selectKeptAtMost) ?? {};
  const bound = parts.flatMap(({ name, noun }) => {
    const most = atMost[name];
    return most === undefined ? [] : [`${noun} ${most} days`];
  });
  const expired = useAppSelector((state) => selectExpired(state, now));
  const going = parts.flatMap(({ name, noun }) =>
    expired[name].length === 0 ? [] : [`${expired[name].length} ${noun}`],
  );
  return (
    <View style={styles.part} role="region" aria-label="How long it is kept">
      <Txt as="heading" level={2}>
        How long it is kept
      </Txt>
      {parts.map(({ name, label }) => (
        <Choice
          key={name}
          asStrip
          label={label}
          value={spans.find(({ days }) => days === keepDays[name])?.value ?? null}
          options={spans}
          onChoose={(value) =>
            dispatch(keepDaysChosen({ [name]: spans.find((span) => span.value === value)?.days ?? null }))
          }
        />
      ))}
      {bound.length === 0 ? null : (
        <Txt as="small">{`The office keeps nothing longer than this: ${bound.join(', ')}.`}</Txt>
      )}
      <View role="status">
        <Txt as="small">
          {going.length === 0
            ? 'Nothing is older than that. What nobody has heard or read always stays.'
            : `Older than that, and deleted at the next start: ${going.join(', ')}.`}
        </Txt>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({ part: { gap: space.m } });
