import { useLocalSearchParams } from 'expo-router';

import { EverythingScreen } from '@/screens/everything/EverythingScreen';

export default function RecordRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EverythingScreen recordId={id} />;
}
