/** `none`: as the camera sees it. */
export const backgrounds = ['none', 'blurred', 'plain'] as const;
export type Background = (typeof backgrounds)[number];
