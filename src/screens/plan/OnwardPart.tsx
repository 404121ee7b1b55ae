import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { describeFinish, nameOf, targetName, whereTo, type OfficeIndex } from '@/core/setup';
import { allFree, journeyOf, type RouteTrace, type Stop } from '@/core/plans/routing';
import { Choice } from '@/ui/field';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { calledBy, type useQuestion } from './useQuestion';

interface OnwardPartProps {
  of: Pick<ReturnType<typeof useQuestion>, 'question' | 'myId' | 'at' | 'situation'>;
  office: OfficeIndex;
  trace: RouteTrace;
}

/** Where a call goes that leaves this plan by a forward: through colleagues, teams and menus to its end. */
export function OnwardPart({ of: { question, myId, at, situation }, office, trace }: OnwardPartProps) {
  const [keys, setKeys] = useState<readonly string[]>([]);
  if (trace.finish.kind !== 'forward') return null;
  const calledSituation = situation === 'none' ? null : situation;
  const world = { ...allFree(at), calledSituation };
  const journey = journeyOf(office, calledBy(office, myId, question), world, keys);
  const onward = journey.stops.slice(1);
  if (onward.length === 0) return null;
  const menusBefore = (index: number) =>
    onward.slice(0, index).filter(({ trace: { ownerId } }) => office.menus.has(ownerId)).length;
  const press = (index: number, key: string | null) => {
    const before = keys.slice(0, menusBefore(index));
    setKeys(key === null ? before : [...before, key]);
  };
  return (
    <View style={styles.part} role="region" aria-label="And then">
      <Txt as="heading" level={2}>
        And then
      </Txt>
      {onward.map((stop, index) => (
        <OneStop
          key={`${index} ${stop.trace.ownerId}`}
          stop={stop}
          office={office}
          myId={myId}
          onPress={(key) => press(index, key)}
        />
      ))}
      <Txt>
        {journey.finish === null
          ? 'It goes round in a circle, and is cut off.'
          : `At second ${journey.finishSeconds}: ${describeFinish(journey.finish, office, myId)}.`}
      </Txt>
    </View>
  );
}

const nothing = 'nothing';

interface OneStopProps {
  stop: Stop;
  office: OfficeIndex;
  myId: string;
  onPress: (key: string | null) => void;
}

function OneStop({ stop: { trace, fromSeconds, key }, office, myId, onPress }: OneStopProps) {
  const menu = office.menus.get(trace.ownerId);
  if (menu)
    return (
      <View style={styles.part}>
        <Txt as="strong">{`From second ${fromSeconds}: ${menu.name}`}</Txt>
        <Txt as="small">{`“${menu.text}”`}</Txt>
        <Choice
          asStrip
          label="They press"
          value={key ?? nothing}
          options={[
            ...menu.keys.map((each) => ({
              value: each.key,
              word: `${each.key}: ${whereTo(each.to, office)}`,
            })),
            { value: nothing, word: 'nothing' },
          ]}
          onChoose={(chosen) => onPress(chosen === nothing ? null : chosen)}
        />
      </View>
    );
  const name = office.teams.get(trace.ownerId)?.name ?? nameOf(trace.ownerId, office);
  return (
    <View>
      <Txt as="strong">{`From second ${fromSeconds}: ${name}`}</Txt>
      {trace.legs.length > 0 ? null : (
        <Txt as="small">
          {trace.steps.some(({ kind }) => kind === 'queued')
            ? 'It waits there until one of them is free.'
            : 'Nothing rings there.'}
        </Txt>
      )}
      {trace.legs.map((leg) => (
        <Txt key={`${leg.deviceId ?? leg.number} ${leg.fromSeconds}`} as="small">
          {`${targetName(leg, office, myId)} rings from ${fromSeconds + leg.fromSeconds} to ${fromSeconds + leg.toSeconds} s`}
        </Txt>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.s },
});
