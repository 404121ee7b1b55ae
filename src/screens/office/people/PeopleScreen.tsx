import { PartColumns } from '../PartColumns';

export function PeopleScreen() {
  return <PartColumns part="people" />;
}
