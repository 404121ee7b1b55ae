import { ComingScreen } from '@/screens/places/ComingScreen';

export default function DirectoryRoute() {
  return (
    <ComingScreen
      title="Everybody you can reach"
      sentence="Here colleagues with what they are doing, and contacts from every source, will stand in one list."
    />
  );
}
