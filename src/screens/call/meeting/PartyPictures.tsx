import { useRef } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { MeetingView, PartyView } from '@/state/app';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { MovingPicture } from './MovingPicture';
import { pictureName } from './pictureWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: { flexDirection: 'row', gap: space.xs },
    large: { aspectRatio: 16 / 9, width: '100%' },
    small: { width: 104, height: 64 },
    tiny: { width: 84, height: target + 8 },
    edge: { borderWidth: 1, borderColor: colours.ink, borderBottomWidth: 0 },
    beside: { justifyContent: 'center', backgroundColor: colours.night },
    pressed: { opacity: 0.8 },
    sizes: {
      ...{ position: 'absolute', right: 0, top: 0, minHeight: target, minWidth: target },
      justifyContent: 'center',
      paddingHorizontal: space.m,
      backgroundColor: colours.night,
    },
  }),
);

interface PartyPicturesProps {
  party: Pick<PartyView, 'name' | 'legId'>;
  meeting: Pick<MeetingView, 'pictures'>;
  /** Which of all is seen large. */
  largeId: string | null;
  onChoose: (pictureId: string) => void;
  /** In which other sizes a large one can be seen. */
  onSizes: (picture: MeetingView['pictures'][number]) => void;
  /** One of many: theirs that are small stand beside the card (`SmallPictures`). */
  isMany?: boolean;
}

/** What somebody shows, over their card at the end of the cord: a tap makes a small one large, and a large one fills the screen. */
export function PartyPictures({ isMany = false, ...props }: PartyPicturesProps) {
  const { party, meeting, largeId, onSizes } = props;
  const large = meeting.pictures.find(({ id, legId }) => id === largeId && legId === party.legId);
  return (
    <>
      {large ? <LargePicture picture={large} name={party.name} onSizes={() => onSizes(large)} /> : null}
      {isMany ? null : <SmallPictures {...props} />}
    </>
  );
}

/** What somebody shows that is not seen large: a tap makes it so. */
export function SmallPictures({
  party,
  meeting,
  largeId,
  onChoose,
  isMany = false,
}: Omit<PartyPicturesProps, 'onSizes'>) {
  const styles = useStyles();
  const small = meeting.pictures.filter(({ id, legId }) => legId === party.legId && id !== largeId);
  if (small.length === 0) return null;
  return (
    <View style={styles.row}>
      {small.map(({ id, legId, kind }) => (
        <Pressable
          key={id}
          role="button"
          aria-label={`${pictureName(party.name, kind)}, large`}
          onPress={() => onChoose(id)}
          style={({ pressed }) => [isMany ? styles.beside : styles.edge, pressed && styles.pressed]}
        >
          <MovingPicture
            legId={legId}
            kind={kind}
            label={pictureName(party.name, kind)}
            style={isMany ? styles.tiny : styles.small}
          />
        </Pressable>
      ))}
    </View>
  );
}

interface LargePictureProps {
  picture: MeetingView['pictures'][number];
  name: string;
  onSizes: () => void;
}

function LargePicture({ picture, name, onSizes }: LargePictureProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const frame = useRef<View>(null);
  const fill = () => {
    const element = frame.current as unknown as HTMLElement | null;
    if (document.fullscreenElement) void document.exitFullscreen();
    else void element?.requestFullscreen?.().catch(() => undefined);
  };
  const words = pictureName(name, picture.kind);
  return (
    <View style={styles.edge}>
      <Pressable role="button" aria-label={`${words}, as large as the screen`} onPress={fill}>
        <View ref={frame}>
          <MovingPicture legId={picture.legId} kind={picture.kind} label={words} style={styles.large} />
        </View>
      </Pressable>
      <Pressable role="button" aria-label={`Sizes: ${words}`} onPress={onSizes} style={styles.sizes}>
        <Txt as="strong" colour={colours.onNight}>
          Sizes
        </Txt>
      </Pressable>
    </View>
  );
}
