import { View } from 'react-native';

import { readWhen } from '@/core/shared/parseTime';
import { formatMoment } from '@/core/shared/time';
import { selectZone, useAppSelector, useNow } from '@/state/app';
import { Txt } from '@/ui/text';

/** How a time that is being typed is read, before it counts; nothing while it can't be. */
export function ReadMoment({ text }: { text: string }) {
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const read = text.trim() === '' ? null : readWhen(text, now, zone);
  return (
    <View role="status">
      {read?.ok ? <Txt as="small">{`That is ${formatMoment(read.at, now, zone)}.`}</Txt> : null}
    </View>
  );
}
