import { dark, light, type Colours } from './colours';

/** WCAG 2.2 relative luminance and contrast ratio of two #rrggbb colours. */
function contrast(a: string, b: string): number {
  const luminance = (colour: string) => {
    const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
      const channel = parseInt(colour.slice(at, at + 2), 16) / 255;
      return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
  };
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (high + 0.05) / (low + 0.05);
}

describe.each([
  ['light', light],
  ['dark', dark],
] as [string, Colours][])('the %s theme', (_, theme) => {
  it.each(['ink', 'faint', 'spruce', 'rowan', 'moss', 'slate'] as const)(
    '%s is text at 7:1 on both grounds',
    (name) => {
      expect(contrast(theme[name], theme.paper)).toBeGreaterThanOrEqual(7);
      expect(contrast(theme[name], theme.sheet)).toBeGreaterThanOrEqual(7);
    },
  );

  it('words on plates and on dark ground stand at 7:1', () => {
    expect(contrast(theme.onSpruce, theme.spruce)).toBeGreaterThanOrEqual(7);
    expect(contrast(theme.onRowan, theme.rowan)).toBeGreaterThanOrEqual(7);
    expect(contrast(theme.onMoss, theme.moss)).toBeGreaterThanOrEqual(7);
    expect(contrast(theme.onNight, theme.night)).toBeGreaterThanOrEqual(7);
    expect(contrast(theme.faintOnNight, theme.night)).toBeGreaterThanOrEqual(7);
  });

  it('edges and cords can be told from their ground', () => {
    for (const colour of [theme.edge, ...theme.cords]) {
      expect(contrast(colour, theme.paper)).toBeGreaterThanOrEqual(3);
      expect(contrast(colour, theme.sheet)).toBeGreaterThanOrEqual(3);
    }
    for (const colour of [theme.nightEdge, ...theme.cordsOnNight]) {
      expect(contrast(colour, theme.night)).toBeGreaterThanOrEqual(3);
    }
  });
});
