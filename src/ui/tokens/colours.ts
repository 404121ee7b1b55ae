/** The colours of one theme. Text colours stand at 7:1 or more on `paper` and `sheet` (contrast.test.ts). */
export interface Colours {
  paper: string;
  sheet: string;
  ink: string;
  faint: string;
  rule: string;
  /** Edges of what can be pressed or filled in. */
  edge: string;
  spruce: string;
  onSpruce: string;
  /** The needle and what wants attention; never text on its own. */
  saffron: string;
  rowan: string;
  onRowan: string;
  moss: string;
  onMoss: string;
  slate: string;
  /** The rail, the incoming sheet and other dark ground, in both themes. */
  night: string;
  onNight: string;
  faintOnNight: string;
  nightEdge: string;
  /** Cords of lines, by their hue index. */
  cords: readonly string[];
  /** The same on dark ground. */
  cordsOnNight: readonly string[];
}

const cordsOnNight = ['#6CC3AE', '#E9A93A', '#EE8474', '#93B5E4', '#DB95C6', '#9BC77F'] as const;
const night = {
  night: '#14201D',
  onNight: '#F4F7F5',
  faintOnNight: '#B9C6C1',
  nightEdge: '#5F716B',
  cordsOnNight,
};

export const light: Colours = {
  paper: '#F1F4F0',
  sheet: '#FFFFFF',
  ink: '#14201D',
  faint: '#43524D',
  rule: '#C9D2CD',
  edge: '#6F7F79',
  spruce: '#0D4B43',
  onSpruce: '#FFFFFF',
  saffron: '#E99A00',
  rowan: '#8F2317',
  onRowan: '#FFFFFF',
  moss: '#275A23',
  onMoss: '#FFFFFF',
  slate: '#2B4670',
  cords: ['#0D4B43', '#8A5600', '#A62B1C', '#36547F', '#6B2A5B', '#3F6A23'],
  ...night,
};

export const dark: Colours = {
  paper: '#0E1614',
  sheet: '#16211E',
  ink: '#E8EFEB',
  faint: '#B3C1BB',
  rule: '#33423D',
  edge: '#7F918A',
  spruce: '#8FD3C1',
  onSpruce: '#0B1513',
  saffron: '#FFB938',
  rowan: '#FFA697',
  onRowan: '#1E0805',
  moss: '#A5D68B',
  onMoss: '#0C1807',
  slate: '#A9C5F0',
  cords: cordsOnNight,
  ...night,
  night: '#080D0C',
};
