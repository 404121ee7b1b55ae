import { useEffect, useState } from 'react';
import { View } from 'react-native';

import { asideText, giveBack, readAside, type Aside } from '@/state/archive';
import { useServices } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { saveBlob } from '../shared/files';

/** What could not be read once and was set aside: seen, saved, and read again; not there where nothing was. */
export function AsidePart() {
  const { vault } = useServices();
  const [asides, setAsides] = useState<readonly Aside[]>([]);
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => {
    if (!vault) return;
    let isGone = false;
    void readAside(vault).then(
      (found) => isGone || setAsides(found),
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [vault]);
  if (!vault || (asides.length === 0 && said === null)) return null;
  const tryAgain = async () => {
    const { back, left } = await giveBack(vault, asides);
    setAsides(await readAside(vault));
    const stays = left === 0 ? '' : ` ${countOf(left)} still can’t be read, and stay here.`;
    setSaid(
      back === 0
        ? 'This version can’t read them either. They stay here as they are.'
        : `${countOf(back)} could be read, and will be there when the app starts again.${stays}`,
    );
  };
  return (
    <View style={{ gap: space.m }} role="region" aria-label="Set aside">
      <Txt as="heading" level={2}>
        Set aside
      </Txt>
      {asides.length > 0 ? (
        <>
          <Txt>{`Could not be read, and is kept as it is: ${whatOf(asides)}.`}</Txt>
          <Plate
            word="Save it as a file"
            onPress={() =>
              saveBlob('cendro-set-aside.txt', new Blob([asideText(asides)], { type: 'text/plain' }))
            }
          />
          <Plate word="Try to read it again" onPress={() => void tryAgain()} />
        </>
      ) : null}
      {said ? (
        <View role="status">
          <Txt>{said}</Txt>
        </View>
      ) : null}
    </View>
  );
}

const countOf = (count: number) => (count === 1 ? 'One entry' : `${count} entries`);

/** "days of calls (2), texts (1)" */
function whatOf(asides: readonly Aside[]): string {
  const counts = new Map<string, number>();
  for (const { name, lines } of asides) counts.set(name, (counts.get(name) ?? 0) + lines.length);
  return [...counts].map(([name, count]) => `${name} (${count})`).join(', ');
}
