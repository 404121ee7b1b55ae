import { View } from 'react-native';

import { formatMoment } from '@/core/shared/time';
import {
  selectMyId,
  selectOffice,
  selectPlanInForce,
  selectZone,
  setForwardAll,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { NewForward } from './NewForward';
import { forwardWords, untilWords } from './standingWords';

/** Everything goes somewhere else, now or from one day to another. */
export function ForwardPart() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const plan = useAppSelector(selectPlanInForce);
  const present = plan.forwards?.find(({ until }) => until === null || until > now);
  const begins =
    present?.from != null && present.from > now ? ` from ${formatMoment(present.from, now, zone)}` : '';
  return (
    <View style={{ gap: space.m }} role="region" aria-label="Forward everything">
      <Txt as="heading" level={2}>
        Forward everything
      </Txt>
      {present ? (
        <>
          <Txt>{`${forwardWords(present.to, office, myId)}${begins}${untilWords(present.until, now, zone)}.`}</Txt>
          <Plate
            word="Turn it off"
            kind="main"
            onPress={() => void dispatch(setForwardAll(null, 'Your ring plan decides again.'))}
          />
        </>
      ) : (
        <NewForward />
      )}
    </View>
  );
}
