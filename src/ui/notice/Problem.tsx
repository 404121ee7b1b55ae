import { View } from 'react-native';

import { Txt } from '../text';
import { useTheme } from '../tokens';

interface ProblemProps {
  /** null: there is none. */
  sentence: string | null;
  /** Beside small text. */
  isSmall?: boolean;
}

/** What is wrong, said where it was done, and at once to those who listen. */
export function Problem({ sentence, isSmall }: ProblemProps) {
  const { colours } = useTheme();
  if (sentence === null) return null;
  return (
    <View role="alert">
      <Txt as={isSmall ? 'small' : 'body'} colour={colours.rowan}>
        {sentence}
      </Txt>
    </View>
  );
}
