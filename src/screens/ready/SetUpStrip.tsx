import { remindedLater, selectMyPlan, useAppDispatch, useAppSelector } from '@/state/app';
import { selectMyPin } from '@/state/access';
import { Notice } from '@/ui/notice';

import { useGo } from '../shared/useGo';

const dayMs = 24 * 60 * 60_000;

const missing = {
  own: 'Your mailbox has no greeting yet',
  given: 'No PIN of your own and no greeting yet',
  none: 'No PIN and no greeting yet',
};

/** Until somebody’s mailbox says something of theirs: what is missing, to be done now or a day later. */
export function SetUpStrip({ now }: { now: number }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const { greetings = [] } = useAppSelector(selectMyPlan);
  const pin = useAppSelector(selectMyPin);
  const from = useAppSelector(({ settings }) => settings.remindedFrom);
  if (greetings.length > 0 || (from !== null && now < from)) return null;
  return (
    <Notice
      sentence={`${missing[pin]}: callers hear a plain sentence that is nobody’s.`}
      action={{ word: 'Set it up', onPress: go.ready }}
      otherwise={{ word: 'Later', onPress: () => dispatch(remindedLater(now + dayMs)) }}
    />
  );
}
