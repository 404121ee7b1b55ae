import { useAppSelector, useServices } from '@/state/app';
import { Notice } from '@/ui/notice';

/** Of several browsers of one person one speaks and hears; the others say which, and can do it instead. */
export function SpeaksElsewhere({ legId }: { legId: string }) {
  const { speakHere } = useServices();
  const name = useAppSelector(({ office }) => office.speaksOn[legId]);
  if (name === undefined) return null;
  return (
    <Notice
      sentence={`You speak in another window or device: ${name}.`}
      action={{ word: 'Speak here', onPress: () => speakHere(legId) }}
    />
  );
}
