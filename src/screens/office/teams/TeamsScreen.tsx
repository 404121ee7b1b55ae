import { PartColumns } from '../PartColumns';

export function TeamsScreen() {
  return <PartColumns part="teams" />;
}
