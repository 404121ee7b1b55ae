import { StyleSheet, Text, View } from 'react-native';

import { corner, fonts, themed } from '../tokens';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    plate: {
      width: 40,
      height: 40,
      borderRadius: corner,
      borderWidth: 1,
      alignItems: 'center',
      justifyContent: 'center',
    },
    letters: { fontFamily: fonts.title, fontWeight: '600', fontSize: size(15), color: colours.ink },
  }),
);

/** A person's initials on a square plate in a tint of their own. */
export function Initials({ name }: { name: string }) {
  const styles = useStyles();
  const tint = tintOf(name);
  return (
    <View style={[styles.plate, { backgroundColor: `${tint}22`, borderColor: tint }]} aria-hidden>
      <Text style={styles.letters}>{initialsOf(name)}</Text>
    </View>
  );
}

const tints = ['#1F7A6C', '#9A6A12', '#A8453A', '#44679B', '#8A4A7B', '#56823B', '#6C6A2E', '#4A7C8C'];

function tintOf(name: string): string {
  let sum = 0;
  for (const letter of name) sum = (sum * 31 + letter.charCodeAt(0)) % 9973;
  return tints[sum % tints.length] ?? '#44679B';
}

/** First letters of the first and last word; a number has its last two digits. */
export function initialsOf(name: string): string {
  const words = name.split(/[\s&]+/).filter((word) => /^\p{L}/u.test(word));
  if (words.length === 0) return name.replace(/\D/g, '').slice(-2) || '?';
  return words
    .filter((_, index) => index === 0 || index === words.length - 1)
    .map((word) => word.charAt(0).toUpperCase())
    .join('');
}
