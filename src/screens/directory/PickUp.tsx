import { selectMyDeviceId, send, useAppDispatch, useAppSelector, type RingingAtColleague } from '@/state/app';
import { Plate } from '@/ui/plate';

import { useGo } from '../shared/useGo';

/** Takes here what rings on a line one may watch: that of somebody in the same team (RFC 5359 §2.16). */
export function PickUp({ ringing, tabStop }: { ringing: RingingAtColleague; tabStop?: boolean }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const deviceId = useAppSelector(selectMyDeviceId);
  const { legId, callerName, colleagueName } = ringing;
  const take = async () => {
    const result = await dispatch(send({ type: 'pickUp', deviceId, legId }));
    if (result?.ok) go.call();
  };
  return (
    <Plate
      kind="answer"
      word="Pick up"
      label={`Pick up ${callerName}, ringing at ${colleagueName}`}
      onPress={() => void take()}
      {...(tabStop !== undefined && { tabStop })}
    />
  );
}
