import { useState } from 'react';
import { View } from 'react-native';

import type { CallerMatch, DoNotDisturb, Line } from '@/core/setup';
import {
  selectMyId,
  selectMyStanding,
  selectOffice,
  selectZone,
  setDoNotDisturb,
  useAppDispatch,
  useAppSelector,
  useNow,
  useServices,
} from '@/state/app';
import { Choice, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { EndPicker } from './EndPicker';
import { untilWords } from './standingWords';
import { useEnd } from './useEnd';

/** Who is let through unless it is chosen otherwise: starred callers, and my urgent lines. */
export const usualPasses = (lines: readonly Line[]): Pick<DoNotDisturb, 'passes' | 'passLineIds'> => ({
  passes: [{ kind: 'starred' }],
  passLineIds: lines.filter(({ urgent }) => urgent).map(({ id }) => id),
});

const modeWords: Record<DoNotDisturb['mode'], string> = {
  quiet: 'callers go at once where your plan ends, such as your mailbox',
  silent: 'callers hear ringing and go on by your plan, but nothing of yours rings',
  refuse: 'callers hear busy tone',
};

const passing = [
  { id: 'starred', word: 'Starred callers', match: { kind: 'starred' } },
  {
    id: 'repeated',
    word: 'Whoever calls a third time within 15 min',
    match: { kind: 'repeated', times: 2, withinMinutes: 15 },
  },
] as const satisfies readonly { id: string; word: string; match: CallerMatch }[];

/** Nothing rings for a while but what must; it ends by itself. */
export function DisturbPart() {
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const { doNotDisturb } = useAppSelector((state) => selectMyStanding(state, now));
  const end = useEnd('60');
  const [mode, setMode] = useState<DoNotDisturb['mode']>('quiet');
  const lines = office.setup.lines.filter(({ ownerId }) => ownerId === myId);
  const [passes, setPasses] = useState<readonly string[]>(['starred', ...usualPasses(lines).passLineIds]);
  const begin = () => {
    const until = end.read(clock.now());
    if (until === undefined) return;
    void dispatch(
      setDoNotDisturb(
        {
          mode,
          until,
          passes: passing.filter(({ id }) => passes.includes(id)).map(({ match }) => match),
          passLineIds: lines.map(({ id }) => id).filter((id) => passes.includes(id)),
        },
        `Do not disturb${untilWords(until, clock.now(), zone)}. ${until === null ? '' : 'It ends by itself.'}`,
      ),
    );
  };
  return (
    <View style={{ gap: space.m }} role="region" aria-label="Do not disturb">
      <Txt as="heading" level={2}>
        Do not disturb
      </Txt>
      {doNotDisturb ? (
        <>
          <Txt>{`On${untilWords(doNotDisturb.until, now, zone)}: ${modeWords[doNotDisturb.mode]}.`}</Txt>
          <Plate
            word="End it now"
            kind="main"
            onPress={() => void dispatch(setDoNotDisturb(null, 'Calls ring again.'))}
          />
        </>
      ) : (
        <>
          <EndPicker label="It ends" of={end} />
          <Choice
            asStrip
            label="Callers"
            value={mode}
            options={[
              { value: 'quiet', word: 'reach the mailbox' },
              { value: 'silent', word: 'hear ringing' },
              { value: 'refuse', word: 'hear busy tone' },
            ]}
            onChoose={setMode}
          />
          <Txt as="small">{`Then ${modeWords[mode]}.`}</Txt>
          <Ticks
            label="Let through anyway"
            options={[
              ...passing.map(({ id, word }) => ({ value: id as string, word })),
              ...lines.map(({ id, name }) => ({ value: id, word: name })),
            ]}
            chosen={passes}
            onChange={setPasses}
          />
          <Plate word="Do not disturb me" kind="main" onPress={begin} />
        </>
      )}
    </View>
  );
}
