import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { formatDayAndClock } from '@/core/shared/time';
import { selectOffice, selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { sendOutside } from '@/state/outside';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { AskedPart } from '../shared/AskedPart';
import { callerOf, callers, type CallerKind } from '../shared/askedCallers';
import { JourneyStops } from '../shared/JourneyStops';
import { MomentSheet } from '../shared/MomentSheet';
import type { useTried } from './useTried';

interface TryPartProps {
  of: ReturnType<typeof useTried>;
}

/** The call that is tried, whose question is changed by a tap; stays under the thumb, below the picture it lights. */
export function TryPart({ of: { asked, setAsked, playing, saying, myId } }: TryPartProps) {
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const now = useNow(60_000);
  const [open, setOpen] = useState<'caller' | 'at' | null>(null);
  const { nowSeconds, play, rest, speed } = playing;
  const close = () => setOpen(null);
  const callerWord = callers.find(({ kind }) => kind === asked.callerKind)?.word ?? '';
  const whenWord = asked.at === null ? 'now' : formatDayAndClock(asked.at, now, zone);
  const line = office.lines.get(asked.lineId);
  const place = () => {
    const { number } = callerOf(asked.callerKind, office, myId);
    const from = { kind: 'outside', number, name: null } as const;
    void dispatch(sendOutside({ type: 'make', from, to: line?.number ?? '' }));
  };
  return (
    <View style={styles.stack} role="group" aria-label="Try a call">
      <View style={styles.question} role="group" aria-label="The question">
        <AskedPart word={callerWord} label={`Caller: ${callerWord}`} onPress={() => setOpen('caller')} />
        <Txt as="heading">{`calls ${line?.name ?? 'a line'}`}</Txt>
        <AskedPart word={whenWord} label={`Moment: ${whenWord}`} onPress={() => setOpen('at')} />
      </View>
      <View role="status">
        {nowSeconds === null ? null : (
          <>
            <Txt>{saying}</Txt>
            <Txt as="mono">{`second ${Math.floor(nowSeconds)}, ${speed} × as fast`}</Txt>
          </>
        )}
      </View>
      <View style={styles.plates}>
        {nowSeconds === null ? (
          <Plate word="Play it" onPress={() => play(4)} />
        ) : (
          <Plate word="Stop" onPress={rest} />
        )}
        {/* Only a call now can be. */}
        {asked.at === null ? <Plate word="Place it for real" onPress={place} /> : null}
      </View>
      {open === 'caller' ? (
        <Sheet title="Who calls" onClose={close}>
          <Choice<CallerKind>
            label="Caller"
            value={asked.callerKind}
            options={callers
              .filter(({ kind }) => kind !== 'colleague')
              .map(({ kind, word }) => ({ value: kind, word }))}
            onChoose={(callerKind) => {
              setAsked({ ...asked, callerKind });
              close();
            }}
          />
        </Sheet>
      ) : null}
      {open === 'at' ? (
        <MomentSheet
          onClose={close}
          onChoose={(at) => {
            setAsked({ ...asked, at });
            close();
          }}
        />
      ) : null}
    </View>
  );
}

/** Where the tried call comes, where nobody takes it; at menus keys are chosen. */
export function TriedStops({ of: { asked, setAsked, journey, myId } }: TryPartProps) {
  const now = useNow(60_000);
  const office = useAppSelector(selectOffice);
  return (
    <View style={styles.stack} role="region" aria-label="The tried call">
      <Txt as="heading" level={2}>
        If nobody takes it
      </Txt>
      <JourneyStops
        {...{ journey, office, myId, at: asked.at ?? now }}
        onKeys={(keys) => setAsked({ ...asked, keys })}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.s },
  question: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', columnGap: space.s },
  plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
