import { Image } from 'react-native';

import { usePicture } from '@/state/pictures';
import { corner } from '@/ui/tokens';

/** Somebody's photo on a square plate, as their initials are; nothing until it is read. */
export function Photo({ photo, size }: { photo: string; size: number }) {
  const url = usePicture(photo);
  if (url === null) return null;
  return (
    <Image
      source={{ uri: url }}
      alt=""
      accessible={false}
      style={{ width: size, height: size, borderRadius: corner }}
    />
  );
}
