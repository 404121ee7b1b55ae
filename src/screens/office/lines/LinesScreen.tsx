import { PartColumns } from '../PartColumns';

export function LinesScreen() {
  return <PartColumns part="lines" />;
}
