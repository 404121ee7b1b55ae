import { PartColumns } from '../PartColumns';

export function ConferencesScreen() {
  return <PartColumns part="conferences" />;
}
