import { StyleSheet, View } from 'react-native';

import { describeFinish, menuTextAt, nameOf, targetName, whereTo, type OfficeIndex } from '@/core/setup';
import type { Journey, Stop } from '@/core/plans/routing';
import { Choice } from '@/ui/field';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

interface JourneyStopsProps {
  journey: Journey;
  /** Stops before that one are not shown. */
  from?: number;
  office: OfficeIndex;
  myId: string;
  /** The keys that are pressed, whenever a menu asks. */
  onKeys: (keys: string[]) => void;
  /** When the call comes, in epoch milliseconds. */
  at: number;
}

/** Where a call nobody takes comes, one after the other, to its end; at menus keys are chosen. */
export function JourneyStops({ journey, from = 0, office, myId, onKeys, at }: JourneyStopsProps) {
  const { stops, finish, finishSeconds } = journey;
  const press = (index: number, key: string | null) => {
    const before = stops.slice(0, index).flatMap(({ pressed }) => pressed);
    onKeys(key === null ? before : [...before, key]);
  };
  return (
    <>
      {stops.map((stop, index) =>
        index < from ? null : (
          <OneStop
            key={`${index} ${stop.trace.ownerId}`}
            stop={stop}
            office={office}
            myId={myId}
            at={at}
            onPress={(key) => press(index, key)}
          />
        ),
      )}
      <Txt>
        {finish === null
          ? 'It goes round in a circle, and is cut off.'
          : `At second ${finishSeconds}: ${describeFinish(finish, office, myId)}.`}
      </Txt>
    </>
  );
}

const nothing = 'nothing';

interface OneStopProps {
  stop: Stop;
  office: OfficeIndex;
  myId: string;
  at: number;
  onPress: (key: string | null) => void;
}

function OneStop({
  stop: { trace, fromSeconds, pressed, language },
  office,
  myId,
  at,
  onPress,
}: OneStopProps) {
  const menu = office.menus.get(trace.ownerId);
  if (menu)
    return (
      <View style={styles.part}>
        <Txt as="strong">{`From second ${fromSeconds}: ${menu.name}`}</Txt>
        <Txt as="small">{`“${menuTextAt(menu, at + fromSeconds * 1000, office.setup.zone, language)}”`}</Txt>
        <Choice
          asStrip
          label="They press"
          value={pressed.at(-1) ?? nothing}
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

const styles = StyleSheet.create({ part: { gap: space.s } });
