import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { lightColours, space } from '@/ui/tokens';

import { saveBlob, saveFile } from '../files';
import { pngOf, svgText, type Drawing } from './svg';

interface SavePictureProps {
  title: string;
  /** The file’s name without its ending. */
  name: string;
  draw: () => Drawing;
  /** The same as a table, where there is one. */
  csv?: () => string;
  onClose: () => void;
}

/** What is shown as a file: a picture, light as paper is, or the table behind it. */
export function SavePicture({ title, name, draw, csv, onClose }: SavePictureProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const svg = () => svgText(draw(), lightColours.sheet);
  const asPng = async () => {
    try {
      saveBlob(`${name}.png`, await pngOf(svg(), draw()));
      onClose();
    } catch {
      setProblem('This browser can’t draw it as PNG. SVG can be saved, and holds the same.');
    }
  };
  return (
    <Sheet title={title} onClose={onClose}>
      <View style={styles.stack}>
        <Txt as="small">The picture holds names and numbers of calls, as they are shown.</Txt>
        {csv ? (
          <Plate
            word="Table (CSV)"
            onPress={() => {
              saveFile(`${name}.csv`, 'text/csv', csv());
              onClose();
            }}
          />
        ) : null}
        <Plate word="Picture in pixels (PNG)" onPress={() => void asPng()} />
        <Plate
          word="Picture in lines (SVG)"
          onPress={() => {
            saveFile(`${name}.svg`, 'image/svg+xml', svg());
            onClose();
          }}
        />
        {problem === null ? null : <Problem sentence={problem} />}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
