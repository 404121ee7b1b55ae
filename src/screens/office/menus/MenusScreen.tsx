import { PartColumns } from '../PartColumns';

export function MenusScreen() {
  return <PartColumns part="menus" />;
}
