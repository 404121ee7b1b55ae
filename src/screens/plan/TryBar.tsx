import { StyleSheet, View } from 'react-native';

import { describeFinish, type OfficeIndex } from '@/core/setup';
import type { RouteTrace } from '@/core/plans/routing';
import { selectIsPlanChanged, useAppDispatch, useAppSelector } from '@/state/app';
import { sendOutside } from '@/state/outside';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { shortTargetName } from '../shared/targetWords';
import { callerOf } from '../shared/askedCallers';
import { myExtension, type Question } from './useQuestion';
import type { useTry } from '../shared/useTry';

interface TryBarProps {
  question: Question;
  office: OfficeIndex;
  myId: string;
  trace: RouteTrace;
  of: ReturnType<typeof useTry>;
}

/** Plays the seconds of the asked call, and places it for real from outside. */
export function TryBar({
  question,
  office,
  myId,
  trace,
  of: { nowSeconds, speed, play, rest },
}: TryBarProps) {
  const dispatch = useAppDispatch();
  const isChanged = useAppSelector(selectIsPlanChanged);
  const place = () => {
    const { number, personId } = callerOf(question.callerKind, office, myId);
    const to = office.lines.get(question.line)?.number ?? office.people.get(myId)?.extension ?? '';
    const desk = office.devicesOf(personId ?? '')[0];
    const from = desk
      ? ({ kind: 'device', deviceId: desk.id } as const)
      : ({ kind: 'outside', number, name: null } as const);
    void dispatch(sendOutside({ type: 'make', from, to }));
  };
  const canPlace = question.at === null && question.situation === null && !isChanged;
  const needsPhone = question.callerKind !== 'colleague' && question.line === myExtension;
  return (
    <View style={styles.all} role="group" aria-label="Try a call">
      {nowSeconds === null ? null : (
        <View role="status">
          <Txt as="strong">{saying(trace, nowSeconds, office, myId)}</Txt>
          <Txt as="mono">{`second ${Math.floor(nowSeconds)}, ${speed} × as fast`}</Txt>
        </View>
      )}
      <View style={styles.acts}>
        <Plate word="Play it" onPress={() => play(1)} />
        <Plate word="Four times as fast" onPress={() => play(4)} />
        {nowSeconds === null ? null : <Plate word="Stop" onPress={rest} />}
        <Plate word="Place it for real" disabled={!canPlace || needsPhone} onPress={place} />
      </View>
      {canPlace ? null : (
        <Txt as="small">
          {isChanged
            ? 'Put the changes into force to place this call for real.'
            : 'Only a call now, in the situation you are in, can be placed for real.'}
        </Txt>
      )}
      {canPlace && needsPhone ? <Txt as="small">Only a colleague can dial your extension.</Txt> : null}
    </View>
  );
}

function saying(trace: RouteTrace, seconds: number, office: OfficeIndex, myId: string): string {
  if (seconds >= trace.finishSeconds) return `Now ${describeFinish(trace.finish, office, myId)}.`;
  const ringing = trace.legs.filter(
    ({ fromSeconds, toSeconds }) => fromSeconds <= seconds && seconds < toSeconds,
  );
  if (ringing.length === 0) return 'Nothing rings.';
  return `Rings: ${ringing.map((leg) => shortTargetName(leg, office, myId)).join(', ')}.`;
}

const styles = StyleSheet.create({
  all: { gap: space.s },
  acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
