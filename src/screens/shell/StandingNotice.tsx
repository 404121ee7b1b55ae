import {
  selectMyId,
  selectMyStanding,
  selectOffice,
  setDoNotDisturb,
  setForwardAll,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { Notice } from '@/ui/notice';

import { standingWords } from '../standing/standingWords';

/** While everything is forwarded, or nothing may ring, every screen says so, with one tap to end it. */
export function StandingNotice() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const standing = useAppSelector((state) => selectMyStanding(state, now));
  if (!standing.forward && !standing.doNotDisturb) return null;
  const end = () =>
    standing.forward
      ? dispatch(setForwardAll(null, 'Your ring plan decides again.'))
      : dispatch(setDoNotDisturb(null, 'Calls ring again.'));
  return (
    <Notice
      sentence={`${standingWords(standing, office, now, myId)}.`}
      action={{ word: standing.forward ? 'Turn it off' : 'End it', onPress: () => void end() }}
    />
  );
}
