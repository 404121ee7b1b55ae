import { StyleSheet, View } from 'react-native';

import type { OfficeSetup } from '@/core/setup';
import { selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { setRecordingPolicy } from '@/state/configuration';
import { Choice } from '@/ui/field';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { RecordingAtUsual } from './RecordingAtUsual';

type Policy = OfficeSetup['policies']['recording'];

const policies: { value: Policy; word: string; detail: string }[] = [
  { value: 'onDemand', word: 'On demand', detail: 'whoever is in the call begins it' },
  { value: 'always', word: 'Always', detail: 'from the answer, all sides are told' },
  { value: 'never', word: 'Never', detail: 'nobody can begin one' },
];

const said: Record<Policy, string> = {
  onDemand: 'From now on calls are recorded on demand.',
  always: 'From the next answer on, every call is recorded, and all sides are told.',
  never: 'From now on no recording can be begun.',
};

/** Whether calls are recorded. Emergency calls never are. */
export function RecordingPart() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const policy = useAppSelector((state) => selectOffice(state).setup.policies.recording);
  return (
    <View style={styles.section} role="region" aria-label="Recording calls">
      <Txt as="heading" level={2}>
        Recording calls
      </Txt>
      <Txt colour={colours.faint}>
        It holds wherever a person, a line or a team has no word of its own. Emergency calls are never
        recorded. How long recordings are kept stands under “Everything in one file”.
      </Txt>
      <Choice
        label="Calls are recorded"
        value={policy}
        options={policies}
        onChoose={(next) => void dispatch(setRecordingPolicy(next, said[next]))}
      />
      <RecordingAtUsual />
    </View>
  );
}

const styles = StyleSheet.create({ section: { gap: space.s } });
