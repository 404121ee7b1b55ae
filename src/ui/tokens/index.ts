/** Colours, fonts, distances and the theme. */
export { light as lightColours, type Colours } from './colours';
export {
  breakpoints,
  corner,
  fonts,
  space,
  target,
  themed,
  ThemeProvider,
  useTheme,
  type Theme,
} from './theme';
