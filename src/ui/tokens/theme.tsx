import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { useColorScheme } from 'react-native';

import { dark, light, type Colours } from './colours';

export const fonts = {
  title: '"Bricolage Grotesque", "Segoe UI", sans-serif',
  text: '"Atkinson Hyperlegible Next", "Segoe UI", sans-serif',
  mono: '"Martian Mono", ui-monospace, monospace',
} as const;

/** Distances in pixels, on a grid of four. */
export const space = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;
export const corner = 3;
/** The least height and width of what a thumb has to hit. */
export const target = 48;
/**
 * From `wide` on list and detail stand side by side; from `third` there is a column for live calls too. `low` and `short` are heights;
 * what is low and wider than `across` is a phone held across. Below `narrow` words that only name what stands there give way, below `narrowest` nothing stands side by side.
 */
export const breakpoints = {
  wide: 900,
  third: 1180,
  across: 600,
  short: 720,
  low: 640,
  narrow: 360,
  narrowest: 300,
} as const;

export interface Theme {
  colours: Colours;
  isDark: boolean;
  /** A size of text in pixels, as large as the reader has set their browser to. */
  size: (pixels: number) => number;
}

const ThemeContext = createContext<Theme>({ colours: light, isDark: false, size: (pixels) => pixels });

export const useTheme = () => useContext(ThemeContext);

interface ThemeProviderProps {
  choice: 'device' | 'light' | 'dark';
  /** How much larger than 16 px the reader's standard size is. */
  textScale: number;
  children: ReactNode;
}

export function ThemeProvider({ choice, textScale, children }: ThemeProviderProps) {
  const device = useColorScheme();
  const isDark = choice === 'dark' || (choice === 'device' && device === 'dark');
  const theme = useMemo<Theme>(
    () => ({
      colours: isDark ? dark : light,
      isDark,
      size: (pixels) => Math.round(pixels * textScale * 10) / 10,
    }),
    [isDark, textScale],
  );
  return <ThemeContext.Provider value={theme}>{children}</ThemeContext.Provider>;
}

/** Styles that depend on the theme; made once for each theme that is used. */
export function themed<T>(make: (theme: Theme) => T): () => T {
  const made = new WeakMap<Theme, T>();
  return function useThemed() {
    const theme = useTheme();
    let styles = made.get(theme);
    if (!styles) {
      styles = make(theme);
      made.set(theme, styles);
    }
    return styles;
  };
}
