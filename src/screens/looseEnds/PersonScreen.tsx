import { useLocalSearchParams } from 'expo-router';

import { LooseEndsScreen } from './LooseEndsScreen';

/** One person's timeline by the address; beside the list, where there is room. */
export function PersonScreen() {
  const { key } = useLocalSearchParams<{ key: string }>();
  return <LooseEndsScreen personKey={key} />;
}
